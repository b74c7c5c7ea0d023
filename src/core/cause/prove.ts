import {
  type Check,
  type CheckContext,
  checkOf,
  checkPage,
  checkSite,
  checks,
  type PageVerdict,
  type Subject,
  together,
} from '../check'
import type { Finding, GatheredImage, GatheredPage, SiteFinding } from '../model'
import { addTo } from '../text'
import { type Change, changedPage, slotOf, subjectsOf } from './change'
import { addChange } from './collect'
import { derived } from './derived'
import type { Desk, ReadPage } from './desk'
import { Holders } from './holders'
import type { PageChange, Plan } from './plan'
import { proposalsFor } from './propose'
import { robotsWith } from './robots-with'
import { siteKeyOf, without } from './same-finding'
import { standInPicture } from './stand-in'
import { contextWith, hasOpenGraph, LayeredPictures, type Origins } from './tried-context'

/** A finding where it stands; a finding of the site stands at all of its pages. */
export type Gone = { url: string; finding: Finding | SiteFinding }

/** What really went and came when a plan was tried. */
export type Proof = { gone: Gone[]; came: Gone[] }

/** Times that what a change brings is mended along with it, before the change is given up. */
const ROUNDS = 3

/** Checks that a change may concern, and their ids. */
type ToAsk = { checks: readonly Check[]; ids: ReadonlySet<string> }

/** Checks whose answer may hang on these subjects; those of many tags always may. */
function checksFor(subjects: ReadonlySet<Subject>, known: Map<string, ToAsk>): ToAsk {
  const key = [...subjects].sort().join(' ')
  const found = known.get(key)
  if (found) return found
  const asked = checks.filter(
    ({ subject, alsoReads = [] }) =>
      subject === undefined || subjects.has(subject) || alsoReads.some((one) => subjects.has(one)),
  )
  const made = { checks: asked, ids: new Set(asked.map(({ id }) => id)) }
  known.set(key, made)
  return made
}

/** A page with changes, and what was said of it then. */
type TriedPage = {
  gone: Finding[]
  came: Finding[]
  changed: ReadPage
  changes: readonly Change[]
  /** All that was found by the checks that were asked. */
  after: readonly Finding[]
  asked: ReadonlySet<string>
}

/** Changes that are not among the others. */
function othersOf(changes: readonly Change[], known: readonly Change[]): readonly Change[] {
  if (known.length === 0) return changes
  const words = new Set(known.map((change) => JSON.stringify(change)))
  return changes.filter((change) => !words.has(JSON.stringify(change)))
}

export class Prover {
  private readonly verdicts: ReadonlyMap<string, PageVerdict>
  private readonly pages: ReadonlyMap<string, ReadPage>
  private readonly known = new Map<string, ToAsk>()
  private readonly origins: Origins = new WeakMap()
  /** Pages with changes: the run's own pictures, and those that are to be made for pages without. */
  private readonly asTagged: CheckContext
  /** The same with every picture replaced that some plan replaces. */
  private readonly asPictured: CheckContext

  constructor(
    private readonly context: CheckContext,
    private readonly desk: Desk,
    verdicts: readonly PageVerdict[],
    private readonly site: readonly SiteFinding[],
    private readonly plans: readonly Plan[],
  ) {
    this.verdicts = new Map(verdicts.map((verdict) => [verdict.url, verdict]))
    this.pages = new Map(context.readable.map((page) => [page.url, page]))
    this.asTagged = contextWith(context, this.toBeMade(), context.pages, null, this.origins)
    this.asPictured = contextWith(context, this.madeAnew(plans))
  }

  /** Pictures that are still to be made for pages without one. */
  private toBeMade(): Map<string, GatheredImage> {
    return new Map(this.desk.toBeMade.map((url) => [url, standInPicture(url)]))
  }

  /** Pictures that plans make: each is what any place shows whole. */
  private madeAnew(plans: readonly Plan[]): Map<string, GatheredImage> {
    const icon = new URL('/favicon.ico', this.context.addresses.site).href
    const made = plans.flatMap(({ pictures }) => pictures).map((url) => [url, standInPicture(url)] as const)
    const hasIcon = plans.some(({ hasNewIcon }) => hasNewIcon)
    const all = [...this.toBeMade(), ...made]
    return new Map(hasIcon ? [...all, [icon, { ...standInPicture(icon), iconOnly: true }]] : all)
  }

