import { isOfSite, tagOf as knownTag } from '../tag'
import { groupBy } from '../text'
import type { Change } from './change'
import type { Collected, Standing } from './collect'
import type { PageChange, Plan, PlannedEdit, Scope } from './plan'
import { type EditRule, findRules } from './rule-of'
import type { Scopes } from './scope'

/** Changes of one tag that follow one rule, in one place. */
type Group = {
  tag: string
  kind: Change['kind']
  rule: EditRule
  scope: Scope
  members: PageChange[]
  job: string | null
}

/** What a change is of, whatever page it stands on. */
export function tagOf(change: Change): string {
  switch (change.kind) {
    case 'earlier':
      return 'head'
    case 'unlink':
      return 'link'
    case 'share':
      return 'share link'
    default:
      return change.tag
  }
}

/** A number for a set of pages: equal sets have equal ones. */
function keyOfPages(members: readonly PageChange[], numbers: ReadonlyMap<string, number>): string {
  let sum = 0
  let mixed = 0
  for (const { page } of members) {
    const number = numbers.get(page.url)!
    sum += number
    mixed = (mixed + Math.imul(number ^ (number >>> 7), 0x9e3779b1)) >>> 0
  }
  return `${members.length}:${sum}:${mixed}`
}

/** A rule of how addresses begin or end: one setting writes all tags that have it. */
const isOfAddresses = ({ from, to }: EditRule) =>
  (from?.endsWith('{rest}') ?? false) && (to?.endsWith('{rest}') ?? false)

/** Texts of people. */
const WRITTEN = /(?:^|:)(?:title|description|alt)$/

/** Width and height are written together, or not at all. */
const SIZES: ReadonlySet<string> = new Set(['og:image:width', 'og:image:height'])

/** Does a person write these in one go? What is left out or empty on the very same pages is one change of one template. */
function keyOf({ tag, kind, rule, scope, members, job }: Group, numbers: ReadonlyMap<string, number>): string {
  const pages = keyOfPages(members, numbers)
  const needs = members[0]!.needs ?? ''
  if (job !== null) return `job ${job}`
  // What waits for the same thing on the same pages is done with it.
  if (needs !== '') return `needs ${needs} ${pages}`
  if (kind === 'say' && SIZES.has(tag)) return `size ${rule.from === null} ${pages}`
  if (kind === 'attribute') return `attribute ${rule.from} ${pages}`
  if (kind === 'once') return `once ${members[0]!.emitter ?? ''} ${pages}`
  if (kind === 'say' && isOfAddresses(rule)) return `addresses ${rule.from} ${rule.to} ${scope.where}`
  if (kind === 'say' && (rule.from === null || rule.from === '')) return `lacks ${pages}`
  return `${kind} ${tag} ${rule.from} ${rule.to} ${scope.where} ${pages}`
}

const emptyPlan = (scope: Scope, asked: Plan['asked'] = []): Plan => ({
  scope,
  edits: [],
  changes: new Map(),
  pictures: [],
  crawlers: null,
  hasNewIcon: false,
  needs: [],
  emitter: null,
  asked,
})

const place = (where: Scope['where'], standings: readonly Standing[]): Scope => ({
  where,
  sections: [...new Set(standings.map(({ section }) => section))],
  trait: null,
  of: new Set(standings.map(({ url }) => url)).size,
})

const askedOf = (standings: readonly Standing[]) => standings.map(({ url, finding }) => ({ url, finding }))

/** One plan of groups that are made in one go. */
function planOf(groups: readonly Group[]): Plan {
  const [first] = groups
  const members = groups.flatMap((group) => group.members)
  const sections = [...new Set(groups.flatMap(({ scope }) => scope.sections))]
  const plan: Plan = {
    ...emptyPlan({ ...first!.scope, sections, of: Math.max(...groups.map(({ scope }) => scope.of)) }),
    // Seldom asked for, and of thousands of pages as large as all else of the plan.
    get asked() {
      return members.flatMap(({ page, findings }) => findings.map((finding) => ({ url: page.url, finding })))
    },
  }
  plan.changes = groupBy(members, ({ page }) => page.url)
  const edits = new Map(
    groups.map(({ tag, kind, rule }): [string, PlannedEdit] => [
      `${kind} ${tag} ${rule.from} ${rule.to}`,
      { tag, kind, rule },
    ]),
  )
  plan.edits = [...edits.values()]
  plan.needs = [...new Set(members.flatMap(({ needs }) => needs ?? []))]
  plan.emitter = members[0]!.emitter
  return plan
}

