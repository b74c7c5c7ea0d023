import Dexie, { type EntityTable, type Table, type Transaction } from 'dexie'
import type { Cause, Overview } from '@/core/cause'
import { fromWords, type PictureEntry, verdictOf } from '@/core/check'
import type { HeldEvent } from '@/core/compare'
import type { PictureTemplate } from '@/core/compose'
import type { CrawlRequest, ServedImage } from '@/core/crawl'
import type { SignOffFile } from '@/core/document'
import type { Draft, SiteDefaults } from '@/core/draft'
import type {
  AccessMode,
  Finding,
  GatheredPage,
  Incomplete,
  Level,
  RunNote,
  RunSource,
  SiteFinding,
  Summary,
  Survey,
} from '@/core/model'
import type { Requirements } from '@/core/requirements'
import type { Face } from '@/core/surface'
import type { StoredFocus } from './focuses'
import { packRows, ROWS_A_PART } from './packed-rows'
import type { KeptStep } from './steps'

/** One run. `state` is `running` while a worker writes to it; a run that is found so without one was left behind. */
export type StoredRun = {
  id: string
  source: RunSource
  view: AccessMode
  robotsTxt: string | null
  startedAt: string
  finishedAt: string | null
  /** Last write, in ms since the epoch. */
  touchedAt: number
  state: 'running' | 'stopped' | 'done' | 'failed'
  pages: number
  /** Addresses found and not asked for when the run ended. */
  waiting: number
  notes: RunNote[]
  /** Why not everything was read that should have been; empty for a run that is complete. */
  incomplete: Incomplete[]
  /** What the user narrowed the run to, in words. */
  scope: string[]
  survey?: Survey | undefined
  findings: SiteFinding[]
  summary: Summary | null
  /** Who said yes to it, when, with how many errors left, and to what: absent in a sign-off of before it was of a content. */
  signedOff?: { by: string; at: string; errors: number; content?: SignOffFile | undefined } | undefined
  /** When it went live (ISO 8601): what it says may be held by any place since then. */
  launchedAt?: string | undefined
  /** The run that this one was derived from by looking again at one page; absent for a run of its own. */
  lookedAgain?: { run: string; url: string }
  /** It is no run: another as it would be with some of its causes carried out, by their ids and in words, or with all drafts. */
  tried?: {
    run: string
    causes: string[]
    changes: string[]
    /** With all drafts, which change so many pages. Absent: with causes. */
    draftedPages?: number
    /** Tags of pages that say a placeholder, by page. Absent: none. */
    placeholders?: Record<string, string[]>
    /** Findings that are cleared only once somebody has made what the placeholders stand for. Absent: none. */
    waiting?: Record<Level, number>
  }
  /** The run that holds the pages which this one doesn't hold itself. */
  base?: string | undefined
  /**
   * What a crawl was asked for, to go on with it: without its login, which is never kept, and of a list its first
   * address alone, since what is left of it waits in the frontier. Absent for files, and in a run of before it was kept.
   */
  request?: CrawlRequest | undefined
  /** What somebody calls it. */
  name?: string | undefined
  /** It was asked for with a login, which is never kept: without it, it would be another run. */
  withLogin?: true | undefined
  /** Version of the program that gathered it: another may read otherwise, and takes nothing over from it. */
  program?: string | undefined
  /** It came with a project archive: what it names was chosen by the archive's maker. */
  imported?: true | undefined
  /** Room that pages and rows take, in characters of JSON; absent in a run of before it was counted. */
  size?: number | undefined
}

export type StoredPage = { run: string; url: string; page: GatheredPage }

/** What the wall needs of a page: its card on every surface in short, its findings, its place. */
export type WallRow = {
  run: string
  url: string
  path: string
  order: number
  section: string
  status: number | null
  levels: Record<Level, number>
  findings: Finding[]
  faces: Record<string, Face>
  /** Where the card differs between as it stands and as launched: the other of the two. */
  otherFaces?: Record<string, Face> | undefined
  /**
   * Of all that two runs are compared by in this page: where it is the same, nothing differs. null: the page could not be
   * read. Absent in a row of before it was kept.
   */
  digest?: string | null | undefined
  /** Other addresses that lead to the page; absent where there is none. */
  aliases?: string[] | undefined
}

/** Rows of a run from one place on, packed in one text: see `rows.ts`. */
export type StoredRows = { run: string; part: number; text: string }

/** A picture of a run. `made`: made here by refitting, and not in the build yet. */
export type StoredImage = {
  run: string
  url: string
  /** `keptFor`: it came with an archive of this site, and so did its small copy. */
  image: ServedImage & { keptFor?: string }
  made?: true
}

/** An address that a run found. Those that are no page of the run yet are where it goes on when it was broken off. */
type StoredWaiting = { run: string; url: string; depth: number }

/**
 * Where links of some pages lead, kept so that a later run can take the pages over: each text once, pages by the number of
 * the text. `places`: line and column of each link, in turn.
 */
export type StoredLinks = {
  run: string
  part: number
  texts: string[]
  pages: { url: string; hrefs: Uint32Array; places: Uint32Array; refreshTo: string | null }[]
}

/** A small copy of a picture, kept by the hash of the whole so that runs share it. */
type Thumb = { key: string; blob: Blob; bytes: number; savedAt: number }

/** A whole picture, kept by the hash of its bytes as long as there is room: what refitting starts from. */
type Original = { key: string; blob: Blob; bytes: number; savedAt: number }

/** Defaults of one site, by its production base address. */
type StoredDefaults = { site: string; defaults: SiteDefaults }