  /**
   * What goes and what comes on one page with these changes.
   *
   * @param last the page with some of these changes, where it was tried: what the others do not concern stays as it was
   */
  private tryPage(page: ReadPage, plan: Plan, last: TriedPage | null = null): TriedPage {
    const changes = (plan.changes.get(page.url) ?? []).map(({ change }) => change)
    const changed = changedPage(page, changes) as ReadPage
    const makesPictures = plan.pictures.length > 0
    // A plan that makes pictures changes more than its tags say.
    const before = makesPictures ? null : last
    const from = before?.changed ?? page
    const subjects = new Set(othersOf(changes, before?.changes ?? []).flatMap(subjectsOf))
    if (changed !== from && hasOpenGraph(from)) this.origins.set(changed, { page: from, subjects })
    // With its first og: tag, whichever it is, a page gets a card that it had not.
    else for (const subject of ['picture', 'card'] as const) subjects.add(subject)
    if (makesPictures) for (const subject of ['picture', 'card'] as const) subjects.add(subject)
    const toAsk = checksFor(subjects, this.known)
    const context = makesPictures ? this.asPictured : this.asTagged
    const kept = before?.after.filter(({ rule }) => !toAsk.ids.has(rule)) ?? []
    const made = checkPage(changed, context, toAsk.checks)
    const after =
      kept.length === 0 ? made.findings : together(changed, [{ findings: kept, skipped: [] }, made]).findings
    const asked = before ? new Set([...before.asked, ...toAsk.ids]) : toAsk.ids
    const { findings, waived } = this.verdicts.get(page.url)!
    const had = findings.filter(({ rule }) => asked.has(rule))
    const isOfPlan = ({ image }: Finding) => !makesPictures || image === undefined || plan.pictures.includes(image)
    return {
      gone: without(had, after).filter(isOfPlan),
      came: without(after, [...had, ...waived]).filter(isOfPlan),
      changed,
      changes,
      after,
      asked,
    }
  }

  /** Mends along what a change would bring. @returns whether anything is changed by that */
  private mendAlong(plan: Plan, changed: ReadPage, came: readonly Finding[]): boolean {
    const own = plan.changes.get(changed.url) ?? []
    const page = this.pages.get(changed.url)!
    const section = this.context.sections.get(page.url) ?? '/'
    const slots = new Map(own.map((one) => [slotOf(one.change), one]))
    const before = slots.size
    const values = new Map([...slots].map(([slot, one]) => [slot, JSON.stringify(one.change)]))
    for (const finding of came) {
      for (const proposal of proposalsFor(finding, changed, this.desk)) {
        if (proposal.kind !== 'change') continue
        const { change, needs } = proposal
        // What takes a person is no part of a change that writes many pages by itself: such a page is left to that person.
        if (needs !== null && plan.needs.length === 0 && plan.changes.size > 1) continue
        const next: PageChange = {
          page,
          section,
          change,
          from: change.kind === 'say' ? this.desk.now(change.tag, page) : proposal.from,
          needs,
          // What comes of a change is decided after it.
          strength: 4,
          emitter: null,
          job: null,
          findings: [],
        }
        addChange(slots, { ...next, findings: this.takeOver(plan, page.url, slotOf(change)) })
      }
    }
    const isOther =
      slots.size !== before || [...slots].some(([slot, one]) => values.get(slot) !== JSON.stringify(one.change))
    if (slots.size > 0) plan.changes.set(page.url, [...slots.values()])
    if (isOther) this.touched.add(plan)
    return isOther
  }

  private knownHolders: Holders | null = null
  /** Plans whose changes are others than when they were tried: what they clear is to be seen again. */
  private readonly touched = new Set<Plan>()

  /** Plans by the tags that they change: as they were when first asked for, and as tags were taken over since. */
  private get holders(): Holders {
    this.knownHolders ??= new Holders(this.plans)
    return this.knownHolders
  }