/** Groups of one tag: by the rules that its changes follow, and by where these are written. */
function groupsOf(tag: string, kind: Change['kind'], members: readonly PageChange[], scopes: Scopes): Group[] {
  const jobs = groupBy(
    members.filter(({ job }) => job !== null),
    ({ job }) => job!,
  )
  const ofJobs = [...jobs].map(([job, own]): Group => {
    const sections = [...new Set(own.map(({ section }) => section))]
    const scope: Scope = { where: 'page', sections, trait: null, of: own.length }
    return {
      tag,
      kind,
      rule: { from: own[0]!.from === null ? null : '{value}', to: '{needed}' },
      scope,
      members: own,
      job,
    }
  })
  const others = members.filter(({ job }) => job === null)
  const ruled = others.map((member) => ({
    page: member.page,
    from: member.from,
    needs: member.needs,
    term: member.term,
    to: member.change.kind === 'say' ? member.change.value : null,
    always: knownTag(tag)?.always,
    isSetting: isOfSite(tag),
    reason: [...new Set(member.findings.map(({ rule }) => rule))].sort().join(),
    member,
  }))
  const rules =
    kind === 'say'
      ? findRules(ruled).map(({ rule, changes }) => ({ rule, members: changes.map(({ member }) => member) }))
      : [
          ...groupBy(
            others,
            ({ from, change, emitter }) => `${from}\n${change.kind === 'rename' ? change.to : (emitter ?? '')}`,
          ).values(),
        ].map((own) => ({ rule: structural(own[0]!), members: own }))
  const all = new Set(members.map(({ page }) => page.url))
  const ofRules = rules.flatMap(({ rule, members: own }) => {
    const here = new Set(own.map(({ page }) => page.url))
    const elsewhere = new Set([...all].filter((url) => !here.has(url)))
    // Sentences are written page by page, whatever template shows them.
    const isWritten = own[0]!.needs !== null && WRITTEN.test(tag)
    const sections = [...new Set(own.map(({ section }) => section))]
    const parts = isWritten
      ? [{ scope: { where: 'page' as const, sections, trait: null, of: own.length }, members: own }]
      : scopes.part(own, elsewhere)
    return parts.map((part): Group => ({ tag, kind, rule, ...part, job: null }))
  })
  return [...ofJobs, ...ofRules]
}

/** The rule of a change that is not about what a tag says. */
function structural({ change, from }: PageChange): EditRule {
  switch (change.kind) {
    case 'attribute':
      return { from, to: from === 'name' ? 'property' : 'name' }
    case 'rename':
      return { from: change.tag, to: change.to }
    case 'once':
      return { from: 'twice', to: 'once' }
    case 'earlier':
      return { from: 'late, or outside of the head', to: 'at the top of the head' }
    case 'share':
      return { from: '{value}', to: '{page}' }
    default:
      return { from: '{value}', to: null }
  }
}

/** What is proposed, in the fewest plans that a person would carry out, each in one place. */
export function makePlans(collected: Collected, scopes: Scopes, numbers: ReadonlyMap<string, number>): Plan[] {
  const all = [...collected.changes.values()].flatMap((of) => [...of.values()])
  const byTag = groupBy(all, ({ change }) => `${change.kind} ${tagOf(change)}`)
  const groups = [...byTag.values()].flatMap((members) =>
    groupsOf(tagOf(members[0]!.change), members[0]!.change.kind, members, scopes),
  )
  const plans = [...groupBy(groups, (group) => keyOf(group, numbers)).values()].map(planOf)
  for (const [url, { needs, of }] of collected.pictures) {
    const plan = emptyPlan(place('picture', of), askedOf(of))
    plan.pictures = [url]
    plan.needs = needs
    plan.edits = [{ tag: 'picture', kind: 'say', rule: { from: url, to: '{needed}' } }]
    plans.push(plan)
  }
  for (const [tokens, of] of collected.crawlers) {
    const plan = emptyPlan(place('server', of), askedOf(of))
    plan.crawlers = tokens
    plan.edits = [{ tag: 'robots.txt', kind: 'say', rule: { from: 'Disallow', to: `User-agent: ${tokens}, Allow: /` } }]
    plans.push(plan)
  }
  if (collected.icon) {
    const { icon } = collected
    const asked = icon.pages.map((url) => ({ url, finding: icon }))
    const plan = emptyPlan({ where: 'site', sections: [], trait: null, of: icon.pages.length }, asked)
    plan.hasNewIcon = true
    plan.needs = ['a favicon.ico']
    plan.edits = [{ tag: '/favicon.ico', kind: 'say', rule: { from: null, to: '{needed}' } }]
    plans.push(plan)
  }
  return plans
}
