import { limits, parseRobots, pathOf, rulesLeftOut } from '../address'
import {
  byLevel,
  type Finding,
  type GatheredPage,
  type Gathering,
  type Incomplete,
  type Level,
  type MissingUrl,
  type PageFacts,
  type RunNote,
  type SiteFinding,
  type Skipped,
  type Summary,
  type VerdictWord,
  type WaivedFinding,
} from '../model'
import { createWaivers, type LevelOrOff } from '../requirements'
import { groupBy, plural } from '../text'
import { type CheckContext, createCheckContext } from './context'
import type { Check, Family, PageCheck, Raised, SiteRaised, SkippedCheck } from './define-check'
import { idleRequirements } from './idle-requirements'
import { checks as allChecks } from './rules'
import { takenAway } from './taken-away'
import { toldUnseen, UNSEEN_RULE, type UnseenOnPages, unseenIn } from './unseen'

/** What was said of one page. */
export type PageVerdict = {
  url: string
  section: string
  findings: Finding[]
  skipped: Skipped[]
  waived: WaivedFinding[]
}

/** What was said of a run: each page, the site, and the sum. */
export type Verdict = {
  pages: PageVerdict[]
  findings: SiteFinding[]
  waived: (SiteFinding & WaivedFinding)[]
  summary: Summary
  /** Pages whose cards hang on something that was not seen. */
  unseenPages: ReadonlySet<string>
  /** What is to be known about the verdict itself: waivers that have ended, requirements that do nothing. */
  notes: RunNote[]
}

function findingOf(check: Check, raised: Raised): Finding {
  if (!check.messages[raised.message]) throw new Error(`Check ${check.id} has no message “${raised.message}”.`)
  return {
    rule: check.id,
    level: raised.level ?? check.level,
    said: raised.message,
    ...(raised.data === undefined ? {} : { data: raised.data }),
    line: raised.at?.line ?? null,
    column: raised.at?.column ?? null,
    ...(raised.image === undefined ? {} : { image: raised.image }),
    ...(raised.isForm ? { form: true as const } : {}),
  }
}

const isSkipped = (outcome: unknown[] | SkippedCheck): outcome is SkippedCheck => !Array.isArray(outcome)

export function isReadable(page: GatheredPage): page is GatheredPage & { facts: PageFacts } {
  return page.facts !== null
}

/** What is asked of a page's cards, and not of one that is never shared. Its title and its answer count all the same. */
const ABOUT_SHARING: ReadonlySet<Family> = new Set(['open-graph', 'image', 'rich-data'])
const isAboutSharing = ({ family, isAboutSharing: says }: Check) => says === true || ABOUT_SHARING.has(family)

/** A level that the requirements give goes before the check’s own. */
const withLevel = <T extends Finding>(finding: T, level: LevelOrOff | undefined): T =>
  level === undefined || level === 'off' ? finding : { ...finding, level }

/** What could not be checked is the same few things on thousands of pages: each is one object. */
const skippedOnce = new Map<string, Skipped>()

export function skippedAs(rule: string, reason: string): Skipped {
  const key = `${rule} ${reason}`
  const known = skippedOnce.get(key)
  if (known) return known
  const made = { rule, reason }
  skippedOnce.set(key, made)
  return made
}

/** Why the rest of a check's findings on a page is not listed. */
const MANY = `more-than-${limits.findingsOfCheck}-findings`

/** Checks that found more on a page than is listed: a trial can't tell which of them a change mends. */
export function boundedChecks(skipped: readonly Skipped[]): ReadonlySet<string> {
  const bounded = skipped.filter(({ reason }) => reason === MANY)
  return bounded.length === 0 ? NO_CHECKS : new Set(bounded.map(({ rule }) => rule))
}
const NO_CHECKS: ReadonlySet<string> = new Set()

/** What checks said of one page, in the order of the checks. */
export type Outcome = { findings: readonly Finding[]; skipped: readonly Skipped[] }
type NewOutcome = { findings: Finding[]; skipped: Skipped[] }

