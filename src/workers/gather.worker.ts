import { createCheckContext } from '@/core/check/context'
import { checkPage, runChecks } from '@/core/check/run-checks'
import { GatheringBuilder } from '@/core/crawl/events'
import { type CrawlRequest, type ServedImage, WireEvent } from '@/core/crawl/wire'
import type { GatheredPage, Gathering } from '@/core/model'
import { database } from '@/store/database'
import { makeRow } from './make-row'
import type { GatherCommand, GatherReport } from './protocol'
import { ThumbMaker } from './thumb-maker'

/** How long events are gathered before they are written: one write for many. */
const FLUSH_MS = 400

/** The worker's own side, as far as it is used: the page's types know only the window. */
const scope = self as unknown as {
  postMessage(message: GatherReport): void
  addEventListener(type: 'message', listener: (event: MessageEvent<GatherCommand>) => void): void
}
const report = (message: GatherReport) => scope.postMessage(message)

/** One run: reads the server's stream, writes pages in batches, works out rows, says how far it is. */
class GatherRun {
  private readonly builder = new GatheringBuilder()
  private readonly stopper = new AbortController()
  private readonly thumbs = new ThumbMaker()
  private newPages: GatheredPage[] = []
  private newImages: ServedImage[] = []
  private hasStarted = false
  private isStopped = false
  private pages = 0
  private images = 0
  private waiting = 0
  private lastFlush = 0

  constructor(
    private readonly runId: string,
    private readonly request: CrawlRequest,
  ) {}

  stop(): void {
    this.isStopped = true
    this.stopper.abort()
  }

  async run(): Promise<void> {
    try {
      await this.readStream()
    } catch (error) {
      if (!this.isStopped) {
        await this.fail(wordsFor(error))
        return
      }
    }
    if (this.hasStarted) await this.finish(this.isStopped ? 'stopped' : 'done')
    else report({ kind: 'failed', message: 'The run was stopped before the site answered.', kept: 0 })
  }

  private async readStream(): Promise<void> {
    const response = await fetch('/api/crawl', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(this.request),
      signal: this.stopper.signal,
    })
    if (!response.ok || !response.body) {
      const said = (await response.json().catch(() => null)) as { error?: string } | null
      if (said?.error) throw new Failed(said.error)
      throw new Error(`status ${response.status}`)
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
    let rest = ''
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      const lines = (rest + value).split('\n')
      rest = lines.pop() ?? ''
      for (const line of lines) await this.take(WireEvent.parse(JSON.parse(line)))
      if (performance.now() - this.lastFlush > FLUSH_MS) await this.flush()
    }
  }

  private async take(event: WireEvent): Promise<void> {
    if (event.kind === 'failed') throw new Failed(event.message)
    this.builder.add(event)
    switch (event.kind) {
      case 'started': {
        const { source, view, startedAt, robotsTxt } = event
        this.hasStarted = true
        await database.runs.add({
          id: this.runId,
          source,
          view,
          robotsTxt,
          startedAt,
          finishedAt: null,
          touchedAt: Date.now(),
          state: 'running',
          pages: 0,
          waiting: 0,
          notes: [],
          findings: [],
          summary: null,
        })
        report({ kind: 'started', site: source.site, startedAt })
        return
      }
      case 'page':
        this.pages++
        this.newPages.push(event.page)
        if (event.page.fetch.error || (event.page.fetch.status ?? 0) >= 400) {
          const message = event.page.fetch.error ?? `answered ${event.page.fetch.status}`
          report({ kind: 'trouble', trouble: { url: event.page.url, message } })
        }
        return
      case 'image':
        this.images++
        this.newImages.push(event.image)
        if (event.image.errorCode && !event.image.iconOnly) {
          report({
            kind: 'trouble',
            trouble: { url: event.image.url, message: event.image.error ?? event.image.errorCode },
          })
        }
        return
      case 'note':
        report({ kind: 'note', note: event.note })
        return
      case 'progress':
        this.waiting = event.waiting
        report({
          kind: 'progress',
          done: event.done,
          waiting: event.waiting,
          images: this.images,
          fetching: event.fetching,
        })
        return
    }
  }

  /** Writes what came since the last time, and rows for the pages that it changes. */
  private async flush(): Promise<void> {
    this.lastFlush = performance.now()
    const gathering = this.builder.gathering()
    if (!gathering || (this.newPages.length === 0 && this.newImages.length === 0)) return
    const [pages, images] = [this.newPages, this.newImages]
    this.newPages = []
    this.newImages = []
    const run = this.runId
    await database.pages.bulkPut(pages.map((page) => ({ run, url: page.url, page })))
    await database.images.bulkPut(images.map((image) => ({ run, url: image.url, image })))
    for (const image of images) this.thumbs.add(image)
    await this.writeRows(gathering, pages, new Set(images.map(({ url }) => url)))
    await database.runs.update(run, { pages: this.pages, waiting: this.waiting, touchedAt: Date.now() })
  }

  private async writeRows(gathering: Gathering, pages: GatheredPage[], images: Set<string>): Promise<void> {
    const context = createCheckContext(gathering)
    const isNew = new Set(pages.map(({ url }) => url))
    const rows = context.pages.flatMap((page, order) => {
      const declared = page.facts ? context.declaredImages({ ...page, facts: page.facts }) : []
      const isTouched = isNew.has(page.url) || declared.some(({ url }) => images.has(url))
      return isTouched ? [makeRow(this.runId, page, order, checkPage(page, context), context)] : []
    })
    await database.rows.bulkPut(rows)
  }

  /** Everything once more with the whole run known: checks across pages, sections, pictures that came late. */
  private async finish(state: 'done' | 'stopped'): Promise<void> {
    await this.flush()
    const gathering = this.builder.gathering()!
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    const rows = context.pages.map((page, order) => makeRow(this.runId, page, order, verdict.pages[order]!, context))
    await database.rows.bulkPut(rows)
    const stopNote = {
      kind: 'stopped' as const,
      message: `Stopped at ${this.pages} of about ${this.pages + this.waiting} pages.`,
    }
    const isTold = gathering.notes.some((note) => note.kind === 'stopped')
    await database.runs.update(this.runId, {
      state,
      finishedAt: gathering.finishedAt || new Date().toISOString(),
      touchedAt: Date.now(),
      pages: this.pages,
      waiting: this.waiting,
      notes: state === 'stopped' && !isTold ? [...gathering.notes, stopNote] : gathering.notes,
      findings: verdict.findings,
      summary: verdict.summary,
    })
    report({ kind: 'finished', state })
    await this.thumbs.done()
  }

  private async fail(message: string): Promise<void> {
    if (this.hasStarted) await this.finish('stopped')
    report({ kind: 'failed', message, kept: this.pages })
  }
}

/** The server said in its own words why it can't go on. */
class Failed extends Error {}

function wordsFor(error: unknown): string {
  if (error instanceof Failed) return error.message
  const why = error instanceof Error ? error.message : String(error)
  return `Nimble Parrot’s own server did not answer (${why}). Is npm run demo still running?`
}

let current: GatherRun | null = null

scope.addEventListener('message', ({ data }) => {
  if (data.kind === 'stop') {
    current?.stop()
    return
  }
  current = new GatherRun(data.runId, data.request)
  void current.run()
})
