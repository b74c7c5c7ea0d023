import { type CheckContext, checkOf, fillWords, fixAnywhere, inWords, type PageVerdict, type Verdict } from '../check'
import { metaHtml, saidBy, type TagEdits } from '../draft'
import { byLevel, type Finding, type Gathering, LEVELS, type Level, type SiteFinding } from '../model'
import { sectionName } from '../section'
import { isOfSite, needsFor } from '../tag'
import { addTo, escapeAttribute, escapeText, groupBy } from '../text'
import { basisOf } from './basis'
import type { Cause, Edit, EditPlace } from './cause'
import { listed, sentenceFor, wordsOfMany } from './cause-words'
import { tagEditsOf } from './change'
import { collect, type Standing } from './collect'
import { Desk } from './desk'
import { makePlans, tagOf } from './make-plans'
import { type PageChange, type Plan, pagesOf } from './plan'
import { needsOf, repairsOf } from './propose'
import { type Gone, Prover } from './prove'
import { Scopes } from './scope'
import { isToBeMade } from './stand-in'
import { DECISION } from './tally'

/** What a change needs that was not tried, since its page or the run has too many. */
const UNTRIED = 'a person: not tried, there are too many like it'

/** Lines shown as evidence. */
const EVIDENCE = 3

const worst = (levels: Iterable<Level>): Level => {
  const found = new Set(levels)
  return LEVELS.find((level) => found.has(level)) ?? 'note'
}

/** The finding that speaks for all: the gravest; of equals the one that stands most often. */
function mainOf(findings: readonly Finding[]): Finding {
  const counts = groupBy(findings, ({ rule }) => rule)
  return [...findings].sort((a, b) => byLevel(a, b) || counts.get(b.rule)!.length - counts.get(a.rule)!.length)[0]!
}

/** Counts what goes: a picture's finding once, and a finding of the site once, however many pages they stand on. */
function clearsOf(gone: readonly Gone[]): Cause['clears'] {
  const clears = { error: 0, warning: 0, note: 0 }
  const counted = new Set<string>()
  for (const { finding } of gone) {
    if (finding.image !== undefined && checkOf(finding.rule)?.scope === 'image') {
      const key = `${finding.rule} ${finding.image}`
      if (counted.has(key)) continue
      counted.add(key)
    }
    clears[finding.level]++
  }
  return clears
}

function tagFor(tag: string, value: string): string {
  if (tag === 'title') return `<title>${escapeText(value)}</title>`
  if (tag === 'canonical') return `<link rel="canonical" href="${escapeAttribute(value)}">`
  if (tag === 'html lang') return `<html lang="${escapeAttribute(value)}">`
  return metaHtml(tag, value)
}

/** Tags that would mend the first of the pages. */
function snippetFor(plan: Plan): string | null {
  const [own] = plan.changes.values()
  const tags = (own ?? []).flatMap(({ change, needs }) =>
    change.kind === 'say' && change.value !== null ? [tagFor(change.tag, needs === null ? change.value : '…')] : [],
  )
  return tags.length > 0 ? tags.join('\n') : null
}

/** A plan as it is told: where its edits are made, tag by tag. */
function editsOf(plan: Plan, context: CheckContext): Edit[] {
  const isOfAddresses = (side: string | null) => side?.endsWith('{rest}') ?? false
  return plan.edits.map(({ tag, rule: { from, to } }): Edit => {
    const isSetting = isOfSite(tag) || (isOfAddresses(from) && isOfAddresses(to))
    const where = plan.scope.where === 'layout' && plan.scope.trait === null && isSetting ? 'site' : plan.scope.where
    const basis = basesOf(plan, tag, context)
    return { where, tag, from, to, ...(basis === null ? {} : { basis }) }
  })
}

/** Pages that are asked what a value rests on: a template's rest on the same. */
const BASES_OF_PAGES = 20

/** What the values of a tag rest on, the commonest first. */
function basesOf(plan: Plan, tag: string, context: CheckContext): string | null {
  const found = new Map<string, number>()
  for (const changes of [...plan.changes.values()].slice(0, BASES_OF_PAGES)) {
    for (const { change, needs, page } of changes) {
      if (change.kind !== 'say' || change.tag !== tag || change.value === null || needs !== null) continue
      const basis = basisOf(tag, change.value, page, context)
      if (basis !== null) found.set(basis, (found.get(basis) ?? 0) + 1)
    }
  }
  const bases = [...found].sort(([, a], [, b]) => b - a).map(([basis]) => basis)
  return bases.length === 0 ? null : bases.join(', or ')
}

