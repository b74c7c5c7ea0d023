import { pathOf } from '../../address'
import type { PageFacts, Position } from '../../model'
import { firstValue } from '../../surface'
import { collapseWhiteSpace, groupBy, isBlank } from '../../text'
import { defineCheck, type Raised } from '../define-check'
import { AND } from '../own-addresses'
import { ownPart } from '../own-part'
import { generatorOf, type StarterTitle, starterTitleIn, titleParts, unresolvedIn } from '../placeholder'
import { siteNames } from '../site-names'
import { HOME_TITLES, PROVING_TITLES } from '../starter-texts'
import { pagesOfTemplatesTitle } from '../templates-title'

/** Tags that name a page or its site. */
const SITE_TAGS: ReadonlySet<string> = new Set(['og:site_name', 'application-name'])
const TITLE_TAGS = new Set(['og:title', 'twitter:title', ...SITE_TAGS])

const isHome = (url: string, site: string) => url === site || `${url}/` === site

export const titlePlaceholder = defineCheck({
  id: 'title-placeholder',
  label: 'template’s title',
  subject: 'title',
  alsoReads: ['site-name'],
  family: 'text',
  level: 'error',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'The page’s own part of title, og:title and twitter:title, and what the site is called.',
  why: 'A title that the template came with does not tell what the page is.',
  messages: {
    starter: {
      says: '{key} still says “{seen}”, as the template does.',
      fix: 'Write what this page is into {key}, line {line}.',
      anywhere: 'Write what this page is into {key}.',
      repair: { do: 'setTag', tag: '{key}' },
    },
    unresolved: {
      says: '“{seen}” in {key}: the template does not fill it in.',
      fix: 'Have the template fill in the title; line {line}.',
      anywhere: 'Have the template fill in the title.',
      repair: { do: 'askPerson', needs: 'a template that fills in the title' },
    },
    shared: {
      says: '{key}: “{seen}” on {count} different pages, as in a template.',
      fix: 'Say in {key}, line {line}, what this page is.',
      anywhere: 'Say in {key} what this page is.',
      repair: { do: 'setTag', tag: '{key}' },
    },
    doubt: {
      says: '{key} is only “{seen}”, and nothing on the page says what it is.',
      fix: 'Say in {key}, line {line}, what the page is, or give it a heading.',
      anywhere: 'Say in {key} what the page is, or give it a heading.',
      repair: { do: 'setTag', tag: '{key}' },
    },
    siteName: {
      says: '{key} has “{seen}” as the site’s name, as the template does.',
      fix: 'Put the site’s name there; line {line}.',
      anywhere: 'Put the site’s name there.',
      repair: { do: 'askPerson', needs: 'the name of the site' },
    },
    onlySite: {
      says: '{key} is only the site’s name, “{seen}”.',
      fix: 'Put what this page is in front of it; line {line}.',
      anywhere: 'Put what each page is in front of it.',
      repair: { do: 'setTag', tag: '{key}' },
    },
    dangling: {
      says: '{key} has nothing behind its separator: “{seen}”.',
      fix: 'Have the template write the site’s name there, or leave out the separator; line {line}.',
      anywhere: 'Have the template write the site’s name there, or leave out the separator.',
      repair: { do: 'setTag', tag: '{key}', to: '{plain}' },
    },
    generator: {
      says: '{key} has “{seen}” as the site’s name: that is what the site was made with.',
      fix: 'Put the site’s own name there; line {line}.',
      anywhere: 'Put the site’s own name there.',
      repair: { do: 'askPerson', needs: 'the name of the site' },
    },
  },
  check(page, context) {
    const { url, facts } = page
    const names = siteNames(page, context)
    const own =
      facts.title === null ? [] : [{ key: 'title', value: facts.title, at: facts.at.title as Position | null }]
    const tags = facts.metas
      .filter((meta) => TITLE_TAGS.has(meta.key))
      .map((meta) => ({ key: meta.key, value: meta.value ?? '', at: meta as Position | null }))
    const isAtHome = isHome(url, context.addresses.site)
    const partOf = (value: string) => {
      const part = ownPart(value, names)
      // Where no name of the site is known, what a template came with is looked for in front of the first separator.
      return part === value && names.every((name) => name === null) ? (titleParts(value)[0] ?? part) : part
    }
    const generator = generatorOf(facts)
    const isToolsOwn = generator !== null && isNameIn(generator, context.addresses.site)
    const raised = [...own, ...tags].flatMap(({ key, value, at }): Raised[] => {
      if (isBlank(value)) return []
      const part = partOf(value)
      const found = starterTitleIn(part, value)
      if (!found) {
        const name = SITE_TAGS.has(key) ? value.trim() : (titleParts(value).slice(1).at(-1) ?? '')
        const data = { key, seen: name, line: at?.line ?? 0 }
        const plain = withoutSeparatorAtEnd(value)
        if (plain !== null)
          return [{ message: 'dangling', level: 'warning', at, data: { ...data, seen: value.trim(), plain } }]
        const isFirst = key === 'title' || firstValue(facts, key) === value
        const isOnlySite =
          isFirst && !SITE_TAGS.has(key) && !isStart(url, context.addresses.site) && isNameOfSite(value, page)
        if (isOnlySite) return [{ message: 'onlySite', level: 'warning', at, data: { ...data, seen: value.trim() } }]
        if (PROVING_TITLES.has(name.toLowerCase())) return [{ message: 'siteName', at, data }]
        const isGenerators = generator !== null && name.toLowerCase() === generator.toLowerCase() && !isToolsOwn
        return isGenerators ? [{ message: 'generator', at, data }] : []
      }
      const said = { at, data: { key, seen: found.seen, line: at?.line ?? 0 } }
      // The name of a site is no page's: nothing on a page contradicts it.
      if (unresolvedIn(value) !== null) return [{ message: 'unresolved', ...said }]
      if (found.proves || SITE_TAGS.has(key)) return [{ message: 'starter', ...said }]
      // The home page may say Home, beside the site's name.
      if (isAtHome && part !== value && HOME_TITLES.has(part.toLowerCase())) return []
      // A post may be called Welcome.
      if (!isAtHome && part.toLowerCase() === 'welcome') return []
      const other = key === 'title' ? firstValue(facts, 'og:title') : facts.title
      // Two tags that the template wrote alike don’t vouch for each other.
      const title = other === null || starterTitleIn(partOf(other), other) ? null : partOf(other)
      const fit = fitOf(found, [facts.h1, title], isAtHome ? null : pathOf(url))
      if (fit === 'fits') return []
      if (fit === 'contradicted') return [{ message: 'starter', ...said }]
      const count = pagesOfTemplatesTitle(facts.title, context)
      return count > 0
        ? [{ message: 'shared', at, data: { ...said.data, count } }]
        : [{ message: 'doubt', level: 'note' as const, ...said }]
    })
    return once(raised)
  },
})

