import { watch as watchFiles } from 'node:fs'
import { stat } from 'node:fs/promises'
import { join } from 'node:path'
import { driftBetween, placesOf } from '@/core/compare'
import { type ReadDocument, readRunDocument } from '@/core/document'
import { driftFormats, exitCodeFor, jsonPieces, type RunDocument, verdictLine, withVerdict } from '@/core/report'
import { terminalText } from '@/core/text'
import { isBeingWritten } from '@/io/write-file'
import { CannotRun } from './cannot-run'
import { type CheckOptions, ensureWritables, makeRun, writeReports } from './check'
import { fromHere } from './from-here'
import { writeStandardOut } from './write-out'

/** A build writes many files: it is looked at again once none has changed for so long, in ms. */
const REST_MS = 300

const say = (text: string) => process.stderr.write(`nimble-parrot: ${terminalText(text)}\n`)

/** The run as its document says it, which is what runs are held against each other by. */
function documentOf(run: RunDocument): ReadDocument {
  const read = readRunDocument([...jsonPieces(run)].join(''))
  if (!read.ok) throw new Error(read.fault)
  return read.document
}

/**
 * Resolves once something beneath a path has changed and rests again; false when it is interrupted first.
 *
 * @param own files that this program writes: their change is none
 */
function change(path: string, isFolder: boolean, own: ReadonlySet<string>): Promise<boolean> {
  return new Promise((resolve, reject) => {
    let timer: NodeJS.Timeout | undefined
    const watcher = watchFiles(path, { recursive: isFolder }, (_, name) => {
      const file = name === null || !isFolder ? path : join(path, name)
      if (own.has(file) || isBeingWritten(file)) return
      clearTimeout(timer)
      timer = setTimeout(() => end(true), REST_MS)
    })
    const interrupt = () => end(false)
    const end = (isChanged: boolean) => {
      clearTimeout(timer)
      process.removeListener('SIGINT', interrupt)
      process.removeListener('SIGTERM', interrupt)
      watcher.close()
      resolve(isChanged)
    }
    process.once('SIGINT', interrupt)
    process.once('SIGTERM', interrupt)
    watcher.on('error', (error) => reject(new CannotRun(`${path} can’t be watched: ${error.message}`)))
  })
}

/**
 * Checks a folder, and again whenever something in it changes, until it is interrupted: what went and what came is
 * printed each time, and files that were asked for are written again.
 *
 * @returns the exit code of the last look
 */
export async function watch(source: string, options: CheckOptions): Promise<number> {
  const path = fromHere(source)
  const found = /^https?:\/\//i.test(source) ? null : await stat(path).catch(() => null)
  if (!found)
    throw new CannotRun(
      `--watch looks at files, and “${source}” is none. Give the folder that the build is written to.`,
    )
  await ensureWritables(options)
  const named = [
    ...options.format.flatMap(({ file }) => file ?? []),
    ...(options.out === undefined ? [] : [options.out]),
  ]
  const own = new Set(named.map((file) => fromHere(file)))
  let before: ReadDocument | null = null
  for (;;) {
    // What changes while it is looked at is a change as well: it is waited for from before the look on.
    const changed = change(path, found.isDirectory(), own)
    let document: RunDocument | null = null
    try {
      document = withVerdict((await makeRun(source, options)).document, options.failOn)
    } catch (error) {
      // A build that is being written may have nothing that can be read for a moment.
      if (before === null || !(error instanceof CannotRun)) throw error
      say(`${error.message} Looking again at the next change.`)
    }
    if (document) {
      const now = documentOf(document)
      if (before === null) await writeReports(document, options)
      else {
        const files = options.format.filter(({ file }) => file !== null)
        await writeReports(document, { ...options, format: files }, false)
        await writeStandardOut(
          `\n${driftFormats.text(driftBetween(before, now), placesOf(now))}${verdictLine(document)}\n`,
        )
      }
      before = now
      say(`Watching ${source}. Ctrl C ends it.`)
    }
    if (!(await changed)) return document ? exitCodeFor(document, options.failOn) : 2
  }
}
