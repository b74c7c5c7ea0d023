import { findCauses } from '../cause'
import {
  type CheckContext,
  createCheckContext,
  type FindingWords,
  inWords,
  type PageVerdict,
  runChecks,
  subjectOf,
} from '../check'
import type { SignatureState, SignedOff } from '../document'
import type {
  Finding,
  GatheredImage,
  GatheredPage,
  Gathering,
  Level,
  LineOf,
  RunNote,
  SiteFinding,
  TakenOn,
} from '../model'
import { VERSION } from '../model'
import { noRequirements, type Requirements } from '../requirements'
import type { Card } from '../surface'
import { type Baseline, type BaselineCounts, sinceBaseline } from './baseline'

/** Pages that use each picture, by the picture's address. */
function usesOf(
  gathering: Gathering,
  picturesOf: (page: GatheredPage) => string[],
  declared: (page: GatheredPage) => string[],
): Map<string, string[]> {
  const uses = new Map<string, Set<string>>()
  for (const page of gathering.pages) {
    for (const url of [...declared(page), ...picturesOf(page)])
      uses.set(url, (uses.get(url) ?? new Set()).add(page.url))
  }
  return new Map([...uses].map(([url, pages]) => [url, [...pages].sort()]))
}

const byAddress = <T extends { url: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.url < b.url ? -1 : a.url > b.url ? 1 : 0))

function imageOf(image: GatheredImage, usedBy: string[]) {
  const { url, status, format, width, height, bytes, alpha, animated, hash, error } = image
  const { contentType, errorCode, colors, foundAt, look, validators } = image
  return {
    ...{ url, status, format, width, height, bytes, alpha, animated, hash, usedBy, error },
    // What a later run takes over with it.
    ...{ contentType, errorCode, colors, foundAt, look, validators },
  }
}

/** A finding in a document; beside a baseline it says whether that has it already. */
export type StatedFinding = FindingWords & {
  rule: string
  level: Level
  line: number | null
  column: number | null
  image?: string | undefined
  form?: true | undefined
  state?: 'new' | 'known'
}

/** What a run is held against and what is said with it, beside what was gathered. */
export type DocumentOptions = {
  /** Findings that an earlier run has already. */
  baseline?: Baseline | null
  signedOff?: SignedOff | null
  /** The run's own context, where some of it was judged before ({@link contextOfDocument}). */
  context?: CheckContext
  /** What is said of one page, where some of it is known. */
  check?: Parameters<typeof runChecks>[3]
  /** Lines of the requirements file, and its name. */
  requirementsFile?: { name: string; hash?: string; lineOf: LineOf } | null
}

/** A run that was held against a sign-off: whose, and in what it differs. */
export type HeldAgainst = {
  by: string
  at: string
  content: string
  differs: string[]
  /** What is known of the name; absent where it was held before signatures were. */
  signature?: SignatureState
}

/** A run as it is made is held against none. */
const NOT_HELD: {
  signOff?: HeldAgainst
  /** What a later run may take over, counted, and its digest: what was changed after it was written is refused. */
  reusable?: { pages: number; images: number; digest: string }
} = {}

/** A note about a requirement says where in the file it stands. */
function placedNote({ path, ...note }: RunNote, file: DocumentOptions['requirementsFile']): RunNote {
  const line = path && file ? file.lineOf(path) : null
  return line === null || !file ? note : { ...note, message: `${file.name}, line ${line}: ${note.message}` }
}

/** Findings of a page or the site in words, each with its state beside a baseline; `Extra` is what they carry beside. */
function stated<Extra extends object>(
  findings: readonly (Finding & Extra)[],
  isNew: ((finding: Finding & Extra) => boolean) | null | undefined,
): (StatedFinding & Extra)[] {
  return findings.map((finding) => {
    const { said: _said, data: _data, rule, level, ...rest } = finding
    const state = isNew ? { state: isNew(finding) ? ('new' as const) : ('known' as const) } : {}
    const about = 'pages' in finding ? { about: subjectOf(finding) } : {}
    return { rule, level, ...inWords(finding), ...rest, ...about, ...state } as StatedFinding & Extra
  })
}

/**
 * A page with all that is said of it. By itself, and not within the making of the document: its cards would hold on to
 * everything that is at hand there for as long as the document is.
 */
function pageInDocument(
  page: GatheredPage,
  { section, findings, skipped, waived }: PageVerdict,
  context: CheckContext,
  since: ReturnType<typeof sinceBaseline> | null,
  isUnseen: boolean,
) {
  const { url, file, fetch, facts, secondLooks } = page
  const isNew = since && ((finding: Finding) => since.isNewOn(url, finding))
  return {
    url,
    ...(file === null ? {} : { file }),
    section,
    fetch,
    facts,
    ...(secondLooks ? { secondLooks } : {}),
    ...(page.kept ? { kept: { ...page.kept, source: page.source } } : {}),
    // Made when somebody reads them: those of a large site are more than memory holds.
    get cards(): Record<string, Card> {
      return Object.fromEntries(context.allSurfaces.map((surface) => [surface.id, context.cardOf(page, surface)]))
    },
    findings: stated<object>(findings, isNew),
    skipped,
    // Its cards hang on something that was not seen.
    ...(isUnseen ? { unseen: true as const } : {}),
    ...(waived.length > 0 ? { waived: stated<{ waiver: TakenOn }>(waived, isNew) } : {}),
  }
}

