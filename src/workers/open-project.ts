import type { z } from 'zod'
import { limits, pathOn } from '@/core/address'
import { BadZip, type BuildFiles } from '@/core/crawl'
import { type GatheredImage, parseJson, schemaFaults } from '@/core/model'
import { mergedRequirements } from '@/core/requirements'
import { shownTime } from '@/core/text'
import { MANIFEST, PagesFile, ProjectManifest, pagesFile, RunFile, runFile } from '@/store/archive/project-format'
import { database, type StoredRun, withVerdict } from '@/store/database'
import { heldEventsOf, keepHeldEvents } from '@/store/held-events'
import { deleteRun, keptRequest } from '@/store/runs'
import { openZipFile } from './blob-files'
import { keepJudged } from './keep-judged'
import { gatheringOf } from './look-again'
import { UserFacingError } from './user-facing-error'

/**
 * Which of the two stays where this browser and the archive both have something. Runs never change: they are alike.
 * `later`: what people did together is put together: what was changed later stands, waivers of both hold.
 */
export type Prefer = 'mine' | 'archive' | 'later'

/** `conflicts`: what both had otherwise, and which stayed, a sentence each. */
export type OpenedProject = { site: string; runs: number; known: number; drafts: number; conflicts: string[] }

const BROKEN = 'The archive is broken or not one that Nimble Parrot wrote.'

/** Reads one file of the archive as JSON of a known form. @throws UserFacingError that names the file and the fault */
async function readJson<T>(files: BuildFiles, path: string, schema: z.ZodType<T>): Promise<T> {
  if (!files.paths.includes(path)) throw new UserFacingError(`The archive has no ${path}. ${BROKEN}`)
  const broken = () => new UserFacingError(`${path} in the archive can’t be read. ${BROKEN}`)
  const { body, isCut } = await files.read(path, limits.zipFileBytes).catch(() => {
    throw broken()
  })
  const read = isCut ? null : parseJson(new TextDecoder().decode(body), limits.documentCharacters)
  if (!read?.ok) throw broken()
  const [fault] = schemaFaults(schema, read.value)
  if (fault) throw new UserFacingError(`${path} in the archive: ${fault.path}: ${fault.message}`)
  return schema.parse(read.value)
}

/** What an archive says of itself. @throws UserFacingError when it is none */
export async function readManifest(files: BuildFiles): Promise<ProjectManifest> {
  if (!files.paths.includes(MANIFEST))
    throw new UserFacingError(
      `It is no project archive: it has no ${MANIFEST}. A zip of a build goes into “A folder or a zip”.`,
    )
  return readJson(files, MANIFEST, ProjectManifest)
}

export async function openArchive(archive: Blob): Promise<BuildFiles> {
  try {
    return await openZipFile(archive)
  } catch (error) {
    throw error instanceof BadZip ? new UserFacingError(error.message) : error
  }
}

/** Does this browser hold something of the site that an archive may have too? */
export async function hasSomethingOf(site: string): Promise<boolean> {
  const { drafts, defaults, requirements, templates } = database
  const counts = await Promise.all([
    drafts.where('site').equals(site).count(),
    defaults.where('site').equals(site).count(),
    requirements.where('site').equals(site).count(),
    templates.where('site').equals(site).count(),
  ])
  return counts.some((count) => count > 0)
}

const WHOSE = { mine: 'yours stays', archive: 'that of the archive stays' } as const

const areAlike = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

/** Which of two drafts of one page stays, and what is said of it. */
async function takeDrafts(manifest: ProjectManifest, prefer: Prefer, conflicts: string[]): Promise<number> {
  const { site } = manifest
  const own = new Map((await database.drafts.where('site').equals(site).toArray()).map((draft) => [draft.url, draft]))
  const taken = manifest.drafts.filter((draft) => {
    if (draft.site !== site) return false
    const mine = own.get(draft.url)
    if (!mine) return true
    const isLater = Date.parse(draft.changedAt) > Date.parse(mine.changedAt)
    const isTaken = prefer === 'later' ? isLater : prefer === 'archive'
    if (!areAlike(mine.fields, draft.fields))
      conflicts.push(`Both have a draft of ${pathOn(draft.url, site)}: ${WHOSE[isTaken ? 'archive' : 'mine']}.`)
    return isTaken
  })
  await database.drafts.bulkPut(taken)
  return taken.length
}

