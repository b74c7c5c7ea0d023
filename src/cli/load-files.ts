import { readFile, stat } from 'node:fs/promises'
import { join } from 'node:path'
import { type Baseline, readBaseline } from '@/core/report/baseline'
import { readRequirements } from '@/core/requirements/read-requirements'
import { noRequirements, type Requirements } from '@/core/requirements/requirements'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'

/** Name under which a requirements file is found by itself. */
const FOUND_NAME = 'nimble-parrot.json'

async function textOf(file: string, what: string): Promise<string> {
  try {
    return await readFile(fromHere(file), 'utf8')
  } catch (error) {
    throw new CannotRun(`The ${what} ${file} can’t be read: ${error instanceof Error ? error.message : String(error)}`)
  }
}

const isFile = async (path: string) =>
  stat(path).then(
    (found) => found.isFile(),
    () => false,
  )

/** The file in the built folder, else in the working directory; null where there is none. */
async function findRules(source: string): Promise<string | null> {
  const places = /^https?:\/\//i.test(source) ? [] : [join(fromHere(source), FOUND_NAME)]
  for (const place of [...places, fromHere(FOUND_NAME)]) if (await isFile(place)) return place
  return null
}

/** The requirements that a run goes by: those of --rules, else those found, else none. */
export async function loadRequirements(given: string | undefined, source: string): Promise<Requirements> {
  const file = given ?? (await findRules(source))
  if (file === null) return noRequirements
  const read = readRequirements(await textOf(file, 'requirements file'))
  if (read.ok) return read.requirements
  const faults = read.faults.map(({ path, message }) => `${path}: ${message}`)
  throw new CannotRun(`${file} can’t be used. ${faults.join(' ')}`)
}

/** Findings that an earlier run has already. */
export async function loadBaseline(file: string): Promise<Baseline> {
  const baseline = readBaseline(await textOf(file, 'baseline'))
  if (baseline === null)
    throw new CannotRun(`The baseline ${file} is no run document. Write one with --format json=${file}.`)
  return baseline
}