  /**
   * Takes a tag of a page over from the plan that has it: what one change brings belongs to it.
   * @returns what asked for the tag there
   */
  private takeOver(plan: Plan, url: string, slot: string): Finding[] {
    const holder = this.holders.get(url, slot)
    this.holders.set(url, slot, plan)
    if (!holder || holder === plan) return []
    const own = holder.changes.get(url) ?? []
    const left = own.filter(({ change }) => slotOf(change) !== slot)
    if (left.length > 0) holder.changes.set(url, left)
    else holder.changes.delete(url)
    this.touched.add(holder)
    return own.filter((one) => !left.includes(one)).flatMap(({ findings }) => findings)
  }

  /**
   * Where several plans hold the tags that a finding asks for, none of them makes it go alone: the tags of that page go to
   * the one plan that edits them all.
   */
  private holdTogether(proofs: ReadonlyMap<Plan, Proof>): void {
    const gone = new Set([...proofs.values()].flatMap((proof) => proof.gone.map(({ finding }) => finding)))
    for (const [url, { findings }] of this.verdicts) {
      const page = this.pages.get(url)
      if (!page) continue
      for (const finding of findings) {
        if (gone.has(finding)) continue
        const changes = proposalsFor(finding, page, this.desk).flatMap((one) =>
          one.kind === 'change' && one.change.kind === 'say' ? [one.change] : [],
        )
        const holders = new Set(changes.map((change) => this.holders.get(url, slotOf(change))))
        if (holders.size < 2 || holders.has(undefined)) continue
        const holdsAll = (plan: Plan) => changes.every(({ tag }) => plan.edits.some((edit) => edit.tag === tag))
        const one = [...holders].find((plan) => plan !== undefined && holdsAll(plan))
        if (one) for (const change of changes) this.handOver(one, url, slotOf(change))
      }
    }
  }

  /** Gives a plan the change of a tag that another plan has. */
  private handOver(plan: Plan, url: string, slot: string): void {
    const holder = this.holders.get(url, slot)
    const change = holder?.changes.get(url)?.find((one) => slotOf(one.change) === slot)
    if (!change || holder === plan) return
    this.takeOver(plan, url, slot)
    plan.changes.set(url, [...(plan.changes.get(url) ?? []), change])
    this.touched.add(plan)
  }

  /** Takes those tags of a page out of a plan of several that bring findings. @returns whether any other is left */
  private leaveTagsOut(plan: Plan, url: string, came: readonly Finding[]): boolean {
    const own = plan.changes.get(url) ?? []
    const without = (subjects: readonly (Subject | undefined)[]) =>
      own.filter(({ change }) => !subjectsOf(change).some((subject) => subjects.includes(subject)))
    const ofThem = without(came.map(({ rule }) => checkOf(rule)?.subject))
    // What a check looks at beside its own subject may be what brought it.
    const left =
      ofThem.length < own.length ? ofThem : without(came.flatMap(({ rule }) => checkOf(rule)?.alsoReads ?? []))
    if (plan.pictures.length > 0 || left.length === 0 || left.length === own.length) return false
    plan.changes.set(url, left)
    return true
  }

  /** Tries a plan page by page; pages on which it would bring a finding are left out of it. */
  private tryPlan(plan: Plan): Proof {
    const gone: Gone[] = []
    const came: Gone[] = []
    const urls = plan.pictures.length > 0 ? [...new Set(plan.asked.map(({ url }) => url))] : [...plan.changes.keys()]
    for (const url of urls) {
      const page = this.pages.get(url)
      if (!page) continue
      let tried = this.tryPage(page, plan)
      for (let round = 0; round < ROUNDS && tried.came.length > 0; round++) {
        if (!this.mendAlong(plan, tried.changed, tried.came)) break
        tried = this.tryPage(page, plan, tried)
      }
      for (let round = 0; round < ROUNDS && tried.came.length > 0; round++) {
        if (!this.leaveTagsOut(plan, url, tried.came)) break
        tried = this.tryPage(page, plan)
      }
      if (tried.came.length > 0) {
        for (const finding of tried.came) came.push({ url, finding })
        if (plan.pictures.length === 0) {
          plan.changes.delete(url)
          continue
        }
      }
      for (const finding of tried.gone) gone.push({ url, finding })
    }
    // What it mended along itself was tried.
    this.touched.delete(plan)
    return { gone, came: plan.pictures.length > 0 ? came : [] }
  }

