import type { z } from 'zod'
import { limits, pathOn } from '@/core/address'
import { BadZip, type BuildFiles } from '@/core/crawl'
import { signatureState } from '@/core/document'
import { type GatheredImage, parseJson, schemaFaults } from '@/core/model'
import { faultOfSignOff } from '@/core/report'
import { mergedRequirements, type Requirements } from '@/core/requirements'
import { ownEntry, plural, shownTime } from '@/core/text'
import { MANIFEST, PagesFile, ProjectManifest, pagesFile, RunFile, runFile } from '@/store/archive/project-format'
import { type StoredRun, withVerdict } from '@/store/database'
import { draftsOf, keepDefaults, keepDrafts, ownDefaultsOf } from '@/store/drafts'
import { keepFocuses, storedFocusesOf } from '@/store/focuses'
import { heldEventsOf, keepHeldEvents } from '@/store/held-events'
import { hasThumb, keepImages, keepThumb } from '@/store/images'
import { hasOriginal, keepOriginal } from '@/store/kept-pictures'
import { keepPages } from '@/store/pages'
import { keepRequirements, ownRequirementsOf } from '@/store/requirements'
import { allRuns, changeRun, deleteRun, keptRequest, runAt } from '@/store/runs'
import { hasSomethingOf } from '@/store/site'
import { hasTemplateFile, keepTemplateFile, keepTemplates, templatesOf } from '@/store/templates'
import { archivedKey } from '@/store/thumb-key'
import { openZipFile } from './blob-files'
import { digestOf } from './digest'
import { keepJudged } from './keep-judged'
import { gatheringOf } from './look-again'
import { areAlike, differenceId, type ProjectDifference, projectDifferences, type Side } from './project-differences'
import { UserFacingError } from './user-facing-error'
import { verifySignature } from './verify-signature'

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
async function readManifest(files: BuildFiles): Promise<ProjectManifest> {
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

const WHOSE = { mine: 'yours stays', archive: 'that of the archive stays' } as const

/** Which side stays of each thing that both have, by its id: what somebody chose, one by one. */
export type Choices = Readonly<Record<string, Side>>

/** Which of two drafts of one page stays, and what is said of it. */
async function takeDrafts(
  manifest: ProjectManifest,
  prefer: Prefer,
  choices: Choices,
  conflicts: string[],
): Promise<number> {
  const { site } = manifest
  const own = new Map((await draftsOf(site)).map((draft) => [draft.url, draft]))
  const taken = manifest.drafts.filter((draft) => {
    if (draft.site !== site) return false
    const mine = own.get(draft.url)
    if (!mine) return true
    const isLater = Date.parse(draft.changedAt) > Date.parse(mine.changedAt)
    const otherwise = prefer === 'later' ? (isLater ? 'archive' : 'mine') : prefer
    const isTaken = (ownEntry(choices, differenceId.draft(draft.url)) ?? otherwise) === 'archive'
    if (!areAlike(mine.fields, draft.fields))
      conflicts.push(`Both have a draft of ${pathOn(draft.url, site)}: ${WHOSE[isTaken ? 'archive' : 'mine']}.`)
    return isTaken
  })
  await keepDrafts(taken)
  return taken.length
}

/** What was set for one picture by two: the later stands, and nothing is said of so small a thing. */
async function takeFocuses({ site, focuses = [] }: ProjectManifest, prefer: Prefer): Promise<void> {
  const own = new Map((await storedFocusesOf(site)).map((kept) => [kept.url, kept]))
  const isTaken = ({ url, setAt }: { url: string; setAt: string }) => {
    const mine = own.get(url)
    return !mine || (prefer === 'later' ? Date.parse(setAt) > Date.parse(mine.setAt) : prefer === 'archive')
  }
  await keepFocuses(focuses.filter(isTaken).map((kept) => ({ ...kept, site })))
}

async function takeRequirements(
  { site, requirements }: ProjectManifest,
  prefer: Prefer,
  choices: Choices,
  conflicts: string[],
) {
  if (!requirements) return
  const mine = await ownRequirementsOf(site)
  const stays = ownEntry(choices, differenceId.requirements()) ?? 'mine'
  const [first, second] = stays === 'mine' ? [mine, requirements] : [requirements, mine]
  // Put together, waivers and answers of both hold, whichever side says what is asked of the pages.
  const merged = first && second && prefer === 'later' ? mergedRequirements(first, second) : null
  if (!mine || prefer !== 'mine') tellTakenAway(requirements, mine, conflicts)
  if (merged?.differs) conflicts.push(`The requirements ask different things of the pages: ${WHOSE[stays]}.`)
  if (!mine || prefer !== 'mine') await keepRequirements(site, merged?.requirements ?? requirements)
}

/** A clock may go wrong by so much, in ms. */
const SKEW_MS = 5 * 60 * 1000

/**
 * What an archive says of a time that has not come is left out, and told: a later word stands, and nothing said here would
 * ever be later than it.
 */
function withoutFuture(manifest: ProjectManifest, now: number, conflicts: string[]): ProjectManifest {
  const isPast = (at: string | null | undefined) => !at || Date.parse(at) <= now + SKEW_MS
  const kept = <T>(what: string, list: readonly T[], timeOf: (one: T) => (string | null | undefined)[]): T[] => {
    const past = list.filter((one) => timeOf(one).every(isPast))
    const left = list.length - past.length
    if (left > 0)
      conflicts.push(
        `${plural(left, what)} of the archive ${left === 1 ? 'says' : 'say'} a time that has not come: left out.`,
      )
    return past
  }
  const { requirements } = manifest
  const answers = requirements?.answers && kept('answer', requirements.answers, ({ at }) => [at])
  return {
    ...manifest,
    runs: kept('run', manifest.runs, (run) => [run.startedAt, run.finishedAt, run.launchedAt, run.signedOff?.at]),
    drafts: kept('draft', manifest.drafts, ({ changedAt }) => [changedAt]),
    held: kept('word about held copies', manifest.held, ({ at }) => [at]),
    ...(manifest.focuses && { focuses: kept('focus', manifest.focuses, ({ setAt }) => [setAt]) }),
    requirements: requirements && { ...requirements, ...(answers && { answers }) },
  }
}

/** Waivers and answers that are told one by one. */
const TOLD = 5

/** What the requirements of an archive take away from findings, told before it counts: it changes verdicts. */
function tellTakenAway(requirements: Requirements, mine: Requirements | undefined, conflicts: string[]): void {
  const own = new Set((mine?.waivers ?? []).map((waiver) => JSON.stringify(waiver)))
  const waivers = (requirements.waivers ?? []).filter((waiver) => !own.has(JSON.stringify(waiver)))
  for (const { rule, pages, by, reason } of waivers.slice(0, TOLD))
    conflicts.push(`The archive waives ${rule} on ${pages ?? 'all pages'}, by ${by}: ${reason}`)
  if (waivers.length > TOLD) conflicts.push(`The archive waives ${waivers.length - TOLD} more.`)
  const answered = new Set((mine?.answers ?? []).map((answer) => JSON.stringify(answer)))
  const answers = (requirements.answers ?? []).filter((answer) => !answered.has(JSON.stringify(answer)))
  if (mine && answers.length > 0)
    conflicts.push(
      `The archive has ${plural(answers.length, 'answer')} that ${answers.length === 1 ? 'is' : 'are'} not here.`,
    )
}

type Entry = ProjectManifest['runs'][number]

/**
 * A run that is here already may have been signed since, here or where the archive was saved: the later yes stands.
 *
 * @returns sign-offs to take over, by run; what is said of them is added to `conflicts`
 */
async function signOffsToTake(
  known: readonly Entry[],
  conflicts: string[],
): Promise<Map<string, NonNullable<Entry['signedOff']>>> {
  const taken = new Map<string, NonNullable<Entry['signedOff']>>()
  for (const { id, signedOff, startedAt } of known) {
    if (!signedOff) continue
    const mine = (await runAt(id))?.signedOff
    const fault = await faultOfSigned(signedOff)
    if (fault !== null) {
      conflicts.push(
        `The run of ${shownTime(startedAt)}: the archive’s sign-off by ${signedOff.by} is left out. ${fault}`,
      )
      continue
    }
    if (!mine)
      conflicts.push(
        `The run of ${shownTime(startedAt)} is not signed here; by the archive ${signedOff.by} signed it: ${WHOSE.archive}.`,
      )
    const isLater = !mine || Date.parse(signedOff.at) > Date.parse(mine.at)
    if (mine && (mine.by !== signedOff.by || mine.at !== signedOff.at))
      conflicts.push(
        `The run of ${shownTime(startedAt)} was signed by ${mine.by} and by ${signedOff.by}: ${WHOSE[isLater ? 'archive' : 'mine']}, the later one.`,
      )
    if (isLater) taken.set(id, signedOff)
  }
  return taken
}

/** What was set for the site: drafts, defaults, requirements, templates, what was said of held copies. */
async function takeSettings(
  manifest: ProjectManifest,
  files: BuildFiles,
  prefer: Prefer,
  choices: Choices,
  conflicts: string[],
): Promise<number> {
  const { site } = manifest
  // Defaults and templates say nothing of when they were made: together, what is here stays.
  const isMine = prefer !== 'archive'
  const staysOf = (id: string): Side => ownEntry(choices, id) ?? (isMine ? 'mine' : 'archive')
  const drafts = await takeDrafts(manifest, prefer, choices, conflicts)
  await takeRequirements(manifest, prefer, choices, conflicts)
  await takeFocuses(manifest, prefer)
  const { defaults, templates } = manifest
  const ownDefaults = await ownDefaultsOf(site)
  const ofDefaults = staysOf(differenceId.defaults())
  if (defaults && ownDefaults && !areAlike(ownDefaults, defaults))
    conflicts.push(`Both have defaults of the site: ${WHOSE[ofDefaults]}.`)
  if (defaults && !(ownDefaults && ofDefaults === 'mine')) await keepDefaults(site, defaults)
  if (templates) {
    const sections = new Map(Object.entries(await templatesOf(site)))
    for (const [section, template] of Object.entries(templates)) {
      const own = sections.get(section)
      const stays = staysOf(differenceId.template(section))
      if (own && !areAlike(own, template))
        conflicts.push(`Both have a picture template of ${section}: ${WHOSE[stays]}.`)
      if (!own || stays === 'archive') sections.set(section, template)
    }
    await keepTemplates(site, Object.fromEntries(sections))
  }
  for (const { name, file, type } of manifest.files) {
    if (isMine && (await hasTemplateFile(site, name))) continue
    const blob = new Blob([(await files.read(file, limits.zipFileBytes)).body as Uint8Array<ArrayBuffer>], { type })
    await keepTemplateFile(site, name, blob)
  }
  const said = new Set((await heldEventsOf(site)).map(({ event }) => JSON.stringify(event)))
  await keepHeldEvents(
    site,
    manifest.held.filter((event) => !said.has(JSON.stringify(event))),
  )
  return drafts
}

/** Pictures, for this site alone. A whole one has to be of the hash that it stands under; a small copy can't be. */
async function takePictures(manifest: ProjectManifest, files: BuildFiles, conflicts: string[]): Promise<void> {
  let others = 0
  for (const { key: named, file, type, kind } of manifest.pictures) {
    const key = archivedKey(manifest.site, named)
    if (await (kind === 'small' ? hasThumb(key) : hasOriginal(key))) continue
    const bytes = (await files.read(file, limits.imageBytes)).body as Uint8Array<ArrayBuffer>
    const isOther = kind === 'whole' && named.startsWith('sha256:') && (await digestOf(bytes)) !== named
    if (isOther) others++
    else await (kind === 'small' ? keepThumb : keepOriginal)(key, new Blob([bytes], { type }))
  }
  if (others > 0)
    conflicts.push(
      `${plural(others, 'image')} of the archive ${others === 1 ? 'is' : 'are'} not what ${others === 1 ? 'its' : 'their'} digest says: left out.`,
    )
}

async function takePages(manifest: ProjectManifest, files: BuildFiles, holder: string): Promise<void> {
  for (let index = 0; index < (manifest.pages[holder] ?? 0); index++) {
    const pages = await readJson(files, pagesFile(holder, index), PagesFile)
    await keepPages(holder, pages)
  }
}

/** Why a sign-off of an archive is none; null where nothing speaks against it. */
async function faultOfSigned({ by, at, content }: NonNullable<StoredRun['signedOff']>): Promise<string | null> {
  if (!content) return null
  if (content.by !== by || content.at !== at) return 'It names another signer than the run.'
  const fault = await faultOfSignOff(content, digestOf)
  if (fault !== null) return fault
  const { kind } = await signatureState(content, null, verifySignature)
  return kind === 'broken' ? 'Its signature is not of what it says.' : null
}

async function takeRun(entry: ProjectManifest['runs'][number], files: BuildFiles): Promise<void> {
  const { order, images } = await readJson(files, runFile(entry.id), RunFile)
  const { request, signedOff, ...others } = entry
  const isSigned = signedOff && (await faultOfSigned(signedOff)) === null
  const rest = isSigned ? { ...others, signedOff } : others
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
  await keepImages(
    images.map(({ made, ...image }: GatheredImage & { made?: true | undefined }) => ({
      run: run.id,
      url: image.url,
      image: { ...image, served: null, keptFor: run.source.site },
      ...(made && { made }),
    })),
  )
  const { gathering } = await gatheringOf(run, order)
  await keepJudged(run, gathering)
}

/** Conflicts that are told one by one. */
const CONFLICTS_TOLD = 100

const told = (conflicts: readonly string[]): string[] => {
  const more = conflicts.length - CONFLICTS_TOLD
  return more > 0 ? [...conflicts.slice(0, CONFLICTS_TOLD), `And ${more} more.`] : [...conflicts]
}

/**
 * Takes a project archive into this browser. Runs that are here already are left alone; what was judged is judged again,
 * by the requirements that hold afterwards. If it fails, no run of it stays.
 *
 * @param choices which side stays, by `ProjectDifference.id`; what isn't chosen goes by `prefer`
 */
export async function openProject(archive: Blob, prefer: Prefer, choices: Choices = {}): Promise<OpenedProject> {
  const files = await openArchive(archive)
  const conflicts: string[] = []
  const manifest = withoutFuture(await readManifest(files), Date.now(), conflicts)
  const here = await allRuns()
  const known = new Set(here.map(({ id }) => id))
  const fresh = manifest.runs.filter(({ id, source }) => !known.has(id) && source.site === manifest.site)
  // Pages that no run has are left of an opening that was broken off: they are written again.
  const held = new Set(here.flatMap(({ id, base }) => [id, ...(base ? [base] : [])]))
  const holders = [...new Set(fresh.flatMap(({ id, base }) => [id, ...(base ? [base] : [])]))].filter(
    (holder) => !held.has(holder),
  )
  try {
    for (const holder of holders) await takePages(manifest, files, holder)
    await takePictures(manifest, files, conflicts)
    const drafts = await takeSettings(manifest, files, prefer, choices, conflicts)
    for (const entry of fresh) await takeRun(entry, files)
    const signOffs = await signOffsToTake(
      manifest.runs.filter(({ id, source }) => known.has(id) && source.site === manifest.site),
      conflicts,
    )
    for (const [id, signedOff] of signOffs) await changeRun(id, { signedOff })
    const { site } = manifest
    return { site, runs: fresh.length, known: manifest.runs.length - fresh.length, drafts, conflicts: told(conflicts) }
  } catch (error) {
    for (const id of new Set([...holders, ...fresh.map((run) => run.id)])) await deleteRun(id).catch(() => undefined)
    throw error
  }
}

/** What opening an archive would change here, before it does. */
export type ProjectPreview = {
  site: string
  savedAt: string
  /** There are drafts or settings of the site here already. */
  hasSomething: boolean
  differences: ProjectDifference[]
  /** What comes of it whatever is chosen, a sentence each. */
  brings: string[]
}

/** Looks into an archive, and changes nothing. @throws UserFacingError when it is none */
export async function previewProject(archive: Blob): Promise<ProjectPreview> {
  const files = await openArchive(archive)
  const left: string[] = []
  const manifest = withoutFuture(await readManifest(files), Date.now(), left)
  const { site, savedAt } = manifest
  const own = new Set((await draftsOf(site)).map(({ url }) => url))
  const here = new Set((await allRuns()).map(({ id }) => id))
  const runs = manifest.runs.filter(({ id, source }) => !here.has(id) && source.site === site).length
  const drafts = manifest.drafts.filter((draft) => draft.site === site && !own.has(draft.url)).length
  const brings: string[] = []
  if (runs > 0) brings.push(`${plural(runs, 'run')} that ${runs === 1 ? 'is' : 'are'} not here.`)
  if (drafts > 0)
    brings.push(
      `${plural(drafts, 'draft')} of ${drafts === 1 ? 'a page' : 'pages'} that ${drafts === 1 ? 'has' : 'have'} none here.`,
    )
  if (manifest.requirements) {
    const mine = await ownRequirementsOf(site)
    tellTakenAway(manifest.requirements, mine, brings)
  }
  await signOffsToTake(
    manifest.runs.filter(({ id, source }) => here.has(id) && source.site === site),
    brings,
  )
  return {
    site,
    savedAt,
    hasSomething: await hasSomethingOf(site),
    differences: await projectDifferences(manifest),
    brings: told([...brings, ...left]),
  }
}
