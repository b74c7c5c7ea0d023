import { writeFile } from 'node:fs/promises'
import { resolveAddress } from '@/core/crawl/address'
import { GatheringBuilder } from '@/core/crawl/events'
import { NothingAnswered } from '@/core/crawl/nothing-answered'
import { BadZip } from '@/core/crawl/zip-build'
import type { Level, Summary } from '@/core/model'
import { newSince } from '@/core/report/baseline'
import { type FormatId, reportFormats } from '@/core/report/formats'
import { type RunDocument, runDocument } from '@/core/report/run-document'
import { runAsText } from '@/core/report/text'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'
import { loadBaseline, loadRequirements } from './load-files'
import { progressLine } from './progress'
import { gatherSource } from './source'
import { terminalStyle } from './terminal-style'

/** A form to write the run in, and the file for it; null: standard output, or --out. */
export type FormatChoice = { format: FormatId; file: string | null }

export type CheckOptions = {
  site?: string
  rules?: string
  format: FormatChoice[]
  pictures: 'whole' | 'header'
  baseline?: string
  out?: string
  failOn: Level | 'never'
  maxPages: number
  maxDepth: number
  concurrency: number
  delay: number
  timeout: number
  ignoreRobots: boolean
  include: string[]
  exclude: string[]
  perSection?: number
  follow: boolean
  header: string[]
  user?: string
  askAs?: string
}

const LEVELS: readonly Level[] = ['error', 'warning', 'note']

/** Findings at this level or above? */
export function fails(summary: Summary, failOn: Level | 'never'): boolean {
  if (failOn === 'never') return false
  return LEVELS.slice(0, LEVELS.indexOf(failOn) + 1).some((level) => summary[level] > 0)
}

function siteOf(given: string | undefined): string | null {
  if (given === undefined) return null
  const site = resolveAddress(given, 'about:blank')
  if (site === null) throw new CannotRun(`--site “${given}” is no http or https address. Try https://example.org`)
  return site
}

/** Runs the checks over one source and writes the report. @returns the exit code: 0 or 1 */
export async function check(source: string, options: CheckOptions): Promise<number> {
  const plain = options.format.filter(({ file }) => file === null)
  if (plain.length > 1)
    throw new CannotRun('Only one --format can go to standard output: give the others a file, as in sarif=run.sarif.')
  const requirements = await loadRequirements(options.rules, source)
  const baseline = options.baseline === undefined ? null : await loadBaseline(options.baseline)
  const site = siteOf(options.site) ?? siteOf(requirements.site)
  const builder = new GatheringBuilder()
  const stop = new AbortController()
  process.once('SIGINT', () => stop.abort())
  const progress = progressLine(process.stderr)
  try {
    for await (const event of gatherSource(source, site, options, stop.signal)) {
      builder.add(event)
      if (event.kind === 'progress') progress.show(event)
    }
  } catch (error) {
    if (error instanceof NothingAnswered) throw new CannotRun(error.message)
    if (error instanceof BadZip) throw new CannotRun(`${source} can’t be read. ${error.message}`)
    throw error
  } finally {
    progress.clear()
  }
  const gathering = builder.gathering()
  if (!gathering) throw new CannotRun(`${source} could not be read.`)
  if (gathering.pages.length > 0 && gathering.pages.every(({ fetch }) => fetch.status === null)) {
    throw new CannotRun(`Nothing answered: ${gathering.pages[0]!.fetch.error ?? source}`)
  }
  const document = runDocument(gathering, requirements, new Date().toISOString().slice(0, 10))
  await writeReports(document, options)
  const counted = baseline === null ? document.summary : newSince(document, baseline)
  return fails(counted, options.failOn) ? 1 : 0
}

/** Forms with a file are written there; the plain one goes to --out or standard output, text when there is none. */
async function writeReports(document: RunDocument, options: CheckOptions): Promise<void> {
  const plain = options.format.find(({ file }) => file === null)?.format ?? 'text'
  for (const { format, file } of options.format) {
    if (file !== null) await writeOut(fromHere(file), reportOf(document, format))
  }
  if (options.out !== undefined) await writeOut(fromHere(options.out), reportOf(document, plain))
  else
    process.stdout.write(
      plain === 'text' && process.stdout.isTTY && !process.env.NO_COLOR
        ? runAsText(document, terminalStyle)
        : reportOf(document, plain),
    )
}

const reportOf = (document: RunDocument, format: FormatId) =>
  reportFormats.find(({ id }) => id === format)!.write(document)

async function writeOut(file: string, text: string): Promise<void> {
  try {
    await writeFile(file, text)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${error instanceof Error ? error.message : String(error)}`)
  }
}