/** Checks of single pages, on one page. A page that could not be read is checked for access only. */
export function outcomeOf(page: GatheredPage, context: CheckContext, checks: readonly Check[]): NewOutcome {
  const findings: Finding[] = []
  const skipped: Skipped[] = []
  const rule = context.ruleFor(page)
  for (const check of checks) {
    if (check.scope === 'site' || rule.levels[check.id] === 'off' || (rule.isNotShared && isAboutSharing(check)))
      continue
    if (check.scope !== 'access' && !isReadable(page)) {
      skipped.push(skippedAs(check.id, 'page-not-read'))
      continue
    }
    const outcome = check.check(page as GatheredPage & { facts: PageFacts }, context)
    if (isSkipped(outcome)) skipped.push(skippedAs(check.id, outcome.skipped))
    else {
      const bounded = outcome.length > limits.findingsOfCheck
      if (bounded) skipped.push(skippedAs(check.id, MANY))
      for (const raised of bounded ? outcome.slice(0, limits.findingsOfCheck) : outcome)
        findings.push(withLevel(findingOf(check, raised), rule.levels[check.id]))
    }
  }
  return { findings, skipped }
}

/** What was said of one page by checks of single pages. */
export type PageSaid = Omit<PageVerdict, 'section' | 'waived'>

/** All checks that look at single pages, on one page. */
export function checkPage(page: GatheredPage, context: CheckContext, checks: readonly Check[] = allChecks): PageSaid {
  return saidOf(page, outcomeOf(page, context, checks))
}

const placeOfCheck = new Map(allChecks.map(({ id }, index) => [id, index]))
const inOrderOfChecks = (a: { rule: string }, b: { rule: string }) =>
  placeOfCheck.get(a.rule)! - placeOfCheck.get(b.rule)!

/** What some checks and others said of one page, as if all had been made in their order. */
export function together(page: GatheredPage, outcomes: readonly Outcome[]): PageSaid {
  return saidOf(page, {
    findings: outcomes.flatMap(({ findings }) => findings).sort(inOrderOfChecks),
    skipped: outcomes.flatMap(({ skipped }) => skipped).sort(inOrderOfChecks),
  })
}

const saidOf = ({ url }: GatheredPage, { findings, skipped }: NewOutcome): PageSaid => ({
  url,
  findings: sortFindings(findings),
  skipped,
})

/** Errors first, then by line. */
function sortFindings<T extends Finding>(findings: T[]): T[] {
  return findings.sort((a, b) => byLevel(a, b) || (a.line ?? 0) - (b.line ?? 0))
}

/** Checks across pages. @param missing URLs that something names and that are not there */
export function checkSite(
  context: CheckContext,
  checks: readonly Check[] = allChecks,
  missing: readonly MissingUrl[] = context.gathering.survey?.missing ?? [],
): SiteFinding[] {
  const findings = checks.flatMap((check): SiteFinding[] => {
    const level = context.requirements.levels?.[check.id]
    if (level === 'off') return []
    const outcome = check.scope === 'site' ? check.check(context) : raisedAcross(check, missing, context)
    return isSkipped(outcome)
      ? []
      : outcome.map((raised) => withLevel({ ...findingOf(check, raised), pages: raised.pages }, level))
  })
  return sortFindings(findings)
}

/** What a check of single pages says across them. */
function raisedAcross(check: PageCheck, missing: readonly MissingUrl[], context: CheckContext): SiteRaised[] {
  const ofMissing = check.scope === 'access' && missing.length > 0 ? (check.ofMissing?.(missing, context) ?? []) : []
  const across = 'acrossPages' in check ? (check.acrossPages?.(context) ?? []) : []
  return [...ofMissing, ...across]
}

/** What a finding across pages is about, whatever its pages and its counts are: by this two runs know it again. */
export const subjectOf = ({ image, data }: Pick<SiteFinding, 'image' | 'data'>): string =>
  [image, data?.['text'], data?.['section'], data?.['key']].filter((part) => part !== undefined).join(' ')