  /** Mends along what plans bring across pages. @returns whether anything was changed */
  private mendSiteAlong(finding: SiteFinding): boolean {
    const holder = this.holderOf(finding)
    if (!holder) return false
    const changed = finding.pages.map((url) => {
      const page = this.pages.get(url)
      if (!page) return false
      const now = changedPage(
        page,
        (holder.changes.get(url) ?? []).map(({ change }) => change),
      ) as ReadPage
      return this.mendAlong(holder, now, [finding])
    })
    return changed.some(Boolean)
  }

  /**
   * Takes pages that would all say the same out of the plan that would write it: a person has to tell them apart. Other
   * findings across pages only come to light by an edit.
   *
   * @returns whether any page was taken out
   */
  private leaveOut(finding: SiteFinding): boolean {
    const subject = checkOf(finding.rule)?.subject
    if (subject !== 'title' && subject !== 'description') return false
    const holder = this.holderOf(finding)
    if (!holder || holder.needs.length > 0 || holder.pictures.length > 0) return false
    const isOther = finding.pages.map((url) => holder.changes.delete(url)).some(Boolean)
    if (isOther) this.touched.add(holder)
    return isOther
  }

  private tryCrawlers(plan: Plan): Proof {
    const context = contextWith(
      this.context,
      new Map(),
      this.context.pages,
      robotsWith(this.context.gathering.robotsTxt, plan.crawlers!),
    )
    const concerned = checksFor(new Set<Subject>(['access']), this.known).checks
    const toAsk = concerned.filter(({ subject }) => subject === 'access')
    const asked = new Set(toAsk.map(({ id }) => id))
    const proof: Proof = { gone: [], came: [] }
    for (const url of new Set(plan.asked.map((one) => one.url))) {
      const page = this.pages.get(url)
      if (!page) continue
      const { findings, waived } = this.verdicts.get(url)!
      const before = findings.filter(({ rule }) => asked.has(rule))
      const after = checkPage(page, context, toAsk).findings
      for (const finding of without(before, after)) proof.gone.push({ url, finding })
      for (const finding of without(after, [...before, ...waived])) proof.came.push({ url, finding })
    }
    return proof
  }

  /** The run with all of these plans carried out. */
  after(plans: readonly Plan[]): CheckContext {
    const replaced = this.madeAnew(plans)
    const made = new LayeredPictures(this.context.images, replaced)
    // A picture that is replaced may change any card.
    const hasMade = replaced.size > 0
    const origins: Origins = new WeakMap()
    const changes = new Map<string, PageChange[]>()
    for (const plan of plans) for (const [url, own] of plan.changes) for (const one of own) addTo(changes, url, one)
    const pages = this.context.pages.map((page) => {
      const own = changes.get(page.url)
      if (!own) return page
      const edited = changedPage(
        page,
        own.map(({ change }) => change),
      )
      const last = this.sized(derived(edited, own, this.desk.siteNames), own, made)
      if (!hasMade && hasOpenGraph(page))
        origins.set(last, { page, subjects: new Set(own.flatMap(({ change }) => subjectsOf(change))) })
      return last
    })
    const tokens = plans.flatMap(({ crawlers }) => crawlers ?? [])
    return contextWith(
      this.context,
      replaced,
      pages,
      tokens.length > 0 ? robotsWith(this.context.gathering.robotsTxt, tokens.join(', ')) : null,
      origins,
    )
  }

  /** A size that is written from the picture's file is that of the picture which is there in the end. */
  private sized(
    page: GatheredPage,
    own: readonly PageChange[],
    images: ReadonlyMap<string, GatheredImage>,
  ): GatheredPage {
    const sides = own.flatMap(({ change }) =>
      change.kind === 'say' && change.value !== null && /^og:image:(?:width|height)$/.test(change.tag) ? [change] : [],
    )
    if (sides.length === 0 || !page.facts) return page
    const url = this.context.declaredImages({ ...page, facts: page.facts })[0]?.url
    const image = url === undefined ? undefined : images.get(url)
    if (!image?.width || !image.height) return page
    const values = { 'og:image:width': String(image.width), 'og:image:height': String(image.height) }
    return changedPage(
      page,
      sides.map((change) => ({ ...change, value: values[change.tag as keyof typeof values] })),
    )
  }

