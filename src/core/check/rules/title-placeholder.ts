import type { Position } from '../../model'
import { isBlank } from '../../text'
import { defineCheck } from '../define-check'
import { ownPart } from '../own-part'
import { placeholderIn, titleParts } from '../placeholder'
import { siteNames } from '../site-names'
import { HOME_TITLES } from '../starter-texts'

/** Tags that name a page or its site. */
const TITLE_TAGS = new Set(['og:title', 'twitter:title', 'og:site_name', 'application-name'])

const isHome = (url: string, site: string) => url === site || `${url}/` === site

export const titlePlaceholder = defineCheck({
  id: 'title-placeholder',
  label: 'template’s title',
  subject: 'title',
  alsoReads: ['site-name'],
  family: 'text',
  level: 'error',
  scope: 'page',
  hangsOn: 'names',
  looksAt: 'The page’s own part of title, og:title and twitter:title, and what the site is called.',
  why: 'A title that the template came with does not tell what the page is.',
  messages: {
    starter: {
      says: '{key} still says “{seen}”, as the template does.',
      fix: 'Write what this page is into {key}, line {line}.',
      anywhere: 'Write what this page is into {key}.',
      mend: { say: '{key}' },
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
    const isHomeTitle = (part: string) => HOME_TITLES.has(part.toLowerCase())
    // The home page may say Home, beside the site's name; a post may be called Welcome.
    const mayBeHomeTitle = (part: string, value: string) =>
      isAtHome ? part !== value : part.toLowerCase() === 'welcome'
    return [...own, ...tags].flatMap(({ key, value, at }) => {
      if (isBlank(value)) return []
      const own = ownPart(value, names)
      // Where no name of the site is known, what a template came with is looked for in front of the first separator.
      const part = own === value && names.every((name) => name === null) ? (titleParts(value)[0] ?? own) : own
      const seen = placeholderIn(part, value) ?? (isHomeTitle(part) && !mayBeHomeTitle(part, value) ? part : null)
      return seen === null ? [] : [{ message: 'starter', at, data: { key, seen, line: at?.line ?? 0 } }]
    })
  },
})
