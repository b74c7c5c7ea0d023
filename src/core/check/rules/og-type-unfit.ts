import { pathnameOf } from '../../address'
import { firstValue, metasOf } from '../../surface'
import { defineCheck } from '../define-check'

/** Types that stand for a page as such, not for something that it is about. */
const PLAIN = new Set(['website', 'article'])
/**
 * A date in a path that a name follows: /2026/11/02/a-post, /2026-11-02-a-post. A date that ends the path, or is followed
 * by a number of pages, is an archive.
 */
const DATED = /\/\d{4}[/-]\d{1,2}(?:[/-]\d{1,2})?[/-](?!page(?:[/-]|$))[^/\d][^/]*\/?$/

export const ogTypeUnfit = defineCheck({
  id: 'og-type-unfit',
  label: 'unfit og:type',
  subject: 'type',
  family: 'open-graph',
  level: 'note',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'og:type beside what the page is: by the requirements, its date, its place on the site.',
  why: 'Places lay out an article with author and date, and a website without: the wrong kind shows the wrong things.',
  messages: {
    required: {
      says: 'og:type says {type}; the requirements say that {section} is {kind}.',
      fix: 'Write {kind} on line {line}, or change the requirements.',
      anywhere: 'Write {kind}, or change the requirements.',
      repair: { do: 'setTag', tag: 'og:type', to: '{kind}' },
    },
    home: {
      says: 'The home page says that it is an article.',
      fix: 'Write website on line {line}.',
      anywhere: 'Write website.',
      repair: { do: 'setTag', tag: 'og:type', to: 'website' },
    },
    dated: {
      says: 'The page describes an article, or gives its day, and says that it is a website.',
      fix: 'Write article on line {line}, with article:published_time.',
      anywhere: 'Write article, with article:published_time.',
      repair: { do: 'setTag', tag: 'og:type', to: 'article' },
    },
    datedPath: {
      says: 'The address is that of a dated post, and the page says that it is a website.',
      fix: 'If it is one, write article on line {line}, with article:published_time.',
      anywhere: 'If it is one, write article, with article:published_time.',
      repair: { do: 'askPerson', needs: 'a look at whether the page is an article' },
    },
  },
  check(page, context) {
    const tag = metasOf(page.facts, 'og:type')[0]
    const type = firstValue(page.facts, 'og:type')?.toLowerCase()
    if (!tag || !type) return []
    const section = context.sections.get(page.url) ?? '/'
    const kind = context.requirements.sections?.[section]?.kind
    const data = { type, section, kind: kind ?? '', line: tag.line }
    if (kind !== undefined && kind !== 'not-shared')
      return kind === type ? [] : [{ message: 'required', at: tag, data }]
    if (page.url === context.addresses.site) return type === 'article' ? [{ message: 'home', at: tag, data }] : []
    if (!PLAIN.has(type) || type === 'article') return []
    const isArticle =
      firstValue(page.facts, 'article:published_time') !== null ||
      page.facts.jsonLd.some(({ things }) => things?.some((thing) => thing.kind === 'article'))
    // A path tells no more than that somebody should look: archives have dates too.
    const message = isArticle ? 'dated' : DATED.test(pathnameOf(page.url)) ? 'datedPath' : null
    return message === null ? [] : [{ message, at: tag, data }]
  },
})
