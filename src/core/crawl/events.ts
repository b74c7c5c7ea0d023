import type { GatheredImage, GatheredPage, Gathering, RunNote, RunSource, Survey, View } from '../model'
import type { Waiting } from './frontier'
import { mergeTwins } from './merge-twins'

/** What a run tells while it goes on. Server, worker and command line differ only in what they do with these. */
export type CrawlEvent =
  | { kind: 'started'; source: RunSource; view: View; startedAt: string; robotsTxt: string | null }
  | { kind: 'page'; page: GatheredPage }
  /** New addresses that will be asked for, unless the run ends before. */
  | { kind: 'found'; waiting: Waiting[] }
  /** Another address leads to a page that has been told of already. */
  | { kind: 'alias'; url: string; alias: string }
  | { kind: 'image'; image: GatheredImage }
  | { kind: 'note'; note: RunNote }
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

/** Puts events together to what cards and checks read. A run that never started has no gathering: null. */
export class GatheringBuilder {
  private start: Extract<CrawlEvent, { kind: 'started' }> | null = null
  private readonly pages = new Map<string, GatheredPage>()
  private readonly images = new Map<string, GatheredImage>()
  private readonly notes: RunNote[] = []
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
        const page = this.pages.get(event.url)
        if (!page || page.fetch.aliases.includes(event.alias)) return
        const aliases = [...page.fetch.aliases, event.alias]
        this.pages.set(event.url, { ...page, fetch: { ...page.fetch, aliases } })
        return
      }
      case 'image':
        this.images.set(event.image.url, event.image)
        return
      case 'note':
        this.notes.push(event.note)
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

  gathering(): Gathering | null {
    if (!this.start) return null
    const { source, view, startedAt, robotsTxt } = this.start
    const { finishedAt, notes } = this
    return {
      source,
      view,
      startedAt,
      finishedAt,
      notes,
      robotsTxt,
      survey: this.survey,
      pages: mergeTwins([...this.pages.values()]),
      images: [...this.images.values()],
    }
  }
}
