import type { Incomplete, RunNote } from '../model'
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
  /** Addresses that were asked for and are no HTML. */
  notPages: RunNote | null
  passedRobots: boolean
  passedLogin: boolean
}

/** What has to be said of a crawl, so that it is not taken for the whole site. */
export function* notesOf(leavings: CrawlLeavings): Generator<RunNote> {
  const { left, boundedBy, trapped, tooDeep, maxDepth, keptOut, notPages, passedRobots, passedLogin } = leavings
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
  if (notPages) yield notPages
  if (passedRobots) {
    yield { kind: 'robots-passed', message: 'robots.txt was passed over as asked: cards are shown as launched.' }
  }
  if (passedLogin) {
    yield { kind: 'login-passed', message: 'A login was used, which crawlers don’t have: cards are shown as launched.' }
  }
}

/** What kept a crawl from reading all that it should have. */
export type CrawlLack = {
  /** Addresses found and not asked for. */
  left: number
  /** Pages read. */
  pages: number
  isStopped: boolean
  /** What ended the run before its end: one run may read so many bytes and take so long, or the server was lost. */
  cutBy: { why: 'time' | 'bytes' | 'lost'; words: string } | null
  /** The default bound of pages; null where a bound was asked for. */
  boundReached: number | null
  /** Links that lie deeper than the default. */
  tooDeep: number
  maxDepth: number
  /** Addresses that robots.txt closes to our crawler, and not to every place's. */
  onlyWeKeptOut: readonly string[]
  /** Why no page was read at all; null where some were. */
  nothing: string | null
  /** Globs of what was asked for that match no page, beside others that do. */
  idle?: readonly { glob: string; near: string }[]
}

const addresses = (count: number) => (count === 1 ? 'one more address was' : `${count} more addresses were`)

/** Why a run is not complete, each reason with what to try. Nothing where it is. */
export function* incompletenessOf(lack: CrawlLack): Generator<Incomplete> {
  const { left, pages, isStopped, cutBy, boundReached, tooDeep, maxDepth, onlyWeKeptOut, nothing, idle = [] } = lack
  if (isStopped) yield { why: 'stopped', message: `Stopped at ${pages} of about ${pages + left} pages.` }
  else if (cutBy?.why === 'lost') {
    const rest = left === 0 ? '' : ` ${left === 1 ? 'One URL was' : `${left} URLs were`} found and not read.`
    yield {
      why: 'lost',
      message: `${cutBy.words}: it takes no more connections.${rest} Start it again, and run again.`,
    }
  } else if (left > 0 && cutBy) {
    yield { why: cutBy.why, message: `Ended ${cutBy.words}; ${addresses(left)} found and not asked for.` }
  } else if (left > 0 && boundReached !== null) {
    const message = `Ended at ${boundReached} pages, the default; ${addresses(left)} found and not asked for. --max-pages sets another bound.`
    yield { why: 'pages', message }
  }
  if (tooDeep > 0) {
    const message = `${tooDeep === 1 ? 'A link lies' : `${tooDeep} links lie`} deeper than ${maxDepth} steps from the start, the default. --max-depth sets another bound.`
    yield { why: 'depth', message }
  }
  if (onlyWeKeptOut.length > 0) {
    const count = onlyWeKeptOut.length
    const message = `robots.txt keeps our crawler, NimbleParrot, out of ${count === 1 ? 'an address' : `${count} addresses`} that other crawlers may read, such as ${onlyWeKeptOut[0]}. Let it in, or pass robots.txt with --ignore-robots.`
    yield { why: 'pages', message }
  }
  for (const { glob, near } of idle) yield { why: 'pages', message: `--include ${glob} matches no page. ${near}` }
  if (nothing !== null) yield { why: 'nothing-read', message: nothing }
}