  /** Findings across pages that go and come when all plans are carried out, and the plans that they go by. */
  private trySite(proofs: Map<Plan, Proof>, waived: readonly SiteFinding[]): SiteFinding[] {
    const after = checkSite(this.after(this.plans))
    const left = new Set(after.map(siteKeyOf))
    const had = new Set([...this.site, ...waived].map(siteKeyOf))
    for (const finding of this.site) {
      if (left.has(siteKeyOf(finding))) continue
      const holder = this.holderOf(finding)
      if (holder) proofs.get(holder)!.gone.push({ url: finding.pages[0] ?? '', finding })
    }
    const harm = after.filter((one) => !had.has(siteKeyOf(one)))
    for (const finding of harm) {
      const holder = this.holderOf(finding)
      if (holder) proofs.get(holder)!.came.push({ url: finding.pages[0] ?? '', finding })
    }
    return harm
  }

  /** The plan that a finding across pages hangs on: of several, the one that alone makes it go. */
  private holderOf(finding: SiteFinding): Plan | null {
    const check = checkOf(finding.rule)
    const reads = new Set<Subject>([...(check?.subject ? [check.subject] : []), ...(check?.alsoReads ?? [])])
    const asked = this.plans.filter(
      (plan) => plan.hasNewIcon && plan.asked.some(({ finding: own }) => own.rule === finding.rule),
    )
    if (asked.length > 0) return asked[0]!
    const touching = this.plans.filter((plan) =>
      (finding.pages.length === 0 ? [...plan.changes.keys()] : finding.pages).some((url) =>
        plan.changes.get(url)?.some(({ change }) => subjectsOf(change).some((one) => reads.has(one))),
      ),
    )
    if (touching.length < 2) return touching[0] ?? null
    const key = siteKeyOf(finding)
    const alone = touching.find(
      (plan) => check !== undefined && !checkSite(this.after([plan]), [check]).some((one) => siteKeyOf(one) === key),
    )
    return alone ?? null
  }

  /** What each plan really clears, tried on the run's own pages. Plans lose the pages on which they would do harm. */
  prove(waived: readonly SiteFinding[]): Map<Plan, Proof> {
    const proofs = new Map<Plan, Proof>()
    for (const plan of this.plans)
      proofs.set(plan, plan.crawlers === null ? this.tryPlan(plan) : this.tryCrawlers(plan))
    this.holdTogether(proofs)
    // A plan that lost tags to others may lose some again when these are tried again: each tag is lost but once.
    for (let round = 0; round < ROUNDS && this.touched.size > 0; round++) {
      const again = [...this.touched]
      this.touched.clear()
      for (const plan of again) proofs.set(plan, this.tryPlan(plan))
    }
    let told = this.withSite(proofs, waived)
    // Each is mended: asking only until one is would leave the others.
    const mended = told.harm.filter((finding) => this.mendSiteAlong(finding))
    const isLeftOut = mended.length === 0 && told.harm.map((finding) => this.leaveOut(finding)).some(Boolean)
    if (mended.length === 0 && !isLeftOut) return told.proofs
    this.tryTouched(proofs)
    told = this.withSite(proofs, waived)
    if (!told.harm.map((finding) => this.leaveOut(finding)).some(Boolean)) return told.proofs
    this.tryTouched(proofs)
    return this.withSite(proofs, waived).proofs
  }

  /** Tries those plans again whose changes are others since: what the rest clears is known. */
  private tryTouched(proofs: Map<Plan, Proof>): void {
    const again = this.plans.filter((plan) => plan.crawlers === null && this.touched.has(plan))
    this.touched.clear()
    for (const plan of again) proofs.set(plan, this.tryPlan(plan))
  }

  /** What plans clear on pages, and across them when all are carried out; `harm` is what comes across them. */
  private withSite(ofPages: ReadonlyMap<Plan, Proof>, waived: readonly SiteFinding[]) {
    const proofs = new Map(
      [...ofPages].map(([plan, { gone, came }]): [Plan, Proof] => [plan, { gone: [...gone], came: [...came] }]),
    )
    const harm = this.trySite(proofs, waived)
    return { proofs, harm }
  }
}
