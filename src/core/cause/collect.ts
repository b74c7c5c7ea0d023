import { limits } from '../address'
import { boundedChecks, type CheckContext, checkOf, type PageVerdict, type Repair } from '../check'
import type { Finding, SiteFinding } from '../model'
import { metasOf } from '../surface'
import { addTo } from '../text'
import { slotOf } from './change'
import type { Desk, ReadPage } from './desk'
import { emitterOf } from './emitter'
import type { PageChange } from './plan'
import { type Proposal, proposalsFor, repairsOf } from './propose'

/** A finding that no edit of a tag mends: at the page where it stands. */
export type Standing = { url: string; section: string; finding: Finding }

/** Everything that is proposed for a run, before it is put in order. */
export type Collected = {
  /** By page and by what they change: of each there is one, the final one. */
  changes: Map<string, Map<string, PageChange>>
  /** Findings of each picture that is to be made again, with what is needed. */
  pictures: Map<string, { needs: string[]; of: Standing[] }>
  crawlers: Map<string, Standing[]>
  icon: SiteFinding | null
  /** Pages that a script is to fill: they lack everything for that one reason. */
  shells: Standing[]
  /** Findings whose changes are not tried: a page or the run has more of them than there is time for. */
  untried: Set<Finding>
}

/** Who writes the second of a tag that stands twice. */
function emitterOfLast(page: ReadPage, tag: string): string | null {
  const last = metasOf(page.facts, tag).at(-1)
  return last ? emitterOf(page, last) : null
}

/** What a person writes is the last word; what a check knows goes before what the page says elsewhere. */
const STRENGTH = { written: 3, known: 2, said: 1 } as const

/** Does a person write the text? */
const isWritten = (repair: Repair): boolean => repair.do === 'rewriteText' || repair.do === 'varyText'

function strengthOf(finding: Finding): number {
  const repairs = repairsOf(finding)
  if (repairs.some((repair) => isWritten(repair) || repair.do === 'retitle')) return STRENGTH.written
  return repairs.some((repair) => repair.do === 'setTag' && repair.to !== undefined) ? STRENGTH.known : STRENGTH.said
}

/** Texts that people write are one job, whichever tags hold them. */
function jobOf(finding: Finding, needs: string | null): string | null {
  if (needs === null) return null
  const written = repairsOf(finding).some(isWritten)
  // Too long, shared by pages, a template's: each kind of fault is a job of its own.
  return written ? `${needs} ${finding.rule.replace(/^(?:title|description)-/, '')}` : null
}

/** Does the new change of a tag take the place of the one that is planned? */
function isStronger(planned: PageChange, next: PageChange): boolean {
  if (next.strength !== planned.strength) return next.strength > planned.strength
  // An address that is the page's own is the right one, whatever else would mend it.
  const says = (one: PageChange) => one.change.kind === 'say' && one.change.value === one.page.url
  return says(next) && !says(planned)
}

/** Puts a change to those of its page; two changes of one tag are one, with the final value. */
export function addChange(of: Map<string, PageChange>, next: PageChange): void {
  const slot = slotOf(next.change)
  const planned = of.get(slot)
  if (!planned) {
    of.set(slot, next)
    return
  }
  const findings = [...new Set([...planned.findings, ...next.findings])]
  of.set(slot, isStronger(planned, next) ? { ...next, findings } : { ...planned, findings })
}

/** A tag that another one becomes needs not be written beside it. */
function dropNeedless(of: Map<string, PageChange>): void {
  for (const { change } of [...of.values()]) {
    if (change.kind !== 'rename') continue
    const written = of.get(`say ${change.to}`)
    if (written && written.from === null) of.delete(`say ${change.to}`)
  }
}

class Collector {
  private readonly found: Collected = {
    changes: new Map(),
    pictures: new Map(),
    crawlers: new Map(),
    icon: null,
    shells: [],
    untried: new Set(),
  }
  private tagsTried = 0
  private readonly pages: ReadonlyMap<string, ReadPage>