/** Tags that can't be written before the production URL is known, told together. */
function urlsMissing(causes: readonly Cause[]): string {
  const tags = causes.flatMap(({ rules }) => rules.map((rule) => checkOf(rule)?.lacks ?? checkOf(rule)?.label ?? rule))
  const { pages } = causes[0]!
  const names = [...new Set(tags)]
  const where = pages.length === 1 ? 'the page' : `${pages.length} pages`
  return `${listed(names)} ${names.length === 1 ? 'is' : 'are'} missing on ${where}. Give the production URL, and each can be written.`
}

const NONE: ReadonlySet<string> = new Set()

/** Pages on which another plan clears everything that this one would are not changed twice. */
function leaveOutNeedless(plan: Plan, gone: readonly Gone[], own: readonly Gone[]): void {
  const urlsOf = (list: readonly Gone[]) =>
    new Set(list.flatMap(({ url, finding }) => ('pages' in finding ? [url, ...finding.pages] : [url])))
  const needed = urlsOf(own)
  for (const url of urlsOf(gone)) if (!needed.has(url)) plan.changes.delete(url)
}

/** Edits of which no page is left: others write these tags, or a person. */
function leaveOutUnused(plan: Plan): void {
  if (plan.changes.size === 0) return
  const used = new Set([...plan.changes.values()].flat().map(({ change }) => `${change.kind} ${tagOf(change)}`))
  const left = plan.edits.filter(({ kind, tag }) => used.has(`${kind} ${tag}`))
  if (left.length > 0) plan.edits = left
}

/** The first of each that have one key. */
const uniqueBy = <T>(list: readonly T[], keyOf: (one: T) => string): T[] =>
  [...new Map([...list].reverse().map((one) => [keyOf(one), one])).values()].reverse()

/** Where a page shows it: the line that a finding points at, and what stands there. */
function evidenceOf(url: string, own: readonly PageChange[]): Cause['evidence'][number] {
  const pointed = own.flatMap(({ from, findings }) =>
    findings.flatMap(({ line }) => (line === null ? [] : [{ url, line, value: from }])),
  )
  return pointed.find(({ value }) => value !== null) ?? pointed[0] ?? { url, line: null, value: own[0]!.from }
}

class CauseFinder {
  private readonly ids = new Map<string, number>()
  private readonly scopes: Scopes
  private untried: ReadonlySet<Finding> = new Set()

  constructor(
    private readonly context: CheckContext,
    private readonly verdicts: readonly PageVerdict[],
    private readonly site: readonly SiteFinding[],
  ) {
    this.scopes = new Scopes(context)
  }

  private idFor(parts: readonly string[]): string {
    const id = parts.join(' ')
    const before = this.ids.get(id) ?? 0
    this.ids.set(id, before + 1)
    return before === 0 ? id : `${id} ${before + 1}`
  }

  private causeOf(plan: Plan, gone: readonly Gone[], hasNoHarm: boolean): Cause {
    const findings = gone.map(({ finding }) => finding)
    const main = mainOf(findings)
    const pages = pagesOf(plan)
    const edits = editsOf(plan, this.context)
    const sections = new Set(pages.map((url) => this.context.sections.get(url) ?? '/'))
    // What a change brings is mended along with it, and may take a person as well.
    const alongside = [...plan.changes.values()].flatMap((own) => own.flatMap((change) => change.needs ?? []))
    const all = [...new Set([...plan.needs, ...alongside])]
    const needs = all.length > 0 ? listed(all) : undefined
    const where: EditPlace =
      edits.length > 0 && edits.every((edit) => edit.where === 'site') ? 'site' : plan.scope.where
    const seen = [...plan.changes].slice(0, EVIDENCE)
    return {
      id: this.idFor([where, sections.size === 1 ? [...sections][0]! : '*', edits[0]!.tag, edits[0]!.from ?? 'absent']),
      where,
      rule: main.rule,
      rules: [...new Set(findings.map(({ rule }) => rule))].sort(),
      level: worst(findings.map(({ level }) => level)),
      change: sentenceFor(plan, pages, findings, main, this.context.addresses.site, this.faultyLike(plan, main)),
      section: sections.size === 1 ? [...sections][0]! : '*',
      pages,
      clears: clearsOf(gone),
      proved: needs === undefined && hasNoHarm,
      ...(needs === undefined ? {} : { needs }),
      edits,
      evidence:
        seen.length > 0
          ? seen.map(([url, own]) => evidenceOf(url, own))
          : plan.asked
              .slice(0, EVIDENCE)
              .map(({ url, finding }) => ({ url, line: finding.line, value: finding.image ?? null })),
      snippet: snippetFor(plan),
    }
  }

