import type { CrawlRequest } from '@/core/crawl'
import type { RunNote, Summary } from '@/core/model'
import type { SignOffDifference } from '@/core/report'
import type { Requirements } from '@/core/requirements'

/** A file of a chosen or dropped folder, with its path from the folder's root. */
export type ChosenFile = { path: string; file: File }

/** URLs of a list or a sitemap, to be read out of a build in place of all its pages. */
export type GivenUrls = { kind: 'list' | 'sitemap'; name: string; addresses: string[]; follow: boolean; isCut: boolean }

/**
 * What is gathered. Folder and zip are read here, in the browser: nothing of them is sent anywhere. A served build is the
 * one that the server was started with.
 */
export type GatherSource =
  /** `isRest`: it names no more than a run needs that goes on; nothing can be begun again with it. */
  (
    | { kind: 'crawl'; request: CrawlRequest; isRest?: true }
    | {
        kind: 'folder'
        name: string
        site: string | null
        files: ChosenFile[]
        pictureHosts?: string[]
        /** Pages of each section at most: a sample. Absent: all. */
        perSection?: number
        only?: GivenUrls
      }
    | {
        kind: 'zip'
        name: string
        site: string | null
        file: File
        pictureHosts?: string[]
        perSection?: number
        only?: GivenUrls
      }
    | { kind: 'served'; of: 'folder' | 'zip'; name: string; site: string | null; pictureHosts?: string[] }
  ) & {
    /** The run that is gathered again: what has not changed since is taken from it. Absent: all is read. */
    since?: string
  }

/** Where a page is looked at again. A folder's handle reads its files as they are now; files that were chosen come before. */
export type LookPlace =
  | { kind: 'crawl'; request: CrawlRequest }
  | { kind: 'handle'; handle: FileSystemDirectoryHandle }
  | { kind: 'files'; name: string }
  | { kind: 'zip'; file: File }
  | { kind: 'served' }

/** To the worker that gathers. `resumes`: go on with a run that was broken off. */
export type GatherCommand =
  /** Files of the folder that a start will name: they come in batches, since copying them all at once takes long. */
  | { kind: 'files'; files: ChosenFile[] }
  | { kind: 'start'; runId: string; source: GatherSource; resumes: boolean }
  /** Look again at one page of a run: writes a new run that holds everything else as it was. */
  | { kind: 'look'; runId: string; parent: string; url: string; at: LookPlace }
  /** Judge a run again, by the requirements that its site has now. What was gathered stays. */
  | { kind: 'recheck'; runId: string }
  /** What other requirements would make of a run; nothing is kept. */
  | { kind: 'preview'; runId: string; requirements: Requirements }
  /** Write a run as it would be with some of another's causes carried out. */
  | { kind: 'try'; runId: string; parent: string; causes: string[] }
  /** Write the run as it would be with everything that is drafted. */
  | { kind: 'try-drafts'; runId: string; parent: string }
  /** Write down somebody's yes to a run. */
  | { kind: 'sign'; runId: string; by: string; reason: string | undefined; key: string | undefined }
  /** Hold a run against what was signed in one. */
  | { kind: 'hold'; runId: string; signed: string; signers: string | undefined }
  /** Write a run in one of the forms that the command writes. */
  | { kind: 'export'; runId: string; format: string; onePage: boolean; timeZone: string }
  | { kind: 'stop' }

/** A page that has trouble, told as it comes. */
export type Trouble = { url: string; message: string }

/** A page that took long to answer, in ms. */
export type SlowPage = { url: string; ms: number }

/** What other requirements make of a run: the sum, and by check how many findings come and go. */
export type RequirementsEffect = {
  summary: Summary
  came: { rule: string; count: number }[]
  went: { rule: string; count: number }[]
}

/** From the worker that gathers. */
export type GatherReport =
  | { kind: 'started'; site: string; startedAt: string }
  | { kind: 'progress'; done: number; waiting: number; images: number; fetching: string[]; slow: SlowPage[] }
  | { kind: 'trouble'; trouble: Trouble }
  | { kind: 'note'; note: RunNote }
  /** Hosts whose pictures are asked for slowly: they may be the reader's own. */
  | { kind: 'slowed'; hosts: string[] }
  /** How much had not changed since an earlier run, and was taken from it. */
  | { kind: 'taken'; pages: number; pictures: number; sinceMs: number }
  /** All is read and judged; small copies of the last pictures are still being made. */
  | { kind: 'storing' }
  | { kind: 'finished'; state: 'done' | 'stopped' }
  | { kind: 'exported'; file: Blob }
  | { kind: 'held'; differs: string[]; difference: SignOffDifference; signature: string }
  | { kind: 'previewed'; effect: RequirementsEffect }
  /** `kept` pages stay in the run; 0 when there is no run. */
  | { kind: 'failed'; message: string; kept: number }