  constructor(
    private readonly context: CheckContext,
    private readonly desk: Desk,
  ) {
    this.pages = new Map(context.readable.map((page) => [page.url, page]))
  }

  /** @param findings the standing's own, in a list that all of its proposals share */
  private take(proposal: Proposal, page: ReadPage, standing: Standing, findings: Finding[]): void {
    const { finding, section, url } = standing
    switch (proposal.kind) {
      case 'change': {
        const of = this.found.changes.get(url) ?? new Map<string, PageChange>()
        this.found.changes.set(url, of)
        const { change, from, needs, term } = proposal
        const strength = strengthOf(finding)
        addChange(of, {
          page,
          section,
          change,
          from,
          needs,
          term,
          emitter: change.kind === 'once' ? emitterOfLast(page, change.tag) : null,
          strength,
          job: jobOf(finding, needs),
          findings,
        })
        return
      }
      case 'picture': {
        const of = this.found.pictures.get(proposal.url) ?? { needs: [], of: [] }
        this.found.pictures.set(proposal.url, of)
        if (!of.needs.includes(proposal.needs)) of.needs.push(proposal.needs)
        of.of.push(standing)
        return
      }
      case 'crawlers':
        addTo(this.found.crawlers, proposal.tokens, standing)
        return
      default:
    }
  }

  private takeAll(page: ReadPage, standing: Standing): void {
    const findings = [standing.finding]
    for (const proposal of proposalsFor(standing.finding, page, this.desk))
      this.take(proposal, page, standing, findings)
  }

  private takePage({ url, section, findings, skipped }: PageVerdict): void {
    const page = this.pages.get(url)
    if (!page) return
    if (findings.some(({ rule }) => isOfShell(rule))) {
      this.found.shells.push(...findings.map((finding) => ({ url, section, finding })))
      return
    }
    const bounded = boundedChecks(skipped)
    for (const finding of findings) {
      if (bounded.has(finding.rule)) this.found.untried.add(finding)
      else this.takeAll(page, { url, section, finding })
    }
  }

  /** Leaves changes of a page untried beyond what a page and a run may cost: those of the first, gravest findings stay. */
  private bound(url: string, changes: Map<string, PageChange>): void {
    const { metas } = this.pages.get(url)!.facts
    let count = 0
    for (const [slot, { findings }] of changes) {
      this.tagsTried += metas.length + 1
      if (++count <= limits.changesTriedOfPage && this.tagsTried <= limits.tagsTriedOfRun) continue
      changes.delete(slot)
      for (const finding of findings) this.found.untried.add(finding)
    }
  }

  private takeSite(finding: SiteFinding): void {
    if (repairsOf(finding).some((repair) => repair.do === 'addFavicon')) {
      this.found.icon = finding
      return
    }
    for (const url of finding.pages) {
      const page = this.pages.get(url)
      if (!page) continue
      this.takeAll(page, { url, section: this.context.sections.get(url) ?? '/', finding })
    }
    this.joinJobs(finding)
  }

  /** Where one of the pages that share a text needs a person, the other's are written in the same go. */
  private joinJobs(finding: SiteFinding): void {
    const own = finding.pages.flatMap((url) =>
      [...(this.found.changes.get(url)?.values() ?? [])].filter((one) => one.findings.includes(finding)),
    )
    const needs = own.find((one) => one.job !== null)?.needs ?? null
    const job = jobOf(finding, needs)
    if (job) for (const one of own) one.job = job
  }

  collect(pages: readonly PageVerdict[], site: readonly SiteFinding[]): Collected {
    for (const verdict of pages) this.takePage(verdict)
    for (const finding of site) this.takeSite(finding)
    for (const of of this.found.changes.values()) dropNeedless(of)
    for (const [url, changes] of this.found.changes) this.bound(url, changes)
    return this.found
  }
}

/** Does a check say why the page lacks everything? */
const isOfShell = (rule: string) => checkOf(rule)?.explainsAll === true

export function collect(
  context: CheckContext,
  desk: Desk,
  pages: readonly PageVerdict[],
  site: readonly SiteFinding[],
): Collected {
  return new Collector(context, desk).collect(pages, site)
}