  /** Pages of the plan's sections, or of all, that have such a finding. */
  private faultyLike({ scope }: Plan, { rule }: Finding): number {
    const isHere = (section: string) => scope.where === 'layout' || scope.sections.includes(section)
    return this.verdicts.filter(
      ({ section, findings }) => isHere(section) && findings.some((finding) => finding.rule === rule),
    ).length
  }

  /** Questions that are one: what is to be decided once, on the same pages. */
  private joined(causes: readonly Cause[]): Cause[] {
    const isQuestion = ({ needs }: Cause) => needs === needsFor('canonical') || (needs?.startsWith(DECISION) ?? false)
    const keyOf = (cause: Cause) =>
      isQuestion(cause) ? `${cause.needs} ${[...cause.pages].sort().join(' ')}` : cause.id
    return [...groupBy([...causes], keyOf).values()].map((same) => {
      const sum = (level: Level) => same.reduce((count, { clears }) => count + clears[level], 0)
      return {
        ...same[0]!,
        rules: [...new Set(same.flatMap(({ rules }) => rules))].sort(),
        level: worst(same.map(({ level }) => level)),
        change: same.length > 1 && same[0]!.needs === needsFor('canonical') ? urlsMissing(same) : same[0]!.change,
        clears: { error: sum('error'), warning: sum('warning'), note: sum('note') },
      }
    })
  }

  /** What can't be tried here: one cause for each thing that people have to do, on all pages where it stands. */
  private needed(standings: readonly Standing[], site: readonly SiteFinding[]): Cause[] {
    const missing = this.missingTagOf(standings)
    const groups = groupBy(standings, ({ url, finding }) => {
      // A tag that is missing is one thing to write, whatever else its absence brings.
      const tag = missing(url, finding)
      if (tag !== null) return `missing ${tag}`
      // What is mended in one place of the site is one thing to do, whichever images it is about.
      const isOfPicture = checkOf(finding.rule)?.scope === 'image' && needsOf(finding)[0]?.where === 'page'
      return `${finding.rule} ${isOfPicture ? finding.image : ''}`
    })
    const ofPages = [...groups.values()].map((group) => {
      const finding = mainOf(group.map((one) => one.finding))
      const pages = [...new Set(group.map(({ url }) => url))]
      const said = wordsOfMany(
        group.flatMap((one) => (one.finding.rule === finding.rule ? [one.finding] : [])),
        `${pages.length} pages${this.sectionWords(group)}`,
        pages,
        this.context.addresses.site,
      )
      return this.neededCause(
        finding,
        pages,
        group.map(({ url, finding: one }) => ({ url, finding: one })),
        `${said} ${pages.length === 1 ? inWords(finding).fix : fixAnywhere(finding)}`,
        group.map((one) => one.finding.rule),
      )
    })
    const ofSite = [...groupBy(site, ({ rule, said }) => `${rule} ${said}`).values()].map((group) => {
      const [finding] = group
      const pages = [...new Set(group.flatMap((one) => one.pages))]
      const gone = group.map((one) => ({ url: one.pages[0] ?? '', finding: one }))
      const words = inWords(finding!)
      const more = group.length > 1 ? ` And ${group.length - 1} more like it.` : ''
      return this.neededCause(finding!, pages, gone, `${words.message}${more} ${words.fix}`)
    })
    return this.joined([...ofPages, ...ofSite])
  }

  private sectionWords(group: readonly Standing[]): string {
    const sections = new Set(group.map(({ section }) => section))
    return sections.size === 1 ? ` of ${sectionName([...sections][0]!)}` : ''
  }

