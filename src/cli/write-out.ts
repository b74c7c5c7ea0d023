import { type Content, tryWriting, writeFileWhole } from '@/io/write-file'
import { CannotRun } from './cannot-run'

const reason = (error: unknown) => (error instanceof Error ? error.message : String(error))

/**
 * Tries whether a file can be written, before the work is done: leaves no file that was not there.
 * @throws CannotRun when it can't
 */
export async function ensureWritable(file: string): Promise<void> {
  try {
    await tryWriting(file)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${reason(error)}`)
  }
}

/**
 * Writes a file whole or not at all; pieces as they are made, packed where its name ends in .gz.
 * @throws CannotRun when the file can't be written
 */
export async function writeOut(file: string, content: Content): Promise<void> {
  try {
    await writeFileWhole(file, content)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${reason(error)}`)
  }
}

/** Whoever reads standard output has had enough, as `head` has: what follows is not written, and is no fault. */
let isClosed = false
const isOfClosedPipe = (error: Error & { code?: string }) => error.code === 'EPIPE' || error.code === 'EOF'

/** Errors of the standard streams are taken by who writes; without a listener one would end the process with a stack trace. */
export function mindStandardStreams(): void {
  for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined)
}

/**
 * Writes to standard output and waits until it is taken. Where its reader has gone nothing is written, and nothing said.
 * @throws CannotRun when it can't be written, as where the disk behind it is full
 */
export function writeStandardOut(text: string): Promise<void> {
  if (isClosed) return Promise.resolve()
  return new Promise((resolve, reject) => {
    const fail = (error: Error) => {
      if (!isOfClosedPipe(error)) return reject(new CannotRun(`Standard output can’t be written: ${reason(error)}`))
      isClosed = true
      resolve()
    }
    process.stdout.once('error', fail)
    process.stdout.write(text, (error) => {
      process.stdout.removeListener('error', fail)
      if (error) fail(error)
      else resolve()
    })
  })
}
