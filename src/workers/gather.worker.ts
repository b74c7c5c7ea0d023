import { withoutUnnamedHost } from '@/core/address'
import { earlierFrom, GatheringBuilder, type QueuedUrl, type ServedImage, type WireEvent } from '@/core/crawl'
import { type GatheredImage, type GatheredPage, VERSION } from '@/core/model'
import type { StoredRun } from '@/store/database'
import { forgetWaiting, keepWaiting, waitingOf } from '@/store/frontier'
import { keepImagesOf, storedImagesOf } from '@/store/images'
import { LinkKeeper, type PageLinks } from '@/store/links'
import { countOwnPages, deletePagesBut, keepPages, ownPagesOf } from '@/store/pages'
import { allRequirements } from '@/store/requirements'
import { cutRows, pageAddresses, putRows, roomOfRows } from '@/store/rows'
import { runLock } from '@/store/run-lock'
import { addRun, changeRun, deleteRun, keptRequest } from '@/store/runs'
import { type BrowserBuild, openBrowserBuild } from './build-events'
import { crawlStream } from './crawl-stream'
import { earlierFacts, earlierRun, picturesOf } from './earlier-run'
import { exportRun } from './export-run'
import { recheck, runLook } from './look-again'
import { previewRequirements } from './preview-requirements'
import type { ChosenFile, GatherCommand, GatherReport, GatherSource, SlowPage } from './protocol'
import { RowsAsTheyCome } from './rows-as-they-come'
import { holdAgainstSignOff, signRun } from './sign-run'
import { slowest } from './slowest'
import { ThumbMaker } from './thumb-maker'
import { runTry } from './try-causes'
import { runTryDrafts } from './try-drafts'
import { wordsFor } from './user-facing-error'
import { workerScope } from './worker-scope'

/** How long events are gathered before they are written: one write for many. Grows with the run. */
const flushEveryMs = (pages: number) => Math.min(2500, 400 + pages / 2)

/** What is said where the stream ends before the run does. */
const LOST =
  'The connection to the app’s server was lost before the run was over. What was gathered is kept. See whether the server still runs, then go on.'

/** Pages written at once at most: every tab hears of each written key, and must not be kept busy by thousands. */
const BATCH = 250

/** The page is told how far the run is at most so often. */
const PROGRESS_MS = 120

/** The worker's own side, as far as it is used: the page's types know only the window. */
const scope = workerScope<GatherCommand, GatherReport>()
const report = (message: GatherReport) => scope.postMessage(message)

/** What a run has to do with events, whether they come from the server or from files. */
type RunEvent =
  | Exclude<WireEvent, { kind: 'image' | 'failed' }>
  | { kind: 'image'; image: GatheredImage & { served?: string | null } }

/** One run: takes events, writes pages in batches, works out rows, says how far it is. */
class GatherRun {
  private readonly builder = new GatheringBuilder()
  private readonly stopper = new AbortController()
  private readonly thumbs: ThumbMaker
  private readonly links: LinkKeeper
  private readonly rows: RowsAsTheyCome
  private readonly taken = { page: 0, picture: 0 }
  private earlier: StoredRun | undefined
  private build: BrowserBuild | null = null
  private newPages: GatheredPage[] = []
  private newLinks: PageLinks[] = []
  private newImages: ServedImage[] = []
  private newFound: QueuedUrl[] = []
  private readonly before = { pages: 0, images: 0 }
  private hasStarted = false
  private hasFinished = false
  private isStopped = false
  private isCutOff = false
  private isStoring = false
  private pages = 0
  private images = 0
  private waiting = 0
  private slow: readonly SlowPage[] = []
  private size = 0
  private lastFlush = 0
  /** Rows that are being written: what fails there is told when more are to be. */
  private rowsWritten: Promise<void> = Promise.resolve()
  private lastProgress = 0

  constructor(
    private readonly runId: string,
    private readonly source: GatherSource,
    private readonly resumes: boolean,
  ) {
    this.links = new LinkKeeper(runId)
    this.rows = new RowsAsTheyCome(runId, this.builder)
    this.thumbs = new ThumbMaker((url) => this.build?.pictureOf(url) ?? Promise.resolve(null))
  }

  stop(): void {
    this.isStopped = true
    this.stopper.abort()
    if (this.isStoring) this.thumbs.stop()
  }

