import { baseOf, resolveAddress } from '../address'
import type { GatheredPage, LinkFact, PageFacts } from '../model'
import { forLast, isBlank, languageOf } from '../text'
import type { CheckContext } from './context'
import { knownPage } from './known-page'

/** Links to the same page in other languages. */
export function alternatesOf(page: GatheredPage, context: CheckContext): { link: LinkFact; url: string }[] {
  return (page.facts?.links ?? []).flatMap((link) => {
    if (!link.hreflang || !link.rel.split(' ').includes('alternate')) return []
    const url = resolveAddress(link.href, baseOf(page.url, page.facts?.base ?? null))
    return url === null ? [] : [{ link, url: context.addresses.toPublic(url) }]
  })
}

/** No page has as many languages: a site that links all of its pages as versions of each other is not followed on. */
const MOST_VERSIONS = 300

/** URLs of a page's versions in other languages, its own among them, as it says itself or as one of them says. */
export function languageVersionsOf(url: string, context: CheckContext): ReadonlySet<string> {
  const versions = new Set([url])
  // What one version names, the others mostly do: going on from each finds pairs that name only one of them.
  for (const one of versions) {
    if (versions.size > MOST_VERSIONS) break
    const page = knownPage(one, context)
    if (page.kind !== 'page') continue
    for (const alternate of alternatesOf(page.page, context)) {
      const target = knownPage(alternate.url, context)
      if (target.kind === 'page') versions.add(target.page.url)
    }
  }
  return versions
}

const toldOfLast = forLast<{ language: string | null }>()

/**
 * The language that a page's description and first paragraph are written in; null where they can't tell, or differ. By
 * common words: a guess for whole sentences, never for a name.
 */
export function writtenLanguage(facts: PageFacts): string | null {
  return toldOfLast(facts, null, 'written', () => {
    const texts = [facts.description, facts.firstParagraph].filter((text) => !isBlank(text)) as string[]
    const [first, ...others] = [...new Set(texts)].map(languageOf)
    return { language: first !== undefined && others.every((one) => one === first) ? first : null }
  }).language
}

/** Languages that are told apart by their texts. A language that is none of them may look like one that is. */
const TOLD_APART = new Set('en de fr es it pt nl sv pl cs fi tr hu ja ko zh he ar el th hi ru uk'.split(' '))

/** The language of a page's text where it is another than html lang says; null where it is that, or can't be told. */
export function otherLanguage(facts: PageFacts): string | null {
  const said = primaryLanguage(facts)
  const written = TOLD_APART.has(said) ? writtenLanguage(facts) : null
  return written === null || written === said || !TOLD_APART.has(written) ? null : written
}

/** The language of a page: what its text is written in where html lang is blank or says another, else what that says. */
export const spokenLanguage = (facts: PageFacts): string =>
  primaryLanguage(facts) === '' ? (writtenLanguage(facts) ?? '') : (otherLanguage(facts) ?? primaryLanguage(facts))

/** The language of a page without its region, as it says itself: `de` of de-AT; '' where it says none. */
export const primaryLanguage = ({ language }: Pick<PageFacts, 'language'>): string =>
  language?.trim().toLowerCase().split(/[-_]/)[0] ?? ''
