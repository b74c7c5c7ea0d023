import type { GatheredPage, PageFacts } from '../model'
import { metaCandidates } from '../surface'
import type { CheckContext } from './context'
import { usualAffix } from './rules/identity-differs'

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
