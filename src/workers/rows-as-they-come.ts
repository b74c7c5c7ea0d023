import { createGrowingContext, type GrowingContext, KeptVerdicts, type Verdict } from '@/core/check'
import type { GatheringBuilder } from '@/core/crawl'
import type { Finding, GatheredImage, GatheredPage, Gathering } from '@/core/model'
import type { WallRow } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { contextOfRun, judgeWhole } from './judge'
import { makeRow } from './make-row'

/** Up to so many pages what is known of the whole is worked out again with every batch. */
const SMALL = 1000

/** Pages at most that are judged again in one batch since a picture of theirs came; at the end all are. */
const MOST_AGAIN = 250

/** A row that was made, and what it hangs on. */
type MadeRow = Pick<WallRow, 'order' | 'section' | 'findings'> & { stamp: object | undefined }

/** What the end of a run says. */
export type RunEnd = {
  verdict: Verdict
  /** Rows that are others than those made before. */
  changed: WallRow[]
}

/** The same findings, most of them the very objects. */
const areSame = (some: readonly Finding[], others: readonly Finding[]) =>
  some.length === others.length &&
  some.every((one, index) => one === others[index] || JSON.stringify(one) === JSON.stringify(others[index]))

/**
 * Rows of a run while it goes on, and its verdict at the end. What is said of a page alone is said once, when it came, and
 * again only where a picture came after it, or the page is known otherwise. What a page is judged by that is of the whole
 * – sections, what the site is called – is worked out again when the pages have doubled: with every batch it would take
 * longer than all else. At the end of the run what hangs on the whole is judged by all of it.
 */
export class RowsAsTheyCome {
  private known: GrowingContext | null = null
  private knownPages = 0
  private readonly order = new Map<string, number>()
  private readonly verdicts = new KeptVerdicts()
  private readonly made = new Map<string, MadeRow>()

  /** @param run its id */
  constructor(
    private readonly run: string,
    private readonly builder: GatheringBuilder,
  ) {}

  /** A page that has its row from an earlier part of the run. To be told in the order of the rows. */
  hasRow(url: string): void {
    this.order.set(url, this.order.size)
  }

  /** Rows of pages that came, and of those that were judged without a picture which came. */
  async rowsOf(pages: readonly GatheredPage[], images: readonly GatheredImage[]): Promise<WallRow[]> {
    const known = await this.growing()
    for (const image of images) known.addImage(image)
    const now = new Set(pages.map(({ url }) => url))
    const again = images.flatMap((image) => this.verdicts.pictureCame(image))
    const touched = [...new Set(again)].filter((url) => !now.has(url)).slice(0, MOST_AGAIN)
    return [...now, ...touched].flatMap((url) => this.rowOf(url, known))
  }

  /** Judges the run, now that all of it is known. */
  async end(gathering: Gathering): Promise<RunEnd> {
    const context = await contextOfRun(gathering)
    const verdict = await judgeWhole(this.run, gathering, context, (page) => this.verdicts.check(page, context))
    const changed: WallRow[] = []
    for (const [order, page] of context.pages.entries()) {
      const said = verdict.pages[order]!
      const { findings, section } = said
      const before = this.made.get(page.url)
      const isSame =
        before !== undefined &&
        before.stamp === this.verdicts.stampOf(page.url) &&
        before.order === order &&
        before.section === section &&
        areSame(before.findings, findings)
      if (!isSame) changed.push(this.keep(makeRow(this.run, page, order, said, context)))
    }
    return { verdict, changed }
  }

  private rowOf(url: string, known: GrowingContext): WallRow[] {
    const found = this.builder.page(url)
    if (!found) return []
    // Another object: cards are kept by it, and a picture may have come since they were made.
    const page = { ...found }
    const { context } = known
    known.addPage(page)
    if (!this.order.has(url)) this.order.set(url, this.order.size)
    known.takeAsked()
    const said = this.verdicts.check(page, context, found)
    const row = this.keep(makeRow(this.run, page, this.order.get(url)!, said, context))
    this.verdicts.asked(url, known.takeAsked())
    return [row]
  }

  private keep(row: WallRow): WallRow {
    const { url, order, section, findings } = row
    const stamp = this.verdicts.stampOf(url)
    this.made.set(url, { stamp, order, section, findings })
    return row
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
