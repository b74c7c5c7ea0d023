import type { CheckContext } from './context'

/** Pages from which on a starter's word that they share is the template's. */
const SEVERAL = 3

const beginnings = new WeakMap<CheckContext, Map<string, Set<string>>>()

/**
 * How many pages of that title begin their text differently, where they are several: a starter's word that they share is
 * the template's then. 0 where they are few.
 */
export function pagesOfTemplatesTitle(title: string | null, context: CheckContext): number {
  let byTitle = beginnings.get(context)
  if (!byTitle) {
    byTitle = new Map()
    for (const { facts } of context.readable) {
      if (facts.title === null || facts.firstParagraph === null) continue
      const texts = byTitle.get(facts.title) ?? new Set()
      byTitle.set(facts.title, texts.add(facts.firstParagraph))
    }
    beginnings.set(context, byTitle)
  }
  const count = byTitle.get(title ?? '')?.size ?? 0
  return count < SEVERAL ? 0 : count
}