  async run(): Promise<void> {
    try {
      for await (const event of await this.openEvents()) {
        await this.take(event)
        const isDue = performance.now() - this.lastFlush > flushEveryMs(this.pages)
        if (isDue || this.newPages.length >= BATCH) await this.flush()
      }
      const nothing = this.builder.gathering()?.incomplete.find(({ why }) => why === 'nothing-read')
      if (nothing) await this.dropRun(withoutUnnamedHost(nothing.message))
      else if (this.hasStarted && !this.hasFinished && !this.isStopped) await this.fail(LOST)
      else if (this.hasStarted) await this.finish(this.isStopped || this.isCutOff ? 'stopped' : 'done')
      else report({ kind: 'failed', message: 'The run was stopped before the site answered.', kept: 0 })
    } catch (error) {
      if (this.isStopped && this.hasStarted) await this.finish('stopped')
      else await this.fail(this.isStopped ? 'The run was stopped before the site answered.' : wordsFor(error))
    }
  }

  private async openEvents(): Promise<AsyncIterable<RunEvent>> {
    const { source, stopper } = this
    const named = (await allRequirements()).flatMap(({ identity }) => identity?.pictureHosts ?? [])
    this.earlier = await this.findEarlier()
    if (source.kind !== 'crawl') {
      const pictureHosts = [...(source.pictureHosts ?? []), ...named]
      const images = this.earlier ? await picturesOf(this.earlier.id) : []
      // Pages of files are read again: it takes no longer than to see whether they changed.
      const earlier = earlierFrom({ pages: [], images }, (what) => this.taken[what]++)
      this.build = await openBrowserBuild({ ...source, pictureHosts }, stopper.signal, earlier)
      return this.build.events
    }
    const own = { ...source.request, pictureHosts: [...(source.request.pictureHosts ?? []), ...named].slice(0, 50) }
    const earlier = this.earlier ? await earlierFacts(this.earlier) : null
    const request = this.resumes ? { ...own, resume: await this.loadBefore() } : { ...own, earlier }
    return crawlStream(request, stopper.signal) as AsyncIterable<RunEvent>
  }

  private async findEarlier(): Promise<StoredRun | undefined> {
    const { source } = this
    if (source.since === undefined) return undefined
    if (source.kind !== 'crawl') return earlierRun(source.since, 'files')
    return earlierRun(source.since, 'server', Boolean(source.request.login))
  }

  /** Takes up what an earlier part of the run has gathered, and what was left waiting. */
  private async loadBefore() {
    const run = this.runId
    const pages = await ownPagesOf(run)
    const images = await storedImagesOf(run)
    const waiting = await waitingOf(run)
    for (const page of pages) this.builder.add({ kind: 'page', page })
    for (const url of await pageAddresses(run)) this.rows.hasRow(url)
    this.size = JSON.stringify(pages).length + (await roomOfRows(run))
    for (const { image } of images) this.builder.add({ kind: 'image', image })
    this.pages = this.before.pages = pages.length
    this.images = this.before.images = images.length
    const done = new Set(pages.flatMap((page) => [page.url, ...page.fetch.aliases]))
    const left = waiting.filter(({ url }) => !done.has(url))
    return { done: [...done], waiting: left.map(({ url, depth }) => ({ url, depth })) }
  }

  private async take(event: RunEvent): Promise<void> {
    if (event.kind === 'taken') {
      this.taken.page = event.pages
      this.taken.picture = event.pictures
      return
    }
    const told = event.kind === 'page' ? { ...event, page: this.withoutLinks(event.page) } : event
    this.builder.add(told)
    await this.note(told)
  }

  /** Where a page's links lead is kept by itself: it serves a later run alone. */
  private withoutLinks({ kept, ...page }: GatheredPage): GatheredPage {
    if (kept) this.newLinks.push({ url: page.url, kept })
    return page
  }