  /** The tag that a finding asks for, where its page has none and no check says what it should be. */
  private missingTagOf(standings: readonly Standing[]): (url: string, finding: Finding) => string | null {
    const urls = new Set(standings.map(({ url }) => url))
    const pages = new Map(this.context.readable.flatMap((page) => (urls.has(page.url) ? [[page.url, page.facts]] : [])))
    return (url, finding) => {
      const [repair] = repairsOf(finding)
      const facts = pages.get(url)
      if (repair?.do !== 'setTag' || repair.to !== undefined || !facts) return null
      const tag = fillWords(repair.tag, finding.data)
      return saidBy(facts, tag) === null ? tag : null
    }
  }

  private neededCause(
    finding: Finding,
    pages: string[],
    gone: Gone[],
    change: string,
    rules: readonly string[] = [finding.rule],
  ): Cause {
    const isUntried = gone.some((one) => this.untried.has(one.finding))
    const needs = needsOf(finding)
    const sections = new Set(pages.map((url) => this.context.sections.get(url) ?? '/'))
    const asked = needs[0]?.where ?? 'page'
    const isOfCause = new Set(pages)
    const read = this.context.readable.filter(({ url }) => isOfCause.has(url)).map((page) => ({ page }))
    const parts =
      asked === 'page' && read.length > 1 && read.length === pages.length ? this.scopes.part(read, NONE) : []
    const where = parts.length === 1 ? parts[0]!.scope.where : asked
    const section = sections.size === 1 ? [...sections][0]! : '*'
    return {
      id: this.idFor([where, section, finding.rule]),
      where,
      rule: finding.rule,
      rules: [...new Set(rules)].sort(),
      level: worst(gone.map((one) => one.finding.level)),
      change,
      section,
      pages,
      clears: clearsOf(gone),
      proved: false,
      needs: isUntried ? UNTRIED : needs.length > 0 ? listed([...new Set(needs.map((one) => one.needs))]) : 'a person',
      edits: [],
      evidence: uniqueBy(
        gone.map(({ url, finding: one }) => ({ url, line: one.line, value: one.image ?? null })),
        ({ url, line }) => `${url} ${line}`,
      ).slice(0, EVIDENCE),
      snippet: null,
    }
  }

  /** A page that a script is to fill lacks everything for that one reason. */
  private shells(standings: readonly Standing[]): Cause[] {
    return [...groupBy(standings, ({ section }) => section).values()].map((group) => {
      const shell = group.find(({ finding }) => checkOf(finding.rule)?.explainsAll)!
      const pages = [...new Set(group.map(({ url }) => url))]
      const gone = group.map(({ url, finding }) => ({ url, finding }))
      const words = inWords(shell.finding)
      const place = pages.length === 1 ? '' : `${pages.length} pages${this.sectionWords(group)}: `
      const cause = this.neededCause(shell.finding, pages, gone, `${place}${words.message} ${words.fix}`)
      return { ...cause, rules: [...new Set(group.map(({ finding }) => finding.rule))].sort() }
    })
  }

  /** Plans by themselves: what was collected for them takes as much room, and is needed no longer. */
  private planned(desk: Desk): { plans: Plan[]; shells: Standing[]; untried: ReadonlySet<Finding> } {
    const collected = collect(this.context, desk, this.verdicts, this.site)
    const numbers = new Map(this.context.pages.map(({ url }, index) => [url, index + 1]))
    const { shells, untried } = collected
    return { plans: makePlans(collected, this.scopes, numbers), shells, untried }
  }