type Counted = Pick<Finding, 'rule' | 'level' | 'image'>

/** Counts every finding once: one about a picture once for all pages that use it. */
export function countFindings(
  pages: readonly { findings: readonly Counted[] }[],
  site: readonly Counted[],
): Record<Level, number> {
  const counts = { error: 0, warning: 0, note: 0 }
  const counted = new Set<string>()
  for (const finding of [...pages.flatMap((page) => page.findings), ...site]) {
    if (finding.image !== undefined && IMAGE_RULES.has(finding.rule)) {
      const key = `${finding.rule} ${finding.image}`
      if (counted.has(key)) continue
      counted.add(key)
    }
    counts[finding.level]++
  }
  return counts
}

/** Checks that are raised for what is missing as well. */
const ofMissing = allChecks.filter((check) => check.scope === 'access' && check.ofMissing !== undefined)

const IMAGE_RULES = new Set(allChecks.filter((check) => check.scope === 'image').map((check) => check.id))

/** Clear is only what was read whole and has no error. @param unseen things that decide cards and were not seen */
export function verdictOf(errors: number, incomplete: readonly Incomplete[], unseen = 0): VerdictWord {
  if (errors > 0) return 'not-clear'
  return incomplete.length > 0 || unseen > 0 ? 'not-known' : 'clear'
}

/**
 * The sum of a run.
 * @param site findings across pages
 * @param incomplete why not everything was read
 * @param waived findings that somebody has taken on
 */
export function summarize(
  pages: readonly Pick<PageVerdict, 'findings'>[],
  site: readonly Finding[],
  incomplete: readonly Incomplete[] = [],
  waived: Record<Level, number> = { error: 0, warning: 0, note: 0 },
  unseen: readonly UnseenOnPages[] = [],
  missing = 0,
): Summary {
  const counts = countFindings(pages, site)
  const verdict = verdictOf(counts.error, incomplete, unseen.length)
  return {
    pages: pages.length,
    ...counts,
    waived: waived.error + waived.warning + waived.note,
    ...(missing > 0 ? { missing } : {}),
    ...toldUnseen(unseen),
    clear: verdict === 'clear',
    verdict,
  }
}

/** What was not seen and somebody has taken on, as a finding of the check that would have told of it. */
const unseenFinding = ({ kind, url, reason }: UnseenOnPages): Finding => ({
  rule: UNSEEN_RULE[kind],
  level: 'error',
  said: 'unseen',
  data: { url, reason },
  line: null,
  column: null,
})

/** Says that robots.txt has more rules with a star than count. */
function robotsNotes({ gathering: { robotsTxt }, allSurfaces }: CheckContext): RunNote[] {
  if (robotsTxt === null) return []
  const robots = parseRobots(robotsTxt)
  const left = Math.max(...allSurfaces.map(({ token }) => (token ? rulesLeftOut(robots, token) : 0)), 0)
  const message = `robots.txt: ${plural(left, 'wildcard rule')} beyond the first ${limits.wildRobotsRules} for one crawler are ignored.`
  return left === 0 ? [] : [{ kind: 'bounded', message }]
}

/** Says what is not listed of pages on which a check found the same thing many times. */
function boundedNote(pages: readonly PageVerdict[]): RunNote {
  const names = [...new Set(pages.flatMap(({ skipped }) => [...boundedChecks(skipped)]))].sort()
  const where = `${plural(pages.length, 'page')} (first ${pathOf(pages[0]!.url)})`
  const message = `${names.join(', ')}: more than ${limits.findingsOfCheck} findings of one kind on ${where}; the first ${limits.findingsOfCheck} are listed.`
  return { kind: 'bounded', message }
}

/**
 * Every check on everything that was gathered. Pure: the same run on the same day gives the same verdict.
 *
 * @param check what is said of one page, where some of it is known already
 */
