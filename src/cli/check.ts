import { basename } from 'node:path'
import { originOf, resolveAddress } from '@/core/address'
import { BadZip, type CrawlEvent, GatheringBuilder, NothingAnswered, type Shard } from '@/core/crawl'
import { type EarlierRun, type ReadDocument, unfitAsEarlier } from '@/core/document'
import type { GatheredPage, Gathering, Level, RunNote } from '@/core/model'
import {
  type Baseline,
  baselineOf,
  contextOfDocument,
  type Digest,
  differenceFromSignOff,
  exitCodeFor,
  type FormatId,
  needsPagesFile,
  pagesAsHtml,
  type RunDocument,
  reportFormats,
  runAsText,
  runDocument,
  signOffDifferences,
  unfitAsBaseline,
  verdictLine,
  withSources,
  withVerdict,
} from '@/core/report'
import { plural } from '@/core/text'
import { sha256Of } from '@/io/sha256'
import { CannotRun } from './cannot-run'
import { reusableOf } from './contents'
import { fromHere } from './from-here'
import { loadBaseline, loadEarlier, loadRequirements, loadSignOff, sourcesFrom } from './load-files'
import { progressLine } from './progress'
import { reportPictures } from './report-pictures'
import { type GatherOptions, gatherSource } from './source'
import { terminalStyle } from './terminal-style'
import { judgeInThreads } from './threads/judge-in-threads'
import { ensureWritable, writeOut, writeStandardOut } from './write-out'

/** A form to write the run in, and the file for it; null: standard output, or --out. */
export type FormatChoice = { format: FormatId; file: string | null }

/** How a source is gathered and judged. */
export type RunOptions = {
  site?: string
  rules?: string
  pictures: 'whole' | 'header'
  baseline?: string
  since?: string
  /** The run is written as a document, from which a later one may take over. */
  keepsLinks?: boolean
  signedOff?: string
  signers?: string
  /** Hosts that a document names and that may be asked, as URLs. */
  ask?: readonly string[]
  maxPages?: number
  maxDepth?: number
  concurrency: number
  delay: number
  timeout: number
  ignoreRobots: boolean
  include: string[]
  exclude: string[]
  perSection?: number
  follow: boolean
  /** Folder of the build that URLs of a list or a sitemap are read from, before they are served. */
  build?: string
  header: string[]
  user?: string
  askAs?: string
  /** Only this part of a list's or a sitemap's addresses. */
  part?: Shard
  /** What is judged comes out of documents: what they name was not named by the user. */
  isOfDocument?: true
}

/** The same, and where the report goes. */
export type CheckOptions = RunOptions & {
  format: FormatChoice[]
  out?: string
  failOn: Level | 'never'
  all: boolean
  onePage: boolean
  shard?: Shard
  watch: boolean
}

export function siteOf(given: string | undefined): string | null {
  if (given === undefined) return null
  const site = resolveAddress(given, 'about:blank')
  if (site === null) throw new CannotRun(`--site “${given}” is no http or https address. Try https://example.org`)
  return site
}

/** What was gathered, and the fault that ended it before its time. */
type Gathered = { gathering: Gathering; fault: string | null }

/** What is said of an error that ends the gathering. */
const faultWords = (error: unknown) => (error instanceof Error ? error.message : String(error))

/**
 * Gathers the source. Interrupted, or broken off by a fault, it is what was gathered until then, and says so.
 *
 * @param onStart told what the run is of, before any page
 */
