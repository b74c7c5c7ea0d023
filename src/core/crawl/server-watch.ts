import type { FailureCode } from '../model'
import type { QueuedUrl } from './crawl-options'
import type { FetchResult } from './read-address'

/** Failures of a connection that say nothing of the page that was asked for. */
const SILENT: ReadonlySet<FailureCode> = new Set(['refused', 'reset'])

/** So many questions in a row without an answer put the server in doubt. */
const IN_A_ROW = 4

/** How long it is waited before a server in doubt is asked again, in ms, each time: one that restarts is back by then. */
const KNOCK_AFTER_MS = [1500, 3500] as const

/** Did the server not even take the question? */
const isSilent = (exchange: FetchResult): boolean => exchange.kind === 'failed' && SILENT.has(exchange.code)

const isReset = (exchange: FetchResult): boolean => exchange.kind === 'failed' && exchange.code === 'reset'

type Asked = { asked: QueuedUrl; followed: { exchange: FetchResult } }

/**
 * Notices when the server of a crawl is gone: then what was not read is no fault of the pages. Pages whose question it did
 * not take are kept back, and asked for once more before that is their fault.
 */
export class ServerWatch<Result extends Asked> {
  private readonly silent = new Map<string, Result>()
  private readonly askedAgain = new Set<string>()
  private inARow = 0
  private gone = false
  private wasSilent = false

  /** Nothing has answered for a while: before anything else is asked, it is knocked. */
  get isInDoubt(): boolean {
    return !this.gone && this.inARow >= IN_A_ROW
  }

  /** It did not answer that either. */
  get isLost(): boolean {
    return this.gone
  }

  /** How many pages are kept back. */
  get size(): number {
    return this.silent.size
  }

  /** Has a page been asked for once more? */
  isAgain(url: string): boolean {
    return this.askedAgain.has(url)
  }

  /**
   * Notes what came of a question. @returns true where the server did not take it, and the page is to be asked for again
   *
   * @param isOwn whether it went to the site's own server
   */
  keepsBack(result: Result, isOwn: boolean): boolean {
    const { asked, followed } = result
    const { exchange } = followed
    if (!isSilent(exchange)) {
      if (exchange.kind === 'answered') this.inARow = 0
      return false
    }
    this.inARow++
    if (!isOwn || (this.askedAgain.has(asked.url) && !this.isInDoubt)) return false
    this.silent.set(asked.url, result)
    return true
  }

  /** A page to ask for once more; undefined where none is left. A reset was asked again at once, with patience. */
  takeAgain(): QueuedUrl | undefined {
    const found = [...this.silent.values()].find(({ followed }) => this.wasSilent || !isReset(followed.exchange))
    if (!found) return undefined
    this.silent.delete(found.asked.url)
    this.askedAgain.add(found.asked.url)
    return found.asked
  }

  /**
   * Asks once more, after a while, then after a longer one. @returns whether it answered
   *
   * @param ask asks for a page that is kept back; null: for the start
   */
  async knock(
    ask: (url: string | null) => Promise<FetchResult>,
    sleep: (ms: number) => Promise<void>,
  ): Promise<boolean> {
    const [url = null] = this.silent.keys()
    for (const waitMs of KNOCK_AFTER_MS) {
      await sleep(waitMs)
      if (!isSilent(await ask(url))) return true
    }
    return false
  }

  /** @param isThere what came of knocking */
  settle(isThere: boolean): void {
    this.gone = !isThere
    if (!isThere) return
    this.inARow = 0
    this.wasSilent = true
    for (const url of this.silent.keys()) this.askedAgain.delete(url)
  }

  /** What is kept back at the end of a crawl whose server answers: that is these pages' own fault. */
  takeLeft(): Result[] {
    if (this.gone) return []
    const left = [...this.silent.values()]
    for (const { asked } of left) this.askedAgain.add(asked.url)
    this.silent.clear()
    return left
  }
}
