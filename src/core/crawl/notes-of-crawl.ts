import type { RunNote } from '../model'
import { type Trap, trapWords } from './traps'

/** What a crawl left out, and what it passed. */
export type CrawlLeavings = {
  /** Addresses found and not asked for. */
  left: number
  /** What kept it from them, as `at 2000 pages`. */
  boundedBy: string
  trapped: ReadonlyMap<Trap, { count: number; such: string }>
  /** Links that lie too deep. */
  tooDeep: number
  maxDepth: number
  /** Addresses that robots.txt closes to us. */
  keptOut: ReadonlySet<string>
  passedRobots: boolean
  passedLogin: boolean
}

/** What has to be said of a crawl, so that nobody takes it for the whole site. */
export function* notesOf(leavings: CrawlLeavings): Generator<RunNote> {
  const { left, boundedBy, trapped, tooDeep, maxDepth, keptOut, passedRobots, passedLogin } = leavings
  if (left > 0) {
    yield {
      kind: 'bounded',
      message: `Stopped ${boundedBy}; ${left} more addresses were found and not asked for.`,
    }
  }
  for (const [trap, { count, such }] of trapped) {
    yield {
      kind: 'trap',
      message: `Cut: ${count === 1 ? 'an address' : `${count} addresses`} ${trapWords[trap]}, such as ${such}.`,
    }
  }
  if (tooDeep > 0)
    yield { kind: 'bounded', message: `${tooDeep} links lie deeper than ${maxDepth} steps from the start.` }
  if (keptOut.size > 0) {
    yield {
      kind: 'bounded',
      message: `robots.txt keeps our crawler out of ${keptOut.size === 1 ? 'an address' : `${keptOut.size} addresses`}, such as ${[...keptOut][0]}.`,
    }
  }
  if (passedRobots) {
    yield { kind: 'robots-passed', message: 'robots.txt was passed over as asked: cards are shown as launched.' }
  }
  if (passedLogin) {
    yield { kind: 'login-passed', message: 'A login was used, which crawlers don’t have: cards are shown as launched.' }
  }
}
