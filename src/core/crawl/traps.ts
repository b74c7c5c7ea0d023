import { limits, pathnameOf, pathOf } from '../address'

/** Why an address is taken for a trap: a place where a crawler never ends. */
export type Trap = 'too-long' | 'growing-path' | 'endless-calendar' | 'endless-queries'

/** How a trap is told to people. */
export const trapWords: Record<Trap, string> = {
  'too-long': 'far too long',
  'growing-path': 'of a path that grows by repeating itself',
  'endless-calendar': 'of a calendar without end',
  'endless-queries': 'that only order or filter a page in another way',
}

/** Segments that stand three times in a row, alone or as a pair: `/a/a/a`, `/a/b/a/b/a/b`. */
function repeatsItself(segments: readonly string[]): boolean {
  for (const size of [1, 2, 3]) {
    for (let start = 0; start + size * 3 <= segments.length; start++) {
      const at = (index: number) => segments[start + index]
      let isSame = true
      for (let index = size; index < size * 3; index++) if (at(index) !== at(index % size)) isSame = false
      if (isSame) return true
    }
  }
  return false
}

const YEAR_MONTH = /(?:^|[/=_-])((?:19|20|21)\d{2})[/_-]?(0[1-9]|1[0-2])(?=$|[/&_-])/
const YEAR_QUERY = /[?&](?:y|year)=(\d{4})/i
const MONTH_QUERY = /[?&](?:m|mo|month)=(\d{1,2})(?!\d)/i

/** Months between now and a date that the address holds; null when it holds none. */
function monthsFromNow(path: string, now: Date): number | null {
  const inPath = YEAR_MONTH.exec(path)
  if (!inPath && !path.includes('?')) return null
  const [year, month] = inPath
    ? [Number(inPath[1]), Number(inPath[2])]
    : [Number(YEAR_QUERY.exec(path)?.[1]), Number(MONTH_QUERY.exec(path)?.[1])]
  if (!Number.isFinite(year) || !Number.isFinite(month)) return null
  return (year - now.getUTCFullYear()) * 12 + (month - 1 - now.getUTCMonth())
}

/** Notices addresses that would be found without end. One object a run: it counts queries by path. */
export class TrapWatch {
  private readonly queries = new Map<string, number>()

  constructor(private readonly now: Date) {}

  /** Asked once for every new address. @returns why it is a trap; null when it is none */
  trapOf(address: string): Trap | null {
    const pathname = pathnameOf(address)
    const search = pathOf(address).slice(pathname.length)
    const segments = pathname.split('/').filter((segment) => segment !== '')
    if (address.length > limits.addressCharacters || segments.length > limits.addressSegments) return 'too-long'
    if (repeatsItself(segments)) return 'growing-path'
    const months = monthsFromNow(pathname + search, this.now)
    if (months !== null && (months > limits.calendarMonthsAhead || months < -12 * limits.calendarYearsBack))
      return 'endless-calendar'
    if (search === '') return null
    const count = (this.queries.get(pathname) ?? 0) + 1
    this.queries.set(pathname, count)
    return count > limits.queriesOfOnePath ? 'endless-queries' : null
  }
}
