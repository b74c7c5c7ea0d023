import { mkdir, stat } from 'node:fs/promises'
import { dirname, relative } from 'node:path'
import { proposedRequirements } from '@/core/check'
import type { Requirements } from '@/core/requirements'
import { CannotRun } from './cannot-run'
import { gathered } from './check'
import { fromHere } from './from-here'
import { plainRun } from './plain-run'
import { workflow } from './workflow'
import { writeOut } from './write-out'

/** Where the schema lies in a project that has the package installed: editors complete the file by it, without a network. */
const SCHEMA = 'node_modules/nimble-parrot/schemas/requirements.schema.json'

const isThere = (path: string): Promise<boolean> =>
  stat(path).then(
    () => true,
    () => false,
  )

/** What to begin with: the site and its sections as the build shows them, where there is one. */
async function proposed(folder: string): Promise<Pick<Requirements, 'site' | 'sections'> | null> {
  if (!(await isThere(fromHere(folder)))) return null
  try {
    return proposedRequirements((await gathered(folder, { ...plainRun, pictures: 'header' })).gathering)
  } catch (error) {
    if (error instanceof CannotRun) return null
    throw error
  }
}

type Written = { file: string; isNew: boolean }

/** Writes a file that is not there yet; one that is stays as it is. */
async function writeNew(file: string, textOf: () => Promise<string>): Promise<Written> {
  const path = fromHere(file)
  const name = relative(fromHere('.'), path)
  if (await isThere(path)) return { file: name, isNew: false }
  try {
    await mkdir(dirname(path), { recursive: true })
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${error instanceof Error ? error.message : String(error)}`)
  }
  await writeOut(path, await textOf())
  return { file: name, isNew: true }
}

export type InitOptions = { site?: string; workflow?: string | true; folder: string }

/**
 * Writes a requirements file to begin from, and a workflow where one is asked for. What is there already is left as it
 * is, and said.
 */
export async function init({ site, workflow: asked, folder }: InitOptions): Promise<string> {
  let found: Awaited<ReturnType<typeof proposed>> = null
  const requirements = await writeNew('nimble-parrot.json', async () => {
    found = await proposed(folder)
    const own = { ...found, ...(site === undefined ? {} : { site }) }
    return `${JSON.stringify({ $schema: `./${SCHEMA}`, sections: {}, ...own, waivers: [] }, null, 2)}\n`
  })
  const files = [requirements]
  if (asked !== undefined)
    files.push(await writeNew(asked === true ? '.github/workflows/cards.yml' : asked, async () => workflow(folder)))
  const made = files.filter(({ isNew }) => isNew).map(({ file }) => file)
  const left = files.filter(({ isNew }) => !isNew).map(({ file }) => file)
  const { sections = {} } = (found as Awaited<ReturnType<typeof proposed>>) ?? {}
  return [
    made.length > 0 ? `Written: ${made.join(', ')}.` : 'Nothing was written.',
    ...(left.length > 0 ? [`There already, and left as it was: ${left.join(', ')}.`] : []),
    ...(requirements.isNew
      ? [
          found === null
            ? `${folder} has no pages yet: its sections are to be filled in.`
            : `Its sections are those of ${folder}: ${Object.keys(sections).join(', ') || 'none has two pages'}.`,
        ]
      : []),
    `Next: npx nimble-parrot check ${folder}\n`,
  ].join(' ')
}