/** What a document is judged by. Answers come in any order; a document of the same site has the same one each time. */
export const contextOfDocument = (given: Gathering, requirements: Requirements = noRequirements): CheckContext =>
  createCheckContext({ ...given, pages: byAddress(given.pages), images: byAddress(given.images) }, requirements)

/**
 * The run document: everything that was gathered, every card, every finding. The contract of the command line and of
 * files that are kept; read and written as it is described in docs/run-document.md.
 */
export function runDocument(
  given: Gathering,
  requirements: Requirements = noRequirements,
  today = given.startedAt.slice(0, 10),
  { baseline = null, signedOff = null, requirementsFile = null, check, ...known }: DocumentOptions = {},
) {
  const context = known.context ?? contextOfDocument(given, requirements)
  const { gathering } = context
  const verdict = runChecks(gathering, context, today, check)
  const picturesOf = (page: GatheredPage) =>
    context.allSurfaces.flatMap((surface) => context.pictureOf(page, surface).image.url ?? [])
  const verdictOf = new Map(verdict.pages.map((page) => [page.url, page]))
  const declared = (page: GatheredPage) =>
    page.facts ? context.declaredImages({ ...page, facts: page.facts }).map(({ url }) => url) : []
  const uses = usesOf(gathering, picturesOf, declared)
  const missing = gathering.survey?.missing ?? []
  const since = baseline && sinceBaseline(baseline, verdict.pages, verdict.findings, missing)
  const { incomplete, scope } = gathering
  return {
    format: 'nimble-parrot-run' as const,
    version: 1 as const,
    program: VERSION,
    source: gathering.source,
    startedAt: gathering.startedAt,
    finishedAt: gathering.finishedAt,
    complete: incomplete.length === 0,
    incomplete,
    scope,
    view: gathering.view,
    notes: [...gathering.notes, ...verdict.notes].map((note) => placedNote(note, requirementsFile)),
    // What is judged beside the pages: with it the whole can be judged again.
    robotsTxt: gathering.robotsTxt,
    ...(gathering.survey ? { survey: { ...gathering.survey, missing: undefined } } : {}),
    // No pages, and not counted as such.
    missing: missing.map(({ linkers, ...one }) => ({
      ...one,
      linkedFrom: [...new Set(linkers.first.map(({ page }) => page))],
      linkers,
    })),
    pages: gathering.pages.map((page) =>
      pageInDocument(page, verdictOf.get(page.url)!, context, since, verdict.unseenPages.has(page.url)),
    ),
    images: gathering.images
      .filter((image) => !image.iconOnly)
      .map((image) => imageOf(image, uses.get(image.url) ?? [])),
    icons: gathering.images.filter(({ iconOnly }) => iconOnly),
    findings: stated<{ pages: string[] }>(verdict.findings, since?.isNewAcross),
    ...(verdict.waived.length > 0
      ? { waived: stated<{ pages: string[]; waiver: TakenOn }>(verdict.waived, since?.isNewAcross) }
      : {}),
    causes: findCauses(context, verdict.pages, verdict.findings, verdict.waived),
    ...(since ? { baseline: baselineOf(since, context, verdict.pages, verdict.findings, verdict.waived) } : {}),
    summary: verdict.summary,
    // Which file said what the site must have.
    ...(requirementsFile?.hash ? { judgedBy: { file: requirementsFile.name, hash: requirementsFile.hash } } : {}),
    ...(signedOff ? { signedOff } : {}),
    // Places that are not ours: without them nobody could draw their cards.
    ...(requirements.ownSurfaces?.length ? { ownSurfaces: requirements.ownSurfaces } : {}),
    ...NOT_HELD,
  }
}

/** What is new since a baseline: counts, and the changes that clear it. */
function baselineOf(
  since: ReturnType<typeof sinceBaseline>,
  context: ReturnType<typeof createCheckContext>,
  pages: readonly PageVerdict[],
  site: readonly SiteFinding[],
  waived: readonly SiteFinding[],
): { of: string; new: BaselineCounts; known: BaselineCounts; causes: ReturnType<typeof findCauses> } {
  // What is known stays, and is nothing that an edit brings: to the edits it is as if somebody had taken it on.
  const waiver = { reason: 'known before', by: '' }
  const fresh = pages.map((page) => ({
    ...page,
    findings: page.findings.filter((finding) => since.isNewOn(page.url, finding)),
    waived: [
      ...page.waived,
      ...page.findings.flatMap((finding) => (since.isNewOn(page.url, finding) ? [] : [{ ...finding, waiver }])),
    ],
  }))
  const { of, new: isNew, known } = since
  return {
    of,
    new: isNew,
    known,
    causes: findCauses(context, fresh, site.filter(since.isNewAcross), [...waived, ...site]),
  }
}

export type RunDocument = ReturnType<typeof runDocument>