  private async note(event: Exclude<RunEvent, { kind: 'taken' }>): Promise<void> {
    switch (event.kind) {
      case 'started':
        return this.begin(event)
      case 'found':
        this.newFound.push(...event.waiting)
        return
      case 'page':
        this.pages++
        this.newPages.push(event.page)
        this.slow = slowest(this.slow, { url: event.page.url, ms: event.page.fetch.ms })
        if (event.page.fetch.error || (event.page.fetch.status ?? 0) >= 400) {
          const message = event.page.fetch.error ?? `answered ${event.page.fetch.status}`
          report({ kind: 'trouble', trouble: { url: event.page.url, message } })
        }
        return
      case 'image':
        this.images++
        this.newImages.push({ ...event.image, served: event.image.served ?? null })
        if (event.image.errorCode && !event.image.iconOnly) {
          const message = event.image.error ?? event.image.errorCode
          report({ kind: 'trouble', trouble: { url: event.image.url, message } })
        }
        return
      case 'note':
        report({ kind: 'note', note: event.note })
        return
      case 'slowed':
        report(event)
        return
      case 'alias':
      case 'led-by':
      case 'linked-by': {
        // What is known of a page only now: it is written once more.
        const page = this.builder.page(event.url)
        if (page && !this.newPages.some(({ url }) => url === page.url)) this.newPages.push(page)
        return
      }
      case 'finished':
        this.hasFinished = true
        // A run whose server was lost can go on from there.
        this.isCutOff = event.stopped
        return
      case 'progress': {
        // A build is read before any of its pages is told of: until then all of them wait.
        this.waiting = this.hasStarted ? event.waiting : Math.max(this.waiting, event.waiting)
        const done = this.before.pages + event.done
        // Files are read faster than anyone could see it: the page need not be told of each.
        const now = performance.now()
        if (now - this.lastProgress < PROGRESS_MS && event.waiting > 0) return
        this.lastProgress = now
        this.reportProgress(done, this.waiting, event.fetching)
        return
      }
    }
  }

  private reportProgress(done: number, waiting: number, fetching: string[]): void {
    report({ kind: 'progress', done, waiting, images: this.images, fetching, slow: [...this.slow] })
  }

  private async begin({
    source,
    view,
    startedAt,
    robotsTxt,
    scope,
  }: Extract<RunEvent, { kind: 'started' }>): Promise<void> {
    this.hasStarted = true
    const fresh = {
      robotsTxt,
      scope,
      incomplete: [],
      touchedAt: Date.now(),
      state: 'running' as const,
      finishedAt: null,
    }
    if (this.resumes) await changeRun(this.runId, fresh)
    else {
      const empty = { pages: 0, waiting: 0, notes: [], findings: [], summary: null }
      const request = this.source.kind === 'crawl' ? this.source.request : null
      const asked = request
        ? { request: keptRequest(request), ...(request.login ? { withLogin: true as const } : {}) }
        : {}
      await addRun({
        id: this.runId,
        program: VERSION,
        source,
        view,
        startedAt,
        ...asked,
        ...fresh,
        ...empty,
      })
    }
    report({ kind: 'started', site: source.site, startedAt })
  }

  /** Writes what came since the last time, and rows for the pages that it changes. */
  private async flush(): Promise<void> {
    this.lastFlush = performance.now()
    if (!this.builder.hasStarted) return
    const [pages, images, found, links] = [this.newPages, this.newImages, this.newFound, this.newLinks]
    this.newLinks = []
    this.newPages = []
    this.newImages = []
    this.newFound = []
    const run = this.runId
    await keepPages(run, pages)
    this.size += JSON.stringify(pages).length
    await this.links.keep(links)
    await keepImagesOf(run, images)
    // What was read in the meantime stays there until the end: every tab hears of each key that is deleted.
    await keepWaiting(run, found)
    for (const image of images) this.thumbs.add(image)
    if (pages.length + images.length > 0) {
      const rows = await this.rows.rowsOf(pages, images)
      await this.rowsWritten
      // The store writes them while more is read.
      this.rowsWritten = putRows(rows).then((growth) => {
        this.size += growth
      })
      this.rowsWritten.catch(() => undefined)
    }
    await changeRun(run, { pages: this.pages, waiting: this.waiting, touchedAt: Date.now() })
  }

  /** Everything once more with the whole run known: checks across pages, sections, pictures that came late. */
  private async finish(state: 'done' | 'stopped'): Promise<void> {
    await this.flush()
    await this.rowsWritten
    const gathered = this.builder.gathering()!
    const message = `Stopped at ${this.pages} of about ${this.pages + this.waiting} pages.`
    const isSaid = state === 'done' || gathered.incomplete.length > 0
    const incomplete = isSaid ? gathered.incomplete : [{ why: 'stopped' as const, message }]
    const gathering = { ...gathered, incomplete }
    const { verdict, changed } = await this.rows.end(gathering)
    await this.dropMerged(new Set(verdict.pages.map(({ url }) => url)))
    this.size += (await putRows(changed)) + (await cutRows(this.runId, verdict.pages.length))
    if (state === 'done') await forgetWaiting(this.runId)
    const notes = [...gathering.notes, ...verdict.notes]
    await changeRun(this.runId, {
      state,
      finishedAt: gathering.finishedAt || new Date().toISOString(),
      touchedAt: Date.now(),
      pages: this.pages,
      waiting: this.waiting,
      notes,
      incomplete,
      survey: gathering.survey,
      findings: verdict.findings,
      summary: verdict.summary,
      size: this.size,
    })
    const { taken, earlier } = this
    if (earlier && taken.page + taken.picture > 0)
      report({ kind: 'taken', pages: taken.page, pictures: taken.picture, sinceMs: Date.parse(earlier.startedAt) })
    // What is said last is what was kept.
    this.reportProgress(this.pages, this.waiting, [])
    // Files can't be read again once the tab is closed: it is finished when their copies are kept too.
    this.isStoring = true
    report({ kind: 'storing' })
    await this.thumbs.done()
    report({ kind: 'finished', state })
  }