/** What a run looks like from afar: its causes, its coverage, its charts. Written with its findings. */
export type StoredOverview = {
  run: string
  causes: Cause[]
  overview: Overview
  /** Of a run that is tried: what drafts may hold of it, tag by tag and page by page. */
  edits?: Record<string, [tag: string, value: string | null][]> | undefined
  /** Share pictures with their uses; absent in a run that was judged before they were listed. */
  book?: PictureEntry[]
}

/** The same as it is kept, see `overviews.ts`; of before it was packed as it is. */
type KeptOverview = StoredOverview | { run: string; text: string; book?: string; edits?: StoredOverview['edits'] }

/** How a site's share pictures are composed, by section. */
type StoredTemplates = { site: string; sections: Record<string, PictureTemplate> }

/** A file that templates name: a mark, a font. */
export type TemplateFile = { site: string; name: string; blob: Blob; savedAt: number }

/** Requirements of one site, by its production base address. */
type StoredRequirements = { site: string; requirements: Requirements }

/** The folder that a site's build was last chosen from, as the browser lets a page keep it. */
type StoredFolder = { site: string; handle: FileSystemDirectoryHandle }

/** A link that was posted, or that a place was asked to read again, of one site. */
export type StoredHeldEvent = { id?: number; site: string; event: Exclude<HeldEvent, { kind: 'launched' }> }

/** A run of before it was kept whether all of it was read: its notes and its state say so. */
export function withVerdict(run: Partial<StoredRun>): void {
  const cut = (run.notes ?? []).find(({ kind }) => kind === 'stopped')
  const isStopped = cut !== undefined || run.state === 'stopped'
  run.incomplete = isStopped ? [{ why: 'stopped', message: cut?.message ?? 'The run was stopped.' }] : []
  run.notes = (run.notes ?? []).filter((note) => note !== cut)
  run.scope = []
  if (!run.summary) return
  const verdict = verdictOf(run.summary.error, run.incomplete)
  run.summary = { ...run.summary, waived: run.summary.waived ?? 0, verdict, clear: verdict === 'clear' }
}

type KeptFindings = { findings?: { message?: unknown; fix?: unknown }[] }

/** A row or a run of before findings were data: they keep the words that they were kept with. */
function withFindingsAsData(kept: KeptFindings): void {
  kept.findings = (kept.findings ?? []).map(fromWords)
}

function withFindingsOfPictures({ book = [] }: { book?: KeptFindings[] }): void {
  for (const entry of book) withFindingsAsData(entry)
}

/** Rows of before they were packed, each by itself. */
async function packOldRows(transaction: Transaction): Promise<void> {
  const rows: Table<WallRow> = transaction.table('rows')
  const parts: Table<StoredRows> = transaction.table('rowParts')
  for (const run of (await rows.orderBy('run').uniqueKeys()) as string[]) {
    const inOrder = await rows.where('run').equals(run).sortBy('order')
    const packed: StoredRows[] = []
    for (let from = 0; from < inOrder.length; from += ROWS_A_PART)
      packed.push({ run, part: packed.length, text: packRows(inOrder.slice(from, from + ROWS_A_PART)) })
    await parts.bulkAdd(packed)
  }
}

class Database extends Dexie {
  runs!: EntityTable<StoredRun, 'id'>
  pages!: Table<StoredPage, [string, string]>
  rowParts!: Table<StoredRows, [string, number]>
  images!: Table<StoredImage, [string, string]>
  thumbs!: EntityTable<Thumb, 'key'>
  originals!: EntityTable<Original, 'key'>
  frontier!: Table<StoredWaiting, [string, string]>
  drafts!: Table<Draft, [string, string]>
  defaults!: EntityTable<StoredDefaults, 'site'>
  overviews!: Table<KeptOverview, string>
  requirements!: EntityTable<StoredRequirements, 'site'>
  templates!: EntityTable<StoredTemplates, 'site'>
  folders!: EntityTable<StoredFolder, 'site'>
  heldEvents!: EntityTable<StoredHeldEvent, 'id'>
  templateFiles!: Table<TemplateFile, [string, string]>
  steps!: Table<KeptStep, [string, number]>
  focuses!: Table<StoredFocus, [string, string]>
  links!: Table<StoredLinks, [string, number]>

  constructor() {
    super('nimble-parrot')
    this.version(1).stores({
      runs: 'id, startedAt',
      pages: '[run+url], run',
      rows: '[run+url], run',
      images: '[run+url], run',
      thumbs: 'key, savedAt',
    })
    this.version(2).stores({ frontier: '[run+url], run' })
    this.version(3).stores({ rows: '[run+url], run, [run+order]' })
    this.version(4).stores({ drafts: '[site+url], site', defaults: 'site' })
    this.version(5).stores({ overviews: 'run', requirements: 'site' })
    this.version(6).stores({ originals: 'key, savedAt' })
    this.version(9).stores({ heldEvents: '++id, site' })
    this.version(8).stores({ folders: 'site' })
    this.version(7).stores({ templates: 'site', templateFiles: '[site+name], site' })
    this.version(14).stores({ rows: null, rowParts: '[run+part]' }).upgrade(packOldRows)
    this.version(13).stores({ links: '[run+part], run' })
    this.version(12).stores({ steps: '[tab+number], at', focuses: '[site+url], site' })
    this.version(11)
      .stores({})
      .upgrade(async (transaction) => {
        await transaction.table('rows').toCollection().modify(withFindingsAsData)
        await transaction.table('runs').toCollection().modify(withFindingsAsData)
        await transaction.table('overviews').toCollection().modify(withFindingsOfPictures)
      })
    this.version(10)
      .stores({})
      .upgrade((transaction) => transaction.table('runs').toCollection().modify(withVerdict))
  }
}

export const database = new Database()