export function runChecks(
  gathering: Gathering,
  context: CheckContext = createCheckContext(gathering),
  today = gathering.startedAt.slice(0, 10),
  check: (page: GatheredPage, context: CheckContext) => PageSaid = checkPage,
): Verdict {
  const { waiverFor, ended, moved } = createWaivers(
    context.requirements.waivers ?? [],
    today,
    gathering.pages.map(({ url, facts }) => ({ path: pathOf(url).split('?')[0]!, title: facts?.title ?? null })),
    context.addresses.site,
  )
  const waiverOf = (finding: Pick<Finding, 'rule'>, urls: readonly string[]) => {
    const waiver = waiverFor(finding.rule, urls)
    return waiver && { reason: waiver.reason, by: waiver.by, ...(waiver.until ? { until: waiver.until } : {}) }
  }
  const pages = context.pages.map((page): PageVerdict => {
    const { findings: all, ...rest } = check(page, context)
    const findings: Finding[] = []
    const waived: WaivedFinding[] = []
    for (const finding of all) {
      const waiver = waiverOf(finding, [page.url])
      if (waiver) waived.push({ ...finding, waiver })
      else findings.push(finding)
    }
    return { ...rest, findings, waived, section: context.sections.get(page.url) ?? '/' }
  })
  const findings: SiteFinding[] = []
  const waived: Verdict['waived'] = []
  const missing = gathering.survey?.missing ?? []
  for (const finding of checkSite(context, allChecks, [])) {
    const waiver = waiverOf(finding, finding.pages)
    if (waiver) waived.push({ ...finding, waiver })
    else findings.push(finding)
  }
  // What is missing is taken on by its own URL, not by those of the pages that link to it.
  for (const check of ofMissing) {
    const of = groupBy(missing, ({ url }) => JSON.stringify(waiverOf({ rule: check.id }, [url]) ?? null))
    for (const [key, group] of of) {
      const found = checkSite(context, [check], group)
      const waiver = JSON.parse(key) as WaivedFinding['waiver'] | null
      if (waiver) waived.push(...found.map((finding) => ({ ...finding, waiver })))
      else findings.push(...found)
    }
  }
  sortFindings(findings)
  const unseen: UnseenOnPages[] = []
  for (const one of unseenIn(context)) {
    // Page by page: who takes an image on for one section has not taken it on for others.
    const by = groupBy(one.pages, (url) => JSON.stringify(waiverOf({ rule: UNSEEN_RULE[one.kind] }, [url]) ?? null))
    for (const [key, urls] of by) {
      const waiver = JSON.parse(key) as WaivedFinding['waiver'] | null
      if (waiver) waived.push({ ...unseenFinding(one), pages: urls, waiver })
      else unseen.push({ ...one, pages: urls })
    }
  }
  const movedNotes = moved.map(({ waiver: { rule, pages: path, by }, to }): RunNote => {
    const message = `The waiver of ${rule} by ${by} was written for ${path}, which is not there; it holds for ${to}, which has the same title.`
    return { kind: 'requirements', message }
  })
  const notes = ended.map(({ rule, until, by }): RunNote => {
    const message = `The waiver of ${rule} by ${by} ended on ${until}: its findings count again.`
    return { kind: 'waiver-ended', message }
  })
  const countedWaived = countFindings(
    pages.map((page) => ({ findings: page.waived })),
    waived,
  )
  const summary = summarize(pages, findings, gathering.incomplete, countedWaived, unseen, missing.length)
  const idle = idleRequirements(
    context,
    [...pages.flatMap((page) => page.waived), ...waived],
    moved.map(({ waiver }) => waiver),
  )
  const taken = takenAway(context, allChecks, isAboutSharing)
  const unseenPages = new Set(unseen.flatMap((one) => one.pages))
  const many = pages.filter(({ skipped }) => boundedChecks(skipped).size > 0)
  const boundedNotes = [...(many.length === 0 ? [] : [boundedNote(many)]), ...robotsNotes(context)]
  return {
    pages,
    findings,
    waived,
    summary,
    unseenPages,
    notes: [...notes, ...movedNotes, ...idle, ...taken, ...boundedNotes],
  }
}