  /** Addresses that turned out to be another page's are no pages of the run any more. */
  private async dropMerged(left: ReadonlySet<string>): Promise<void> {
    this.pages -= await deletePagesBut(this.runId, left)
  }

  /** A run that read no page is none: what was found instead is said, and nothing is kept that looks like a run. */
  private async dropRun(message: string): Promise<void> {
    this.thumbs.stop()
    await deleteRun(this.runId)
    report({ kind: 'failed', message, kept: 0 })
  }

  private async fail(message: string): Promise<void> {
    this.stopper.abort()
    this.thumbs.stop()
    this.builder.add({ kind: 'incomplete', incomplete: { why: 'lost', message } })
    // What can be kept is kept; when the fault is storage itself, even that may fail, and the words stay the first ones.
    if (this.hasStarted) await this.finish('stopped').catch(() => this.closeWithWhatIs(message))
    const kept = this.hasStarted ? await countOwnPages(this.runId) : 0
    report({ kind: 'failed', message, kept })
  }

  /** Ends a run that there is no room to finish: with the pages that were written, and no verdict. */
  private async closeWithWhatIs(message: string): Promise<void> {
    const pages = await countOwnPages(this.runId)
    const incomplete = [{ why: 'lost' as const, message }]
    const ended = { state: 'stopped' as const, pages, incomplete, finishedAt: new Date().toISOString() }
    await changeRun(this.runId, ended).catch(() => undefined)
  }
}

let current: GatherRun | null = null
/** Files that came before the start that they belong to. */
const files: ChosenFile[] = []

/** Commands that are one question, and what each is answered with. */
type Question = Extract<
  GatherCommand,
  { kind: 'export' | 'recheck' | 'sign' | 'hold' | 'preview' | 'try' | 'try-drafts' }
>
const DONE = { kind: 'finished', state: 'done' } as const
const ANSWERS: { [K in Question['kind']]: (asked: Extract<Question, { kind: K }>) => Promise<GatherReport> } = {
  export: async (asked) => ({ kind: 'exported', file: await exportRun(asked.runId, asked.format, asked) }),
  recheck: async ({ runId }) => {
    await recheck(runId)
    return DONE
  },
  sign: async ({ runId, by, reason, key }) => {
    await signRun(runId, by, reason, key)
    return DONE
  },
  hold: async ({ runId, signed, signers }) => ({
    kind: 'held',
    ...(await holdAgainstSignOff(runId, signed, signers)),
  }),
  preview: async ({ runId, requirements }) => ({
    kind: 'previewed',
    effect: await previewRequirements(runId, requirements),
  }),
  try: async (asked) => {
    await runTry(asked)
    return DONE
  },
  'try-drafts': async (asked) => {
    await runTryDrafts(asked)
    return DONE
  },
}
const isQuestion = (command: GatherCommand): command is Question => Object.hasOwn(ANSWERS, command.kind)

scope.addEventListener('message', ({ data }) => {
  if (isQuestion(data)) {
    const answer = ANSWERS[data.kind] as (asked: Question) => Promise<GatherReport>
    void answer(data).then(report, (error) => report({ kind: 'failed', message: wordsFor(error), kept: 0 }))
    return
  }
  if (data.kind === 'look') {
    void navigator.locks.request(runLock(data.runId), async () => {
      try {
        await runLook(data, files.splice(0), new AbortController().signal)
        report({ kind: 'finished', state: 'done' })
      } catch (error) {
        report({ kind: 'failed', message: wordsFor(error), kept: 0 })
      }
    })
    return
  }
  if (data.kind === 'stop') {
    current?.stop()
    return
  }
  if (data.kind === 'files') {
    for (const file of data.files) files.push(file)
    return
  }
  const source = data.source.kind === 'folder' ? { ...data.source, files: files.splice(0) } : data.source
  const run = new GatherRun(data.runId, source, data.resumes)
  current = run
  // A tab that finds the run later can tell by the lock whether it is still being written.
  void navigator.locks.request(runLock(data.runId), () => run.run())
})