  find(waived: readonly SiteFinding[]): { causes: Cause[]; plans: ReadonlyMap<string, Plan>; desk: Desk } {
    const { context, verdicts, site } = this
    const desk = new Desk(context)
    const { plans, shells, untried } = this.planned(desk)
    this.untried = untried
    const proofs = new Prover(context, desk, verdicts, [...site], plans).prove(waived)
    const claimed = new Set<Finding>(shells.map(({ finding }) => finding))
    const inOrder = [...plans].sort((a, b) => proofs.get(b)!.gone.length - proofs.get(a)!.gone.length)
    const planOf = new Map<string, Plan>()
    const causes: Cause[] = []
    for (const plan of inOrder) {
      const { gone, came } = proofs.get(plan)!
      const own = gone.filter(({ finding }) => !claimed.has(finding))
      if (own.length === 0) continue
      leaveOutNeedless(plan, gone, own)
      leaveOutUnused(plan)
      for (const { finding } of own) claimed.add(finding)
      const cause = this.causeOf(plan, own, came.length === 0)
      planOf.set(cause.id, plan)
      causes.push(cause)
    }
    const left = verdicts.flatMap(({ url, section, findings }) =>
      findings.flatMap((finding) => (claimed.has(finding) ? [] : [{ url, section, finding }])),
    )
    causes.push(
      ...this.shells(shells),
      ...this.needed(
        left,
        site.filter((finding) => !claimed.has(finding)),
      ),
    )
    return { causes: causes.sort(byWeight), plans: planOf, desk }
  }
}

/** What stands most in the way first. */
function byWeight(a: Cause, b: Cause): number {
  return (
    byLevel(a, b) || b.clears[a.level] - a.clears[b.level] || b.pages.length - a.pages.length || (a.id < b.id ? -1 : 1)
  )
}

/**
 * Findings by the change that a person would make, each tried on the run's own pages: every finding belongs to exactly
 * one cause. Linear in the pages; each is judged once more for each change that it has a part in, by those checks alone
 * that the change may concern.
 *
 * @param waived findings across pages that somebody has taken on: that they stay brings nothing
 */
export function findCauses(
  context: CheckContext,
  pages: readonly PageVerdict[],
  site: readonly SiteFinding[],
  waived: readonly SiteFinding[] = [],
): Cause[] {
  return new CauseFinder(context, pages, site).find(waived).causes
}

/** A run as it would be with some of its causes carried out. */
export type Tried = {
  context: CheckContext
  gathering: Gathering
  /** Addresses of the pages that are changed. */
  changed: ReadonlySet<string>
  /** What drafts may hold of it, by page: tags that are written, but for those that stand for what is still to be made. */
  edits: ReadonlyMap<string, TagEdits>
  /** Tags that say a placeholder for what is still to be made, by page. */
  placeholders: ReadonlyMap<string, readonly string[]>
}

/**
 * The run as it would be with some of its causes carried out; those that nothing can be tried for change nothing.
 *
 * @param ids of causes that `findCauses` found in the same verdict
 */
export function tryCauses(context: CheckContext, verdict: Verdict, ids: ReadonlySet<string>): Tried {
  const { pages, findings, waived } = verdict
  const { plans, desk } = new CauseFinder(context, pages, findings).find(waived)
  const chosen = [...plans].filter(([id]) => ids.has(id)).map(([, plan]) => plan)
  const after = new Prover(context, desk, pages, findings, chosen).after(chosen)
  const changes = new Map<string, PageChange[]>()
  for (const plan of chosen) for (const [url, own] of plan.changes) for (const one of own) addTo(changes, url, one)
  const edits = [...changes].map(([url, own]): [string, TagEdits] => [
    url,
    tagEditsOf(own.filter(({ needs }) => needs === null).map(({ change }) => change)),
  ])
  const named = new Set(after.readable.flatMap((page) => after.declaredImages(page).map(({ url }) => url)))
  const images = [...after.images.values()].filter(({ url }) => !isToBeMade(url) || named.has(url))
  return {
    context: after,
    gathering: { ...after.gathering, images },
    changed: new Set(changes.keys()),
    edits: new Map(edits),
    placeholders: placeholdersOf(changes, chosen),
  }
}

/** Tags that wait for a person, by page; of images that are to be made again, the image. */
function placeholdersOf(
  changes: ReadonlyMap<string, readonly PageChange[]>,
  plans: readonly Plan[],
): Map<string, string[]> {
  const found = new Map<string, string[]>()
  for (const [url, own] of changes)
    for (const { change, needs } of own) if (needs !== null && change.kind === 'say') addTo(found, url, change.tag)
  for (const { pictures, asked } of plans)
    if (pictures.length > 0) for (const url of new Set(asked.map((one) => one.url))) addTo(found, url, 'og:image')
  return new Map([...found].map(([url, tags]) => [url, [...new Set(tags)]]))
}
