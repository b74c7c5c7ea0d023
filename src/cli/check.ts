import { writeFile } from 'node:fs/promises'
import { resolve } from 'node:path'
import { resolveAddress } from '@/core/crawl/address'
import { GatheringBuilder } from '@/core/crawl/events'
import { NothingAnswered } from '@/core/crawl/nothing-answered'
import { BadZip } from '@/core/crawl/zip-build'
import type { Level, Summary } from '@/core/model'
import { runAsJson, runDocument } from '@/core/report/run-document'
import { plainStyle, runAsText, type Style } from '@/core/report/text'
import { CannotRun } from './cannot-run'
import { progressLine } from './progress'
import { gatherSource } from './source'
import { terminalStyle } from './terminal-style'

export type CheckOptions = {
  site?: string
  format: 'text' | 'json'
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

/** `npm run` changes into the package's folder; paths are meant from where the person stands. */
export const fromHere = (path: string) => resolve(process.env.INIT_CWD ?? process.cwd(), path)

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
  const site = siteOf(options.site)
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
  const document = runDocument(gathering)
  const isOnTerminal = process.stdout.isTTY && options.out === undefined && !process.env.NO_COLOR
  const style: Style = isOnTerminal ? terminalStyle : plainStyle
  const text = options.format === 'json' ? runAsJson(document) : runAsText(document, style)
  if (options.out === undefined) process.stdout.write(text)
  else await writeOut(fromHere(options.out), text)
  return fails(document.summary, options.failOn) ? 1 : 0
}

async function writeOut(file: string, text: string): Promise<void> {
  try {
    await writeFile(file, text)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${error instanceof Error ? error.message : String(error)}`)
  }
}
