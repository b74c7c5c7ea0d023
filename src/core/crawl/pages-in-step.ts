import type { GatheredPage } from '../model'
import type { CrawlEvent } from './events'

/** Pages that are told of in one go where their pictures keep them waiting. */
export const TOLD_AT_ONCE = 250
/** Pages wait no longer than this for pictures that are slow to come. */
const PATIENCE_MS = 500

/**
 * Tells of pages in step with their pictures: a page that comes before its pictures has to be judged again when they come.
 */
export class PagesInStep {
  private told = 0
  private toldAt: number

  /** @param hasPictures whether the pictures of the build that a page names are there */
  constructor(
    private readonly pages: readonly GatheredPage[],
    private readonly hasPictures: (index: number) => boolean,
    private readonly now: () => Date,
  ) {
    this.toldAt = now().getTime()
  }

  /** Pages whose pictures have come, and after a while others. */
  *due(): Generator<CrawlEvent> {
    const at = this.now().getTime()
    const before = this.told
    let patient = at - this.toldAt > PATIENCE_MS ? TOLD_AT_ONCE : 0
    while (this.told < this.pages.length && (this.hasPictures(this.told) || patient-- > 0)) yield* this.next()
    if (this.told > before) this.toldAt = at
  }

  /** All that were not told of yet. */
  *rest(): Generator<CrawlEvent> {
    while (this.told < this.pages.length) yield* this.next()
  }

  private *next(): Generator<CrawlEvent> {
    yield { kind: 'page', page: this.pages[this.told++]! }
    yield { kind: 'progress', done: this.told, waiting: this.pages.length - this.told, fetching: [] }
  }
}
