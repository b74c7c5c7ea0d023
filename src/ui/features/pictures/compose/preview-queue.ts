import type { ComposeAsk, Composed } from '@/workers/draw-composed'
import { onPicture } from '../../../state/pictures/picture-worker'
import type { ComposedOnce } from './composed-once'

type Waiting = { ask: () => Promise<ComposeAsk>; resolve: (made: Composed) => void; reject: (error: Error) => void }

/** What is thrown for a preview that is no longer waited for. */
export class Outdated extends Error {}

/**
 * Previews that are asked for, one at a time: while a template is changed, only the newest wish of each page is drawn.
 * Pages are drawn in the order in which they were first asked for.
 */
export class PreviewQueue {
  private readonly waiting = new Map<string, Waiting>()
  private isBusy = false

  /** @param once what was made as a file is shown as it is, and not drawn for a look */
  constructor(
    private readonly once: Pick<ComposedOnce, 'get'>,
    private readonly draw: (ask: ComposeAsk) => Promise<Composed> = (ask) => onPicture('compose', ask),
  ) {}

  /** @returns the drawing; rejects with Outdated when the page was asked for again, or let go, before its turn came */
  add(page: string, ask: () => Promise<ComposeAsk>): Promise<Composed> {
    this.drop(page)
    return new Promise((resolve, reject) => {
      this.waiting.set(page, { ask, resolve, reject })
      void this.next()
    })
  }

  /** A page that is out of sight need not be drawn. */
  drop(page: string): void {
    this.waiting.get(page)?.reject(new Outdated())
    this.waiting.delete(page)
  }

  private async next(): Promise<void> {
    if (this.isBusy) return
    const [first] = this.waiting
    if (!first) return
    const [page, { ask, resolve, reject }] = first
    this.waiting.delete(page)
    this.isBusy = true
    try {
      const asked = await ask()
      resolve(this.once.get(asked) ?? (await this.draw(asked)))
    } catch (error) {
      reject(error instanceof Error ? error : new Error(String(error)))
    }
    this.isBusy = false
    void this.next()
  }
}
