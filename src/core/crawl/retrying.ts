import { limits } from './limits'
import type { Exchange, Outside, ReadAddress } from './read-address'

const PASSING_STATUS = new Set([429, 500, 502, 503, 504])
const PASSING_FAILURE = new Set(['reset', 'timeout'])

/** May asking again help? */
export function isPassing(exchange: Exchange): boolean {
  return exchange.kind === 'answered' ? PASSING_STATUS.has(exchange.status) : PASSING_FAILURE.has(exchange.code)
}

/** Wait before the next try: what the server asks for, else twice the last wait. Kept under a limit. */
export function waitBefore(attempt: number, exchange: Exchange, now: Date): number {
  const asked = exchange.kind === 'answered' ? retryAfterMs(exchange.headers['retry-after'], now) : null
  return Math.min(asked ?? limits.retryFirstMs * 2 ** attempt, limits.retryMostMs)
}

/** Retry-After (RFC 9110): seconds, or a date. */
function retryAfterMs(value: string | undefined, now: Date): number | null {
  if (value === undefined) return null
  if (/^\s*\d+\s*$/.test(value)) return Number(value) * 1000
  const date = Date.parse(value)
  return Number.isNaN(date) ? null : Math.max(0, date - now.getTime())
}

/**
 * Reads with patience: after a passing fault it waits and asks again, at most `limits.retries` times.
 * @param heard told of every answer, the passing faults too
 */
export function retrying(
  outside: Pick<Outside, 'read' | 'sleep' | 'now' | 'signal'>,
  heard: (exchange: Exchange) => void = () => {},
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