/** What a template left in several tags alike is one fault, at the first of them. */
const once = (raised: readonly Raised[]): Raised[] =>
  [...groupBy(raised, ({ message, data }) => `${message} ${data?.['seen']}`).values()].map(([first, ...others]) => {
    const keys = [first!, ...others].map(({ data }) => data!['key'])
    return { ...first!, data: { ...first!.data, key: [...new Set(keys)].join(AND) } }
  })

/** A title without the separator that nothing follows; null where none ends it. */
function withoutSeparatorAtEnd(value: string): string | null {
  const text = value.trim()
  const isSeparator = '|–—·•»'.includes(text.at(-1) ?? 'x') && text.at(-2) === ' '
  return isSeparator && text.length > 3 ? text.slice(0, -2).trimEnd() : null
}

/** The home page, or that of a language: `/de/`. */
const isStart = (url: string, site: string) =>
  isHome(url, site) || /^[a-z]{2,3}(?:[-_][a-z]{2,4})?\/?(?:index\.html?)?$/i.test(url.slice(site.length))

const isNameOfSite = (value: string, { facts }: { facts: PageFacts }) => {
  const name = firstValue(facts, 'og:site_name')
  return name !== null && collapseWhiteSpace(name).toLowerCase() === collapseWhiteSpace(value).toLowerCase()
}

/** Is the site about the very thing that it is named after? */
const isNameIn = (name: string, site: string) => {
  const letters = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]/gu, '')
  return letters(site).includes(letters(name))
}

/** Words that a heading or a path is compared by. */
const wordsIn = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')

/** Does one text hold the words of another, in any order? */
const holds = (text: string, words: readonly string[]) => {
  const own = new Set(wordsIn(text))
  return words.every((word) => own.has(word))
}

/**
 * Does a starter's word fit its page? A heading, another title, or the end of the path that says it acquits it; a heading
 * that says something else contradicts it. Where nothing says what the page is, it is in doubt.
 *
 * @param headings what else the page is called; null or blank where it is not
 * @param path of the page; null at home, where it says nothing
 */
function fitOf(
  { seen, isNumbered }: StarterTitle,
  headings: readonly (string | null)[],
  path: string | null,
): 'fits' | 'contradicted' | 'doubt' {
  // Nobody names a page “New page 3”, whatever its heading repeats.
  if (isNumbered) return 'contradicted'
  const words = wordsIn(seen)
  const told = headings.filter((heading) => heading !== null && !isBlank(heading)) as string[]
  if (told.some((heading) => holds(heading, words))) return 'fits'
  const isInPath = path !== null && words.every((word) => path.toLowerCase().includes(word))
  if (isInPath) return 'fits'
  return told.length > 0 ? 'contradicted' : 'doubt'
}
