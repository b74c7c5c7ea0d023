import type { PageFacts } from '../model'
import { firstValue } from '../surface'

/** What may stand between a page's own name and what its template adds to the title. */
const IS_SEPARATED_BEFORE = /[|｜–—·•»«:-]\s*$/
const IS_SEPARATED_AFTER = /^\s*[|｜–—·•»«:-]/

/** Is the text called this, as a whole or beside what a template added? */
function isCalled(text: string, name: string): boolean {
  if (text === name) return true
  if (text.startsWith(name)) return IS_SEPARATED_AFTER.test(text.slice(name.length))
  return text.endsWith(name) && IS_SEPARATED_BEFORE.test(text.slice(0, text.length - name.length))
}

/**
 * What JSON-LD calls the page, where that repeats its title, a card's title or its heading; null where nothing does. What
 * the site is called is no page's name.
 */
export function repeatedName(facts: PageFacts): string | null {
  const ofSite = new Set([
    firstValue(facts, 'og:site_name'),
    ...facts.jsonLd.flatMap(({ siteNames = [] }) => siteNames),
  ])
  const texts = [facts.title, firstValue(facts, 'og:title'), firstValue(facts, 'twitter:title'), facts.h1]
  const names = facts.jsonLd.flatMap(({ names: found = [] }) => found)
  const isRepeated = (name: string) => texts.some((text) => text !== null && isCalled(text, name))
  return names.find((name) => !ofSite.has(name) && isRepeated(name)) ?? null
}
