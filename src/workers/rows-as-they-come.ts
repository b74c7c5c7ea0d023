import { checkPage, createGrowingContext, type GrowingContext } from '@/core/check'
import type { GatheringBuilder } from '@/core/crawl'
import type { GatheredImage, GatheredPage } from '@/core/model'
import { addTo } from '@/core/text'
import type { WallRow } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { makeRow } from './make-row'

/** Up to so many pages what is known of the whole is worked out again with every batch. */
const SMALL = 1000

/** Pages at most that are judged again in one batch since a picture of theirs came; at the end all are. */
const MOST_AGAIN = 250

/**
 * Rows of a run while it goes on. What a page is judged by that is of the whole – sections, what the site is called – is
 * worked out again when the pages have doubled: with every batch it would take longer than all else. At the end of the run
 * everything is judged by all of it.
 */
export class RowsAsTheyCome {
  private known: GrowingContext | null = null
  private knownPages = 0
  private readonly order = new Map<string, number>()
  /** Pages that name a picture which has not come, by its address. */
  private readonly waiting = new Map<string, string[]>()

  /** @param run its id */
  constructor(
    private readonly run: string,
    private readonly builder: GatheringBuilder,
  ) {}

  /** A page that has its row from an earlier part of the run. */
  hasRow(page: Pick<GatheredPage, 'url'>): void {
    this.order.set(page.url, this.order.size)
  }

  /** Rows of pages that came, and of those that name a picture which came. */
  async rowsOf(pages: readonly GatheredPage[], images: readonly GatheredImage[]): Promise<WallRow[]> {
    const known = await this.growing()
    for (const image of images) known.addImage(image)
    const now = new Set(pages.map(({ url }) => url))
    const again = images.flatMap(({ url }) => {
      const users = this.waiting.get(url) ?? []
      this.waiting.delete(url)
      return users
    })
    const touched = [...new Set(again)].filter((url) => !now.has(url)).slice(0, MOST_AGAIN)
    return [...now, ...touched].flatMap((url) => this.rowOf(url, known))
  }

  private rowOf(url: string, known: GrowingContext): WallRow[] {
    const found = this.builder.page(url)
    if (!found) return []
    // Another object: cards are kept by it, and a picture may have come since they were made.
    const page = { ...found }
    const { context } = known
    known.addPage(page)
    if (!this.order.has(url)) {
      this.order.set(url, this.order.size)
      for (const one of page.facts ? context.declaredImages({ ...page, facts: page.facts }) : [])
        if (!context.images.has(one.url)) addTo(this.waiting, one.url, url)
    }
    return [makeRow(this.run, page, this.order.get(url)!, checkPage(page, context), context)]
  }

  private async growing(): Promise<GrowingContext> {
    const { pageCount } = this.builder
    if (this.known && pageCount > SMALL && pageCount < 2 * this.knownPages) return this.known
    const gathering = this.builder.gathering()!
    this.known = createGrowingContext(gathering, await requirementsOf(gathering.source.site))
    this.knownPages = pageCount
    return this.known
  }
}
