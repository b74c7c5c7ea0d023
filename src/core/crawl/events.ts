import { limits } from '../address'
import type {
  AccessMode,
  FetchFact,
  GatheredImage,
  GatheredPage,
  Gathering,
  Incomplete,
  LeadingAddress,
  Linkers,
  RunNote,
  RunSource,
  Survey,
} from '../model'
import type { QueuedUrl } from './crawl-options'
import { mergeTwins } from './merge-twins'
import { surveyWith, withoutMissing } from './missing-urls'

/** What a run tells while it goes on. Server, worker and command line differ only in what they do with these. */
export type CrawlEvent =
  | {
      kind: 'started'
      source: RunSource
      view: AccessMode
      startedAt: string
      robotsTxt: string | null
      scope: string[]
    }
  | { kind: 'page'; page: GatheredPage }
  /** New addresses that will be asked for, unless the run ends before. */
  | { kind: 'found'; waiting: QueuedUrl[] }
  /** Another address leads to a page that has been told of already. */
  | { kind: 'alias'; url: string; alias: string }
  /** Near the end: addresses that lead to a page by redirects, each with its chain and who links to it. */
  | { kind: 'led-by'; url: string; ledHereBy: LeadingAddress[] }
  /** Near the end: pages that no link names in this form, only tags or sitemaps; of those that may be another's twin. */
  | { kind: 'unlinked-forms'; urls: string[] }
  /** Near the end: who links to a page that is not there. */
  | { kind: 'linked-by'; url: string; linkers: Linkers }
  | { kind: 'image'; image: GatheredImage }
  | { kind: 'note'; note: RunNote }
  /** Something that should have been read was not. */
  | { kind: 'incomplete'; incomplete: Incomplete }
  /** Hosts that are neither the site's nor named: their pictures are asked for slowly. */
  | { kind: 'slowed'; hosts: string[] }
  /** `done` and `waiting` count pages. */
  | { kind: 'progress'; done: number; waiting: number; fetching: string[] }
  /** Once, before the end. */
  | { kind: 'survey'; survey: Survey }
  | { kind: 'finished'; finishedAt: string; stopped: boolean }

/** Events as they come, those that came together in one batch; a batch may be empty. */
export type CrawlEvents = AsyncGenerator<CrawlEvent[], void, undefined>

/** The events of batches, each for itself: for those who have time for every one. */
export async function* oneByOne(batches: AsyncIterable<CrawlEvent[]>): AsyncGenerator<CrawlEvent> {
  for await (const batch of batches) for (const event of batch) yield event
}

/** Pages that hold more than is kept of one. */
function leftOut(pages: readonly GatheredPage[]): RunNote[] {
  const cut = pages.filter(({ facts }) => facts?.leftOut)
  const [first] = cut
  if (!first) return []
  const which = cut.length === 1 ? `${first.url} is` : `${cut.length} pages, such as ${first.url}, are`
  return [
    { kind: 'cut-short', message: `${which} not looked at whole. Left out: ${first.facts!.leftOut!.join(', ')}.` },
  ]
}

/** Pages that were longer than is read of one. */
function cutShort(pages: readonly GatheredPage[]): RunNote[] {
  const cut = pages.filter(({ fetch }) => fetch.isCut)
  if (cut.length === 0) return []
  const [{ url }] = cut as [GatheredPage]
  const which = cut.length === 1 ? `${url} is` : `${cut.length} pages, such as ${url}, are`
  const message = `${which} longer than ${limits.pageBytes / 1_000_000} MB, and was read to there: links and texts beyond are not known.`
  return [{ kind: 'cut-short', message: cut.length === 1 ? message : message.replace('and was read', 'and were read') }]
}

/** Puts events together to what cards and checks read. A run that never started has no gathering: null. */
export class GatheringBuilder {
  private start: Extract<CrawlEvent, { kind: 'started' }> | null = null
  private readonly pages = new Map<string, GatheredPage>()
  private readonly images = new Map<string, GatheredImage>()
  private readonly notes: RunNote[] = []
  private readonly incomplete: Incomplete[] = []
  private readonly unlinkedForms = new Set<string>()
  private survey: Survey | undefined
  private finishedAt = ''

  add(event: CrawlEvent): void {
    switch (event.kind) {
      case 'started':
        this.start = event
        return
      case 'page':
        this.pages.set(event.page.url, event.page)
        return
      case 'alias': {
        const aliases = this.pages.get(event.url)?.fetch.aliases ?? []
        if (!aliases.includes(event.alias)) this.change(event.url, { aliases: [...aliases, event.alias] })
        return
      }
      case 'led-by':
        this.change(event.url, { ledHereBy: event.ledHereBy })
        return
      case 'linked-by':
        this.change(event.url, { linkers: event.linkers })
        return
      case 'image':
        this.images.set(event.image.url, event.image)
        return
      case 'note':
        this.notes.push(event.note)
        return
      case 'unlinked-forms':
        for (const url of event.urls) this.unlinkedForms.add(url)
        return
      case 'incomplete':
        // Two ways to the same sitemap say the same.
        if (!this.incomplete.some(({ message }) => message === event.incomplete.message))
          this.incomplete.push(event.incomplete)
        return
      case 'survey':
        this.survey = event.survey
        return
      case 'finished':
        this.finishedAt = event.finishedAt
        return
      case 'progress':
      case 'found':
        return
    }
  }

  /** Has the run begun? Before, nothing is known of its site. */
  get hasStarted(): boolean {
    return this.start !== null
  }

  /** Pages that were told of, twins and all. */
  get pageCount(): number {
    return this.pages.size
  }

  /** A page as it is known now. */
  page(url: string): GatheredPage | undefined {
    return this.pages.get(url)
  }

  private change(url: string, more: Partial<FetchFact>): void {
    const page = this.pages.get(url)
    if (page) this.pages.set(url, { ...page, fetch: { ...page.fetch, ...more } })
  }

  /** @param isPart of a run: what is missing is known once all parts are there, and stays a page until then */
  gathering(isPart = false): Gathering | null {
    if (!this.start) return null
    const { source, view, startedAt, robotsTxt, scope } = this.start
    const { finishedAt, incomplete } = this
    const { pages: told, note } = mergeTwins([...this.pages.values()], (url) => !this.unlinkedForms.has(url))
    const { pages, missing } = isPart ? { pages: told, missing: [] } : withoutMissing(told, source.kind)
    return {
      source,
      view,
      startedAt,
      finishedAt,
      notes: [...this.notes, ...(note ? [note] : []), ...cutShort(pages), ...leftOut(pages)],
      incomplete,
      scope,
      robotsTxt,
      survey: surveyWith(this.survey, missing),
      pages,
      images: [...this.images.values()],
    }
  }
}
