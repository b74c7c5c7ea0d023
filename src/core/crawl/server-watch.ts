import type { FailureCode } from '../model'
import type { FetchResult } from './read-address'

/** Failures of a connection that say nothing of the page that was asked for. */
const SILENT: ReadonlySet<FailureCode> = new Set(['refused', 'reset'])

/** So many questions in a row without an answer put the server in doubt. */
const IN_A_ROW = 4

/** How long it is waited before a server in doubt is asked again, in ms, each time: one that restarts is back by then. */
export const KNOCK_AFTER_MS = [1500, 3500] as const

/** Did the server not even take the question? */
export const isSilent = (exchange: FetchResult): boolean => exchange.kind === 'failed' && SILENT.has(exchange.code)

export const isReset = (exchange: FetchResult): boolean => exchange.kind === 'failed' && exchange.code === 'reset'

/** Notices when the server of a crawl is gone: then what was not read is no fault of the pages. */
export class ServerWatch {
  private inARow = 0
  private gone = false

  /** Notes what came of a question to the site's own server. */
  note(exchange: FetchResult): void {
    if (isSilent(exchange)) this.inARow++
    else if (exchange.kind === 'answered') this.inARow = 0
  }

  /** Nothing has answered for a while: before anything else is asked, it is knocked once more. */
  get isInDoubt(): boolean {
    return !this.gone && this.inARow >= IN_A_ROW
  }

  /** It did not answer that either. */
  get isLost(): boolean {
    return this.gone
  }

  /** @param isThere whether it answered when it was asked once more */
  settle(isThere: boolean): void {
    if (isThere) this.inARow = 0
    else this.gone = true
  }
}
