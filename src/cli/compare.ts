import { driftBetween, hasDrifted, incomparable, placesOf } from '@/core/compare'
import { type DriftFormat, driftFormats } from '@/core/report'
import { terminalText } from '@/core/text'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'
import { loadRunDocument } from './load-files'
import { ensureWritable, writeOut, writeStandardOut } from './write-out'

/** Holds two run documents against each other. @returns 1 when something changed that a card shows */
export async function compare(
  before: string,
  after: string,
  options: { format: DriftFormat; out?: string },
): Promise<number> {
  const [old, now] = [await loadRunDocument(before, 'run'), await loadRunDocument(after, 'run')]
  const fault = incomparable(old, now)
  if (fault !== null) throw new CannotRun(`${before} and ${after} can’t be compared. ${fault}`)
  if (options.out !== undefined) await ensureWritable(fromHere(options.out))
  for (const [file, { incomplete = [] }] of [
    [before, old],
    [after, now],
  ] as const) {
    // Said beside the document, which has no place for it: pages that were not read look like pages that went.
    for (const { message } of incomplete)
      process.stderr.write(`nimble-parrot: ${terminalText(`${file} is of a run that is not complete: ${message}`)}\n`)
  }
  const drift = driftBetween(old, now)
  const text = driftFormats[options.format](drift, placesOf(now))
  if (options.out === undefined) await writeStandardOut(text)
  else await writeOut(fromHere(options.out), [text])
  return hasDrifted(drift) ? 1 : 0
}
