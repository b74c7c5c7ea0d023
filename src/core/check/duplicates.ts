import type { GatheredPage } from '../model'
import type { PageRule, Shareable } from '../requirements'
import { addTo } from '../text'
import type { Raised } from './define-check'

/** Is it a fault when this page says what another says? Not where it is never shared, or may have it in common. */
export const mayBeCompared = (rule: PageRule, what: Shareable): boolean => !rule.isNotShared && !rule.mayShare.has(what)

/** Groups pages that say the same; only groups of two and more. */
export function pagesThatShare(
  pages: Iterable<GatheredPage>,
  textOf: (page: GatheredPage) => string | null,
): Map<string, string[]> {
  const groups = new Map<string, string[]>()
  for (const page of pages) {
    const text = textOf(page)
    if (text === null || text === '') continue
    addTo(groups, text, page.url)
  }
  for (const [text, urls] of groups) if (urls.length < 2) groups.delete(text)
  return groups
}

/** One finding a group. */
export function raiseShared(groups: Map<string, string[]>): (Raised & { pages: string[] })[] {
  return [...groups].map(([text, pages]) => ({ message: 'shared', pages, data: { text, count: pages.length } }))
}