async function gather(
  source: string,
  site: string | null,
  options: GatherOptions,
  onStart: (event: Extract<CrawlEvent, { kind: 'started' }>) => void,
): Promise<Gathered> {
  const builder = new GatheringBuilder()
  const stop = new AbortController()
  let fault: string | null = null
  const interrupt = () => stop.abort()
  process.once('SIGINT', interrupt)
  process.once('SIGTERM', interrupt)
  // A fault outside of any awaited call (of a connection, of a decoder) must not cost what was gathered.
  const stray = (error: unknown) => {
    fault ??= faultWords(error)
    stop.abort()
  }
  process.on('uncaughtException', stray)
  process.on('unhandledRejection', stray)
  const progress = progressLine(process.stderr)
  try {
    for await (const event of gatherSource(source, site, options, stop.signal)) {
      if (event.kind === 'started') onStart(event)
      builder.add(event)
      if (event.kind === 'progress') progress.show(event)
    }
  } catch (error) {
    if (error instanceof CannotRun) throw error
    if (error instanceof NothingAnswered) throw new CannotRun(error.message)
    if (error instanceof BadZip) throw new CannotRun(`${source} can’t be read. ${error.message}`)
    fault ??= faultWords(error)
  } finally {
    progress.clear()
    process.removeListener('SIGINT', interrupt)
    process.removeListener('SIGTERM', interrupt)
    process.removeListener('uncaughtException', stray)
    process.removeListener('unhandledRejection', stray)
  }
  if (fault !== null) {
    builder.add({ kind: 'incomplete', incomplete: { why: 'lost', message: `The run broke off: ${fault}` } })
  }
  const gathering = builder.gathering(options.part !== undefined)
  if (!gathering) throw new CannotRun(`${source} could not be read.${fault === null ? '' : ` ${fault}`}`)
  return { gathering, fault }
}

/** @throws CannotRun where not one page was read */
function ensureSomethingRead({ pages, incomplete, source: from }: Gathering, source: string): void {
  const nothing = incomplete.find(({ why }) => why === 'nothing-read')
  if (nothing) throw new CannotRun(nothing.message)
  if (pages.length === 0) throw new CannotRun(incomplete[0]?.message ?? `No page was read at ${source}.`)
  if (pages.every(({ fetch }) => fetch.status === null)) {
    const { error, errorCode, finalUrl } = pages[0]!.fetch
    // A sitemap in a file names hosts of its own: the user says which of them are theirs.
    const isNotNamed = errorCode === 'forbidden' && !/^https?:/i.test(source)
    const hint = isNotNamed ? ` If it is yours: --ask ${originOf(from.servedAt ?? finalUrl)}` : ''
    throw new CannotRun(`Nothing answered: ${error ?? source}${hint}`)
  }
}

/**
 * What is gathered of a source, by its requirements, and not judged.
 *
 * @param memory what stays with its pages
 * @throws CannotRun where nothing was read
 */
export async function gathered(
  source: string,
  options: RunOptions,
  memory: GatherOptions['memory'] = {},
): Promise<Gathered> {
  const { requirements } = await loadRequirements(options.rules, source)
  const site = siteOf(options.site) ?? siteOf(requirements.site)
  const pictureHosts = requirements.identity?.pictureHosts ?? []
  const found = await gather(source, site, { ...options, pictureHosts, memory }, () => undefined)
  ensureSomethingRead(found.gathering, source)
  return found
}

/** @throws CannotRun where the document is no baseline for this site */
function ensureFit(document: ReadDocument, file: string, site: string): Baseline {
  const unfit = unfitAsBaseline(document, site)
  if (unfit !== null) throw new CannotRun(`The baseline ${file} can’t be used. ${unfit}`)
  return baselineOf(document)
}

/** The hash that documents and sign-offs are known by. */
export const digest: Digest = async (bytes) => sha256Of(bytes)

/** One run as a document, and the fault that ended it before its time. */
export type MadeRun = { document: RunDocument; gathering: Gathering; fault: string | null }

/** Files that a run is held against, read before the work is done. */
type Held = {
  baseline: ReadDocument | null
  since: EarlierRun | null
  signed: Awaited<ReturnType<typeof loadSignOff>> | null
}

const loadHeld = async ({ baseline, since, signedOff, signers }: RunOptions): Promise<Held> => ({
  since: since === undefined ? null : await loadEarlier(since),
  baseline: baseline === undefined ? null : await loadBaseline(baseline),
  signed: signedOff === undefined ? null : await loadSignOff(signedOff, signers, digest),
})