/** What was set for one picture by two: the later stands, and nothing is said of so small a thing. */
async function takeFocuses({ site, focuses = [] }: ProjectManifest, prefer: Prefer): Promise<void> {
  const own = new Map((await database.focuses.where('site').equals(site).toArray()).map((kept) => [kept.url, kept]))
  const isTaken = ({ url, setAt }: { url: string; setAt: string }) => {
    const mine = own.get(url)
    return !mine || (prefer === 'later' ? Date.parse(setAt) > Date.parse(mine.setAt) : prefer === 'archive')
  }
  await database.focuses.bulkPut(focuses.filter(isTaken).map((kept) => ({ ...kept, site })))
}

async function takeRequirements({ site, requirements }: ProjectManifest, prefer: Prefer, conflicts: string[]) {
  if (!requirements) return
  const mine = (await database.requirements.get(site))?.requirements
  const merged = mine && prefer === 'later' ? mergedRequirements(mine, requirements) : null
  if (merged?.differs) conflicts.push(`The requirements ask different things of the pages: ${WHOSE.mine}.`)
  if (!mine || prefer !== 'mine')
    await database.requirements.put({ site, requirements: merged?.requirements ?? requirements })
}

/** A run that is here already may have been signed since, here or where the archive was saved: the later yes stands. */
async function takeSignOffs(known: readonly ProjectManifest['runs'][number][], conflicts: string[]): Promise<void> {
  for (const { id, signedOff, startedAt } of known) {
    if (!signedOff) continue
    const mine = (await database.runs.get(id))?.signedOff
    const isLater = !mine || Date.parse(signedOff.at) > Date.parse(mine.at)
    if (mine && (mine.by !== signedOff.by || mine.at !== signedOff.at))
      conflicts.push(
        `The run of ${shownTime(startedAt)} was signed by ${mine.by} and by ${signedOff.by}: ${WHOSE[isLater ? 'archive' : 'mine']}, the later one.`,
      )
    if (isLater) await database.runs.update(id, { signedOff })
  }
}

/** What was set for the site: drafts, defaults, requirements, templates, what was said of held copies. */
async function takeSettings(
  manifest: ProjectManifest,
  files: BuildFiles,
  prefer: Prefer,
  conflicts: string[],
): Promise<number> {
  const { site } = manifest
  // Defaults and templates say nothing of when they were made: together, what is here stays.
  const isMine = prefer !== 'archive'
  const drafts = await takeDrafts(manifest, prefer, conflicts)
  await takeRequirements(manifest, prefer, conflicts)
  await takeFocuses(manifest, prefer)
  const { defaults, templates } = manifest
  const ownDefaults = await database.defaults.get(site)
  if (defaults && ownDefaults && !areAlike(ownDefaults.defaults, defaults))
    conflicts.push(`Both have defaults of the site: ${WHOSE[isMine ? 'mine' : 'archive']}.`)
  if (defaults && !(isMine && ownDefaults)) await database.defaults.put({ site, defaults })
  if (templates) {
    const mine = (await database.templates.get(site))?.sections ?? {}
    for (const [section, template] of Object.entries(templates)) {
      const own = Object.hasOwn(mine, section) ? mine[section] : undefined
      if (own && !areAlike(own, template))
        conflicts.push(`Both have a picture template of ${section}: ${WHOSE[isMine ? 'mine' : 'archive']}.`)
    }
    await database.templates.put({ site, sections: isMine ? { ...templates, ...mine } : { ...mine, ...templates } })
  }
  for (const { name, file, type } of manifest.files) {
    if (isMine && (await database.templateFiles.get([site, name]))) continue
    const blob = new Blob([(await files.read(file, limits.zipFileBytes)).body as Uint8Array<ArrayBuffer>], { type })
    await database.templateFiles.put({ site, name, blob, savedAt: Date.now() })
  }
  const said = new Set((await heldEventsOf(site)).map(({ event }) => JSON.stringify(event)))
  await keepHeldEvents(
    site,
    manifest.held.filter((event) => !said.has(JSON.stringify(event))),
  )
  return drafts
}

