import type { GatheredPage } from '../model'
import type { PageRule, Shareable } from '../requirements'
import { withoutUnseenSigns } from '../text'
import type { CheckContext } from './context'
import type { Raised } from './define-check'
import { languageVersionsOf } from './language-versions'

/** Is it a fault when this page says what another says? Not where it is never shared, or may have it in common. */
export const mayBeCompared = (rule: PageRule, what: Shareable): boolean => !rule.isNotShared && !rule.mayShare.has(what)

/**
 * Groups pages that say the same to the eye; only groups of two and more. Pages that are one page in several languages
 * count as one: what was never translated is no duplicate.
 */
export function pagesThatShare(
  pages: Iterable<GatheredPage>,
  textOf: (page: GatheredPage) => string | null,
  context: CheckContext,
): Map<string, string[]> {
  const groups = new Map<string, { text: string; urls: string[] }>()
  for (const page of pages) {
    const text = textOf(page)
    const seen = text === null ? '' : withoutUnseenSigns(text)
    if (seen === '') continue
    const group = groups.get(seen)
    if (group) group.urls.push(page.url)
    else groups.set(seen, { text: text!, urls: [page.url] })
  }
  const shared = [...groups.values()].filter(({ urls }) => urls.length > 1 && !areVersions(urls, context))
  return new Map(shared.map(({ text, urls }) => [text, urls]))
}

/** Is every page a language version of the first? */
function areVersions(urls: readonly string[], context: CheckContext): boolean {
  const versions = languageVersionsOf(urls[0]!, context)
  return urls.every((url) => versions.has(url))
}

/** One finding a group. */
export function raiseShared(groups: Map<string, string[]>): (Raised & { pages: string[] })[] {
  return [...groups].map(([text, pages]) => ({ message: 'shared', pages, data: { text, count: pages.length } }))
}
