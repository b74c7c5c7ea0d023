import { CannotRun } from './cannot-run'
import { gathered, type RunOptions } from './check'
import { fromHere } from './from-here'
import { ensureWritable, writeOut, writeStandardOut } from './write-out'

/**
 * Writes the addresses of a source's pages, one a line: what a run over them begins from, whole or in parts. Nothing is
 * judged; what did not answer as a page is none.
 *
 * @returns 0, or 2 where not all of it was read
 * @throws CannotRun where nothing was read
 */
export async function list(source: string, options: RunOptions & { out?: string }): Promise<number> {
  if (options.out !== undefined) await ensureWritable(fromHere(options.out))
  const { gathering, fault } = await gathered(source, options)
  const urls = gathering.pages.filter(({ facts }) => facts !== null).map(({ url }) => url)
  if (urls.length === 0) throw new CannotRun(`No page was read at ${source}.`)
  const lines = urls.sort().map((url) => `${url}\n`)
  if (options.out !== undefined) await writeOut(fromHere(options.out), lines)
  else for (const line of lines) await writeStandardOut(line)
  const lacks = [...gathering.incomplete.map(({ message }) => message), ...(fault === null ? [] : [fault])]
  if (lacks.length > 0) throw new CannotRun(`The list is not complete: ${lacks.join(' ')}`)
  return 0
}
