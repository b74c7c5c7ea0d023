import { limits } from '../address'
import type { CrawlEnvironment, FetchResult, ReadAddress } from './read-address'

const PASSING_STATUS = new Set([429, 500, 502, 503, 504])
const PASSING_FAILURE = new Set(['reset', 'timeout'])

/** May asking again help? */
function isPassing(exchange: FetchResult): boolean {
  return exchange.kind === 'answered' ? PASSING_STATUS.has(exchange.status) : PASSING_FAILURE.has(exchange.code)
}

/** Wait before the next try: what the server asks for, else twice the last wait. Kept under a limit. */
export function waitBefore(attempt: number, exchange: FetchResult, now: Date): number {
  const asked = exchange.kind === 'answered' ? retryAfterMs(exchange.headers['retry-after'], now) : null
  return Math.min(asked ?? limits.retryFirstMs * 2 ** attempt, limits.retryMostMs)
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/** `Sun Nov  6 08:49:37 1994`: the form of C's asctime, which says no zone and means GMT (RFC 9110, 5.6.7). */
function asctimeMs(text: string): number | null {
  const [, month, day, time, year, ...rest] = text.trim().split(/ +/)
  const index = MONTHS.indexOf((month ?? '').toLowerCase())
  const [hours, minutes, seconds] = (time ?? '').split(':').map(Number)
  if (index < 0 || rest.length > 0 || !/^\d{4}$/.test(year ?? '')) return null
  const ms = Date.UTC(Number(year), index, Number(day), hours, minutes, seconds)
  return Number.isNaN(ms) ? null : ms
}

/** Retry-After (RFC 9110): seconds, or a date; null for what is neither. Of several values the first counts. */
export function retryAfterMs(value: string | undefined, now: Date): number | null {
  if (value === undefined) return null
  const first = value.split(',')[0]!.trim()
  if (/^\d{1,10}$/.test(first)) return Number(first) * 1000
  // A date has a comma of its own after the day's name; what begins with a number that is none is no date either.
  const text = value.trim()
  if (!/^[a-z]/i.test(text)) return null
  const date = asctimeMs(text) ?? Date.parse(text)
  return Number.isNaN(date) ? null : Math.max(0, date - now.getTime())
}

/**
 * Reads with patience: after a passing fault it waits and asks again, at most `limits.retries` times.
 * @param heard told of every answer, the passing faults too
 */
export function retrying(
  outside: Pick<CrawlEnvironment, 'read' | 'sleep' | 'now' | 'signal'>,
  heard: (exchange: FetchResult) => void = () => {},
): ReadAddress {
  return async (request) => {
    for (let attempt = 0; ; attempt++) {
      const exchange = await outside.read(request)
      heard(exchange)
      if (attempt >= limits.retries || !isPassing(exchange) || outside.signal.aborted) return exchange
      await outside.sleep(waitBefore(attempt, exchange, outside.now()))
    }
  }
}