/**
 * Judges what was gathered.
 *
 * @param known files that it is held against, where they were read already
 * @throws CannotRun where a file that is named can't be used
 */
export async function judged(
  source: string,
  gathering: Gathering,
  options: RunOptions,
  known?: Held,
): Promise<RunDocument> {
  const held = known ?? (await loadHeld(options))
  const { requirements, file: requirementsFile } = await loadRequirements(options.rules, source)
  const baseline = held.baseline && ensureFit(held.baseline, options.baseline!, gathering.source.site)
  const today = new Date().toISOString().slice(0, 10)
  const context = contextOfDocument(gathering, requirements)
  const kept = await judgeInThreads(context)
  const check = (page: GatheredPage) => kept.checkLast(page, context)
  const document = runDocument(gathering, requirements, today, { baseline, requirementsFile, context, check })
  const placed = await withSources(document, requirements.source ?? [], sourcesFrom(requirementsFile?.folder ?? '.'))
  if (held.signed === null) return placed
  const { signOff, saysRequirements, signature } = held.signed
  const difference = await differenceFromSignOff(placed, saysRequirements ? requirements : null, signOff, digest)
  const { by, at, content } = signOff
  return { ...placed, signOff: { by, at, content, signature, differs: signOffDifferences(difference) } }
}

/** How much of an earlier run was taken over; null where nothing was. */
function takenOverNote({ page, picture }: { page: number; picture: number }, file: string | undefined): RunNote | null {
  if (file === undefined || page + picture === 0) return null
  const message = `Reused from ${file}, unchanged since: ${plural(page, 'page')}, ${plural(picture, 'image')}.`
  return { kind: 'taken-over', message }
}

/**
 * Gathers one source and judges it.
 *
 * @throws CannotRun where nothing was read, or a file that is named can't be used
 */
export async function makeRun(source: string, options: RunOptions): Promise<MadeRun> {
  const { requirements } = await loadRequirements(options.rules, source)
  const held = await loadHeld(options)
  const site = siteOf(options.site) ?? siteOf(requirements.site)
  const pictureHosts = requirements.identity?.pictureHosts ?? []
  // Asked under another name a server may say something else, and “not modified” of that: all pages are read.
  const isAsOther = options.askAs !== undefined
  const earlier = held.since && (isAsOther ? { ...held.since.earlier, page: () => null } : held.since.earlier)
  const taken = { page: 0, picture: 0 }
  const counted = earlier && { ...earlier, onTaken: (what: 'page' | 'picture') => taken[what]++ }
  const memory = { earlier: counted ?? undefined, keepsLinks: options.keepsLinks === true && !isAsOther }
  const { gathering, fault } = await gather(source, site, { ...options, pictureHosts, memory }, (started) => {
    const unfit = held.since && unfitAsEarlier(held.since, started.source.site)
    if (unfit) throw new CannotRun(`--since ${options.since} can’t be used. ${unfit}`)
    if (held.baseline) ensureFit(held.baseline, options.baseline!, started.source.site)
  })
  ensureSomethingRead(gathering, source)
  const progress = progressLine(process.stderr)
  progress.stage(`judging ${gathering.pages.length.toLocaleString('en')} pages`)
  try {
    const note = takenOverNote(taken, options.since)
    const told = note ? { ...gathering, notes: [...gathering.notes, note] } : gathering
    return { document: await judged(source, told, options, held), gathering: told, fault }
  } finally {
    progress.clear()
  }
}

/**
 * Runs the checks over one source and writes the report.
 * @returns the exit code: 0 clear, 1 where something counts as a failure, 2 where nothing does and not all was read
 */
