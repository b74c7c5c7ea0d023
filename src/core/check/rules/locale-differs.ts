import type { PageFacts } from '../../model'
import { defineCheck, type Raised } from '../define-check'
import { primaryLanguage, writtenLanguage } from '../language-versions'
import { textsOf } from '../page-texts'

/** A locale of the same language in the country where it is mostly spoken: `fr` → `fr_FR`. */
function exampleFor(...tags: (string | null)[]): string {
  for (const tag of tags) {
    try {
      const { language, region } = new Intl.Locale(tag?.replaceAll('_', '-') ?? '').maximize()
      if (region) return `${language}_${region}`
    } catch {
      // No language tag: the next one, or the form itself, shows what is meant.
    }
  }
  return 'en_GB'
}

/** Languages of the versions that a page names, but for its own. */
function otherVersions(facts: PageFacts): string[] {
  const own = primaryLanguage(facts)
  const named = facts.links.filter(({ rel, hreflang }) => hreflang && rel.split(' ').includes('alternate'))
  const languages = named.map(({ hreflang }) => hreflang!.toLowerCase().split(/[-_]/)[0]!)
  return [...new Set(languages)].filter((language) => language !== own && language !== 'x')
}

export const localeDiffers = defineCheck({
  id: 'locale-differs',
  label: 'locale differs',
  subject: 'language',
  alsoReads: ['description'],
  family: 'access',
  level: 'note',
  scope: 'page',
  looksAt: 'og:locale beside <html lang>, and where a page has versions in other languages.',
  why: 'Places choose the words around a card by it.',
  messages: {
    form: {
      says: 'og:locale says “{seen}”, which is not of the form language_TERRITORY.',
      fix: 'Write {example}; line {line}.',
      anywhere: 'Write {example}.',
      repair: { do: 'setTag', tag: 'og:locale', to: '{example}' },
    },
    differs: {
      says: 'og:locale is {seen}, <html lang> is “{lang}”, and the text is in that language.',
      fix: 'Change og:locale to {example}; line {line}.',
      anywhere: 'Change og:locale to {example}.',
      repair: { do: 'setTag', tag: 'og:locale', to: '{example}' },
    },
    asks: {
      says: 'og:locale is {seen}, <html lang> is “{lang}”.',
      fix: 'Either html lang is wrong, or og:locale on line {line} is: make the two agree.',
      anywhere: 'Either html lang is wrong, or og:locale is: make the two agree.',
      repair: { do: 'askPerson', needs: 'a decision: which language is the page in?' },
    },
    missing: {
      says: 'The page has versions in other languages ({others}), and no og:locale.',
      fix: 'Add <meta property="og:locale" content="{example}">.',
      repair: { do: 'setTag', tag: 'og:locale', to: '{example}' },
    },
  },
  check({ facts }) {
    const said = textsOf(facts, ['og:locale'])
    const own = primaryLanguage(facts)
    const others = said.length > 0 || own === '' ? [] : otherVersions(facts)
    if (others.length > 0) {
      const data = { others: others.join(', '), example: exampleFor(facts.language) }
      return [{ message: 'missing', data }]
    }
    return said.flatMap(({ text, at }): Raised[] => {
      const found = /^([a-z]{2,3})(?:_[A-Z][a-z]{3})?_(?:[A-Z]{2}|\d{3})$/.exec(text)
      const line = at?.line ?? 0
      const lang = (facts.language ?? '').split('-')[0]!.toLowerCase()
      if (!found)
        return [{ message: 'form', at, data: { seen: text, example: exampleFor(text, facts.language), line } }]
      if (lang === '' || lang === found[1]) return []
      const written = writtenLanguage(facts)
      // Where the text agrees with og:locale, html lang is wrong, and told as that.
      if (written === found[1]) return []
      const data = { seen: text, lang: facts.language!, example: exampleFor(facts.language), line }
      return [{ message: written === lang ? 'differs' : 'asks', at, data }]
    })
  },
})
