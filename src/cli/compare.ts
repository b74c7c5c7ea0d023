import { readFile, writeFile } from 'node:fs/promises'
import { driftBetween, hasDrifted, readRunDocument } from '@/core/compare/drift'
import { type DriftFormat, driftFormats } from '@/core/compare/drift-reports'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'

const reason = (error: unknown) => (error instanceof Error ? error.message : String(error))

async function documentIn(file: string) {
  const text = await readFile(fromHere(file), 'utf8').catch((error) => {
    throw new CannotRun(`${file} can’t be read: ${reason(error)}`)
  })
  const document = readRunDocument(text)
  if (!document)
    throw new CannotRun(`${file} is no run document of version 1. Write one with check --format json=${file}.`)
  return document
}

/** Holds two run documents against each other. @returns 1 when something changed that a card shows */
export async function compare(
  before: string,
  after: string,
  options: { format: DriftFormat; out?: string },
): Promise<number> {
  const drift = driftBetween(await documentIn(before), await documentIn(after))
  const text = driftFormats[options.format](drift)
  if (options.out === undefined) process.stdout.write(text)
  else {
    await writeFile(fromHere(options.out), text).catch((error) => {
      throw new CannotRun(`${options.out} can’t be written: ${reason(error)}`)
    })
  }
  return hasDrifted(drift) ? 1 : 0
}