export async function check(source: string, options: CheckOptions): Promise<number> {
  await ensureWritables(options)
  const isDocument = (format: FormatId) => format === 'json' || format === 'jsonl'
  const keepsLinks = options.format.some(({ format }) => isDocument(format))
  const { document, fault } = await makeRun(source, { ...options, keepsLinks })
  return reported(document, fault, options)
}

/** Tries before the work whether what it makes can be written. @throws CannotRun where it can't */
export async function ensureWritables(options: CheckOptions): Promise<void> {
  const plain = options.format.filter(({ file }) => file === null)
  if (plain.length > 1)
    throw new CannotRun('Only one --format can go to standard output: give the others a file, as in sarif=run.sarif.')
  const files = [
    ...options.format.flatMap(({ file }) => file ?? []),
    ...(options.out === undefined ? [] : [options.out]),
  ]
  for (const file of files) await ensureWritable(fromHere(file))
}

/**
 * Writes what is asked for of a run.
 *
 * @param fault that ended it before its time; null: none
 * @returns the exit code
 */
export async function reported(run: RunDocument, fault: string | null, options: CheckOptions): Promise<number> {
  const document = withVerdict(run, options.failOn)
  await writeReports(document, options)
  if (fault !== null) throw new CannotRun(`The run broke off, and what was gathered is kept. ${fault}`)
  const code = exitCodeFor(document, options.failOn)
  if (code !== 2) return code
  const { incomplete, summary } = document
  const unseen = (summary.unseen ?? []).slice(0, 3).map(({ url, reason }) => `${url} was not seen. ${reason}`)
  throw new CannotRun([verdictLine(document), ...incomplete.map(({ message }) => message), ...unseen].join(' '))
}

/** Beside a report, what has all of its pages. @example pagesFileOf('out/report.html') // 'out/report-pages.html' */
const pagesFileOf = (file: string): string => file.replace(/(\.html?)?$/i, (ending) => `-pages${ending}`)

/**
 * Forms with a file are written there; a report of more pages than it can show has all of them in a second one beside it; the plain one goes to --out or standard output, text when there is none.
 *
 * @param isPlainToo false: files alone are written
 */
export async function writeReports(document: RunDocument, options: CheckOptions, isPlainToo = true): Promise<void> {
  const plain = options.format.find(({ file }) => file === null)?.format ?? 'text'
  const { failOn, all, onePage } = options
  const isDrawn = plain === 'html' || options.format.some(({ format }) => format === 'html')
  const pictures = isDrawn ? await reportPictures(document, onePage, options) : new Map()
  const reportOf = (format: FormatId, pagesFile?: string): Iterable<string> => {
    const form = reportFormats.find(({ id }) => id === format)!
    const paper = { failOn, all, onePage, pictures, pagesFile }
    if (!form.pieces) return [form.write(document, paper)]
    // What a later run takes over is held against this.
    const isDocument = format === 'json' || format === 'jsonl'
    return form.pieces(isDocument ? { ...document, reusable: reusableOf(document) } : document, paper)
  }
  const progress = progressLine(process.stderr)
  const write = async (format: FormatId, file: string) => {
    const isInTwo = format === 'html' && !onePage && !/\.gz$/i.test(file) && needsPagesFile(document)
    const pagesFile = isInTwo ? pagesFileOf(file) : null
    if (pagesFile !== null) await writeOut(fromHere(pagesFile), pagesAsHtml(document))
    progress.stage(`writing ${file}`)
    await writeOut(fromHere(file), reportOf(format, pagesFile === null ? undefined : basename(pagesFile)))
    progress.clear()
  }
  for (const { format, file } of options.format) if (file !== null) await write(format, file)
  if (options.out !== undefined) await write(plain, options.out)
  else if (isPlainToo) {
    const isStyled = plain === 'text' && process.stdout.isTTY && !process.env['NO_COLOR']
    const pieces = isStyled ? [runAsText(document, { all: options.all }, terminalStyle)] : reportOf(plain)
    for (const piece of pieces) await writeStandardOut(piece)
  }
}
