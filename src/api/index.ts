import { CannotRun } from '@/cli/cannot-run'
import { makeRun, type RunOptions } from '@/cli/check'
import { loadRunDocument } from '@/cli/load-files'
import { limits } from '@/core/address'
import { type Drift, driftBetween, incomparable } from '@/core/compare'
import type { ReadDocument } from '@/core/document'
import type { RunDocument } from '@/core/report'

export type { ChangedPage, Drift } from '@/core/compare'
export { VERSION as version } from '@/core/model'

/** A run document as it is read, of this version of the program or an older one. */
export type Run = ReadDocument

/** A run document as this version makes it. */
export type MadeRun = RunDocument

/** What a check may be told; each field is the command's option of that name. */
export type CheckOptions = {
  /** Production address, with a path when the site lives under one. */
  site?: string
  /** Requirements file; `nimble-parrot.json` is found by itself. */
  rules?: string
  /** Run document: what it found already is marked as known. */
  baseline?: string
  /** `whole` (default): each picture once, for hash and transparency; `header`: only as much as its size needs. */
  pictures?: 'whole' | 'header'
  maxPages?: number
  maxDepth?: number
  perSection?: number
  concurrency?: number
  /** Wait between requests, in ms. */
  delay?: number
  /** A request's total time, in ms. */
  timeout?: number
  include?: string[]
  exclude?: string[]
  /** With a list or a sitemap: crawl on from its addresses. */
  follow?: boolean
  ignoreRobots?: boolean
  /** Each as `Name: value`, sent to the site crawled. */
  header?: string[]
  /** `user:password` for the site crawled. */
  user?: string
  /** Surface with whose crawler token is asked. */
  askAs?: string
}

const defaults = {
  pictures: 'whole',
  concurrency: limits.concurrency,
  delay: 0,
  timeout: limits.timeoutMs,
  include: [],
  exclude: [],
  follow: false,
  ignoreRobots: false,
  header: [],
} satisfies RunOptions

/** Why there is no answer, in a sentence that says what and where, and what to try. */
export class NimbleParrotError extends Error {}

async function said<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    throw error instanceof CannotRun ? new NimbleParrotError(error.message) : error
  }
}

/**
 * Checks every page of a source, as the command `check` does: a running address, a folder or zip of built HTML, a
 * sitemap, a list of addresses. A run that was broken off is returned with `complete: false` and says why.
 *
 * @throws NimbleParrotError where nothing was read, or a file that is named can’t be used
 */
export async function check(source: string, options: CheckOptions = {}): Promise<MadeRun> {
  return said(async () => (await makeRun(source, { ...defaults, ...options })).document)
}

/**
 * Holds two runs of one site against each other, as the command `compare` does.
 *
 * @throws NimbleParrotError where they are of different sites
 */
export function compare(before: Run, after: Run): Drift {
  const fault = incomparable(before, after)
  if (fault !== null) throw new NimbleParrotError(fault)
  return driftBetween(before, after)
}

/**
 * Reads a run document from a file, whole, against its form.
 *
 * @throws NimbleParrotError that names the file and what is wrong in it
 */
export async function readRun(file: string): Promise<Run> {
  return said(() => loadRunDocument(file, 'run document'))
}