async function takePictures(manifest: ProjectManifest, files: BuildFiles): Promise<void> {
  for (const { key, file, type, kind } of manifest.pictures) {
    const table = kind === 'small' ? database.thumbs : database.originals
    if (await table.get(key)) continue
    const bytes = (await files.read(file, limits.imageBytes)).body as Uint8Array<ArrayBuffer>
    await table.put({ key, blob: new Blob([bytes], { type }), bytes: bytes.length, savedAt: Date.now() })
  }
}

async function takePages(manifest: ProjectManifest, files: BuildFiles, holder: string): Promise<void> {
  for (let index = 0; index < (manifest.pages[holder] ?? 0); index++) {
    const pages = await readJson(files, pagesFile(holder, index), PagesFile)
    await database.pages.bulkPut(pages.map((page) => ({ run: holder, url: page.url, page })))
  }
}

async function takeRun(entry: ProjectManifest['runs'][number], files: BuildFiles): Promise<void> {
  const { order, images } = await readJson(files, runFile(entry.id), RunFile)
  const { request, ...rest } = entry
  const run: StoredRun = {
    ...rest,
    ...(request && { request: keptRequest(request) }),
    pages: order.length,
    findings: [],
    summary: null,
    incomplete: entry.incomplete ?? [],
    scope: entry.scope ?? [],
    imported: true,
  } as StoredRun
  if (!entry.incomplete) withVerdict(run)
  await database.images.bulkPut(
    images.map(({ made, ...image }: GatheredImage & { made?: true | undefined }) => ({
      run: run.id,
      url: image.url,
      image: { ...image, served: null },
      ...(made && { made }),
    })),
  )
  const { gathering } = await gatheringOf(run, order)
  await keepJudged(run, gathering)
}

/**
 * Takes a project archive into this browser. Runs that are here already are left alone; what was judged is judged again,
 * by the requirements that hold afterwards. If it fails, no run of it stays.
 */
export async function openProject(archive: Blob, prefer: Prefer): Promise<OpenedProject> {
  const files = await openArchive(archive)
  const manifest = await readManifest(files)
  const here = await database.runs.toArray()
  const known = new Set(here.map(({ id }) => id))
  const fresh = manifest.runs.filter(({ id, source }) => !known.has(id) && source.site === manifest.site)
  // Pages that no run has are left of an opening that was broken off: they are written again.
  const held = new Set(here.flatMap(({ id, base }) => [id, ...(base ? [base] : [])]))
  const holders = [...new Set(fresh.flatMap(({ id, base }) => [id, ...(base ? [base] : [])]))].filter(
    (holder) => !held.has(holder),
  )
  try {
    for (const holder of holders) await takePages(manifest, files, holder)
    await takePictures(manifest, files)
    const conflicts: string[] = []
    const drafts = await takeSettings(manifest, files, prefer, conflicts)
    for (const entry of fresh) await takeRun(entry, files)
    await takeSignOffs(
      manifest.runs.filter(({ id, source }) => known.has(id) && source.site === manifest.site),
      conflicts,
    )
    return { site: manifest.site, runs: fresh.length, known: manifest.runs.length - fresh.length, drafts, conflicts }
  } catch (error) {
    for (const id of new Set([...holders, ...fresh.map((run) => run.id)])) await deleteRun(id).catch(() => undefined)
    throw error
  }
}
