import { createWriteStream } from 'node:fs'
import { open, stat, unlink } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGzip } from 'node:zlib'
import { CannotRun } from './cannot-run'

const reason = (error: unknown) => (error instanceof Error ? error.message : String(error))

/**
 * Tries whether a file can be written, before the work is done: leaves no file that was not there.
 * @throws CannotRun when it can't
 */
export async function ensureWritable(file: string): Promise<void> {
  const isThere = await stat(file).then(
    () => true,
    () => false,
  )
  try {
    await (await open(file, 'a')).close()
    if (!isThere) await unlink(file)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${reason(error)}`)
  }
}

/**
 * Writes pieces of text as they are made; a name that ends in .gz is packed.
 * @throws CannotRun when the file can't be written
 */
export async function writeOut(file: string, pieces: Iterable<string>): Promise<void> {
  const packing = /\.gz$/i.test(file) ? [createGzip()] : []
  try {
    await pipeline([Readable.from(pieces), ...packing, createWriteStream(file)])
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${reason(error)}`)
  }
}

/**
 * Writes to standard output and waits until it is taken.
 * @throws CannotRun when the reader has gone, or the disk behind it is full
 */
export function writeStandardOut(text: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const fail = (error: Error) => reject(new CannotRun(`Standard output can’t be written: ${reason(error)}`))
    process.stdout.once('error', fail)
    process.stdout.write(text, (error) => {
      process.stdout.removeListener('error', fail)
      if (error) fail(error)
      else resolve()
    })
  })
}
