import { VERSION } from '@/core/model'
import { contentKey, thumbKey } from '@/store/thumb-key'
import { database, type StoredRun } from '../database'
import { heldEventsOf } from '../held-events'
import { ofRun } from '../of-run'
import { pageAddresses } from '../rows'
import { keptRequest } from '../runs'
import {
  MANIFEST,
  PAGES_A_FILE,
  PictureType,
  type ProjectManifest,
  pagesFile,
  type RunEntry,
  runFile,
} from './project-format'
import { ZipWriter } from './zip-writer'

function entryOf(run: StoredRun): RunEntry {
  const {
    id,
    base,
    source,
    view,
    robotsTxt,
    startedAt,
    finishedAt,
    touchedAt,
    state,
    waiting,
    notes,
    incomplete,
    scope,
  } = run
  const { survey, signedOff, launchedAt, lookedAgain, request, name } = run
  return {
    ...{ id, source, view, robotsTxt, startedAt, finishedAt, touchedAt, waiting, notes, incomplete, scope },
    state: state === 'running' ? 'stopped' : state,
    ...(base && { base }),
    ...(survey && { survey }),
    ...(signedOff && { signedOff }),
    ...(launchedAt && { launchedAt }),
    ...(name && { name }),
    ...(lookedAgain && { lookedAgain }),
    // A login is never in what is kept; said once more where it would leave the browser.
    ...(request && { request: keptRequest(request) }),
  }
}

/** Writes the pages that a run holds itself. @returns how many files they took */
async function writePages(zip: ZipWriter, run: string): Promise<number> {
  const keys = await ofRun(database.pages, run).primaryKeys()
  const files = Math.ceil(keys.length / PAGES_A_FILE)
  for (let index = 0; index < files; index++) {
    const part = await database.pages.bulkGet(keys.slice(index * PAGES_A_FILE, (index + 1) * PAGES_A_FILE))
    zip.add(pagesFile(run, index), JSON.stringify(part.flatMap((stored) => stored?.page ?? [])))
  }
  return files
}

const bytesOf = async (blob: Blob) => new Uint8Array(await blob.arrayBuffer())

async function writePictures(zip: ZipWriter, runs: readonly StoredRun[]): Promise<ProjectManifest['pictures']> {
  const small = new Map<string, string>()
  const whole = new Map<string, string>()
  for (const { id } of runs) {
    for (const { image, made } of await ofRun(database.images, id).toArray()) {
      small.set(contentKey(image), thumbKey(image))
      // What was made here is in no build: it can't be had again.
      if (made) whole.set(contentKey(image), thumbKey(image))
    }
  }
  const pictures: ProjectManifest['pictures'] = []
  for (const [kind, keys, table] of [
    ['small', small, database.thumbs],
    ['whole', whole, database.originals],
  ] as const) {
    for (const [key, keptAs] of keys) {
      const kept = await table.get(keptAs)
      const type = PictureType.safeParse(kept?.blob.type)
      if (!kept || !type.success) continue
      const file = `pictures/${pictures.length}`
      zip.add(file, await bytesOf(kept.blob))
      pictures.push({ key, file, type: type.data, kind })
    }
  }
  return pictures
}

/**
 * Everything that this browser holds of a site, in one zip: its runs, drafts, requirements, templates, held copies.
 *
 * @param digest `sha256:` and hex of a text in pieces: what a later run takes from a run of the archive is held against it
 */
export async function saveProject(site: string, digest: (texts: Iterable<string>) => string): Promise<Blob> {
  const digests: Record<string, string> = {}
  const zip = new ZipWriter()
  const runs = await database.runs.filter((run) => run.source.site === site).toArray()
  const holders = new Set(runs.flatMap(({ id, base }) => [id, ...(base ? [base] : [])]))
  const pages: ProjectManifest['pages'] = {}
  for (const holder of holders) pages[holder] = await writePages(zip, holder)
  for (const { id } of runs) {
    const order = await pageAddresses(id)
    const images = await ofRun(database.images, id).toArray()
    const found = images.map(({ image: { served: _served, ...image }, made }) => ({ ...image, ...(made && { made }) }))
    const text = JSON.stringify({ order, images: found })
    digests[runFile(id)] = digest([text])
    zip.add(runFile(id), text)
  }
  const pictures = await writePictures(zip, runs)
  const files: ProjectManifest['files'] = []
  for (const { name, blob } of await database.templateFiles.where('site').equals(site).toArray()) {
    const file = `files/${files.length}`
    zip.add(file, await bytesOf(blob))
    files.push({ name, file, type: blob.type })
  }
  const manifest = {
    format: 'nimble-parrot-project',
    version: 1,
    program: VERSION,
    site,
    savedAt: new Date().toISOString(),
    runs: runs.map(entryOf),
    digests,
    pages,
    drafts: await database.drafts.where('site').equals(site).toArray(),
    defaults: (await database.defaults.get(site))?.defaults ?? null,
    requirements: (await database.requirements.get(site))?.requirements ?? null,
    templates: (await database.templates.get(site))?.sections ?? null,
    held: (await heldEventsOf(site)).map(({ event }) => event),
    focuses: (await database.focuses.where('site').equals(site).toArray()).map(({ site: _site, ...kept }) => kept),
    pictures,
    files,
  }
  zip.add(MANIFEST, `${JSON.stringify(manifest, null, 2)}\n`)
  return zip.end()
}
