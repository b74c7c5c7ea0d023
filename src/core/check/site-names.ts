import type { GatheredPage, PageFacts } from '../model'
import { metaCandidates } from '../surface'
import type { CheckContext } from './context'
import { usualAffix, usualName } from './rules/identity-differs'

/**
 * What a site is called, as its pages say: the og:site_name that most give, else what most of their titles end or begin
 * with; null where they say nothing.
 */
export function nameOfSite(pages: readonly GatheredPage[]): string | null {
  const readable = pages.filter((page): page is GatheredPage & { facts: PageFacts } => page.facts !== null)
  return usualName({ readable })?.name ?? usualAffix({ readable })?.name ?? null
}

const known = new WeakMap<CheckContext, (string | null)[]>()

/** What the site is called as far as a page and the run say: og:site_name, the requirements, what most titles end or begin with. */
export function siteNames(
  { facts }: GatheredPage & { facts: PageFacts },
  context: CheckContext,
): readonly (string | null)[] {
  const ofRun = known.get(context) ?? [context.requirements.identity?.name ?? null, usualAffix(context)?.name ?? null]
  known.set(context, ofRun)
  return [metaCandidates(facts, 'og:site_name')[0]?.value ?? null, ...ofRun]
}
