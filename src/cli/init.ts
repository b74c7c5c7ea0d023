import { mkdir, stat, writeFile } from 'node:fs/promises'
import { dirname, relative } from 'node:path'
import { CannotRun } from './cannot-run'
import { fromHere } from './from-here'
import { workflow } from './workflow'

/** Where the schema lies in a project that has the package installed: editors complete the file by it, without a network. */
const SCHEMA = 'node_modules/nimble-parrot/schemas/requirements.schema.json'

const requirementsFile = (site: string | undefined) => ({
  $schema: `./${SCHEMA}`,
  ...(site === undefined ? {} : { site }),
  sections: {},
  waivers: [],
})

async function writeNew(file: string, text: string): Promise<string> {
  const path = fromHere(file)
  const isThere = await stat(path).then(
    () => true,
    () => false,
  )
  if (isThere) throw new CannotRun(`${file} is there already, and was left as it is. Delete it, or name another one.`)
  try {
    await mkdir(dirname(path), { recursive: true })
    await writeFile(path, text)
  } catch (error) {
    throw new CannotRun(`${file} can’t be written: ${error instanceof Error ? error.message : String(error)}`)
  }
  return relative(fromHere('.'), path)
}

export type InitOptions = { site?: string; workflow?: string | true; folder: string }

/** Writes a requirements file to begin from, and a workflow where one is asked for. Nothing that is there is touched. */
export async function init({ site, workflow: asked, folder }: InitOptions): Promise<string> {
  const made = [await writeNew('nimble-parrot.json', `${JSON.stringify(requirementsFile(site), null, 2)}\n`)]
  if (asked !== undefined)
    made.push(await writeNew(asked === true ? '.github/workflows/cards.yml' : asked, workflow(folder)))
  return `Written: ${made.join(', ')}. Next: npx nimble-parrot check ${folder}\n`
}
