import type { Finding, GatheredPage, Skipped } from '../model'
import type { PageRule, Requirements } from '../requirements'
import { type CheckContext, createPartContext, type PartBasis } from './context'
import { judgeAlone, type SaidAlone } from './kept-verdicts'
import { checkOf } from './rules'
import { type Outcome, skippedAs } from './run-checks'
import { calledIn, callSite, type SiteCalled } from './site-names'

/** What another thread has to know of a run to judge single pages of it. */
export type PartOfRun = {
  basis: PartBasis
  requirements: Requirements
  called: SiteCalled
  /** Every rule that holds for some page: there are few. */
  rules: PageRule[]
}

/** Some pages, each with its section and the place of its rule. */
export type PagesToJudge = { pages: GatheredPage[]; sections: string[]; rules: number[] }

/** What single pages of a run are judged by, and what has to be said of each of its pages. */
export function partsOf(context: CheckContext): {
  part: PartOfRun
  toJudge: (pages: readonly GatheredPage[]) => PagesToJudge
} {
  const { source, view, robotsTxt, notes, images, startedAt } = context.gathering
  const places = new Map<PageRule, number>()
  const ruleOf = new Map<string, number>()
  for (const page of context.pages) {
    const rule = context.ruleFor(page)
    if (!places.has(rule)) places.set(rule, places.size)
    ruleOf.set(page.url, places.get(rule)!)
  }
  return {
    part: {
      basis: { source, view, robotsTxt, notes, images, startedAt },
      requirements: context.requirements,
      called: calledIn(context),
      rules: [...places.keys()],
    },
    toJudge: (pages) => ({
      // Where its links lead, and its text, no check asks.
      pages: pages.map(({ kept: _kept, ...page }) => ({ ...page, source: [] })),
      sections: pages.map(({ url }) => context.sections.get(url) ?? '/'),
      rules: pages.map(({ url }) => ruleOf.get(url)!),
    }),
  }
}

/** Judges pages where the rest of the run is not: each as {@link judgeAlone} does where it is. */
export function createPartJudge({ basis, requirements, called, rules }: PartOfRun): (of: PagesToJudge) => SaidAlone[] {
  const whole = createPartContext(basis, requirements)
  return ({ pages, sections, rules: places }) => {
    const ruleOf = new Map(pages.map(({ url }, index) => [url, rules[places[index]!]!]))
    const sectionOf = new Map(pages.map(({ url }, index) => [url, sections[index]!]))
    const context: CheckContext = { ...whole, sections: sectionOf, ruleFor: ({ url }) => ruleOf.get(url)! }
    callSite(context, called)
    return pages.map((page) => judgeAlone(page, context))
  }
}

/** Words that thousands of findings have in common: copies of them that came from elsewhere would each stay in memory. */
const common = new Map<string, string>()

function once(word: string): string {
  const known = common.get(word)
  if (known !== undefined) return known
  common.set(word, word)
  return word
}

const asOwn = (finding: Finding): Finding => ({
  ...finding,
  rule: checkOf(finding.rule)!.id,
  level: once(finding.level) as Finding['level'],
  said: once(finding.said),
})

const outcomeAsOwn = ({ findings, skipped }: Outcome): Outcome => ({
  findings: findings.map(asOwn),
  skipped: skipped.map(({ rule, reason }): Skipped => skippedAs(rule, reason)),
})

/** What was said in another thread, in words of this one. */
export const asSaidHere = ({ alone, byNames }: SaidAlone): SaidAlone => ({
  alone: outcomeAsOwn(alone),
  byNames: outcomeAsOwn(byNames),
})
