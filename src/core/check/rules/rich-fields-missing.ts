import type { GatheredPage, PageFacts, Position } from '../../model'
import { sectionName } from '../../section'
import { firstValue, metasOf, richKindOf } from '../../surface'
import { groupBy, isBlank } from '../../text'
import type { CheckContext } from '../context'
import { defineCheck, type SiteRaised } from '../define-check'

export const richFieldsMissing = defineCheck({
  id: 'rich-fields-missing',
  label: 'rich fields missing',
  subject: 'rich-data',
  alsoReads: ['type', 'title', 'description', 'picture'],
  family: 'rich-data',
  level: 'warning',
  scope: 'page',
  hangsOn: 'run',
  looksAt: 'Articles, products, recipes, places, films and apps, by og:type or JSON-LD.',
  why: 'Without these fields the picture board and the search result lay out a plain link.',
  messages: {
    lacks: {
      says: 'As {kind} the page lacks {lacks}.',
      fix: 'Add {what} to the tags or to the JSON-LD.',
      repair: { do: 'askPerson', needs: '{lacks}' },
    },
    section: {
      says: 'All {count} pages of {section} lack {lacks}, which {kind} needs.',
      fix: 'Have the section’s template add {what} to the tags or to the JSON-LD.',
      repair: { do: 'askPerson', needs: '{lacks}' },
    },
  },
  check(page, context) {
    const found = lackingIn(page)
    if (!found || isOfWholeSection(page, found, context)) return []
    const { kind, lacks, at } = found
    return [{ message: 'lacks', at, data: { kind, lacks, what: whatOf(lacks) } }]
  },
  acrossPages(context) {
    return [...wholeSections(context)].map(([key, { section, urls, kind, lacks }]): SiteRaised => {
      const data = { key, section: sectionName(section), count: urls.length, kind, lacks, what: whatOf(lacks) }
      return { message: 'section', pages: urls, data }
    })
  },
})

type ReadPage = GatheredPage & { facts: PageFacts }

/** Pages of one section from which on they show what its template does. */
const MIN_PAGES = 3

const whatOf = (lacks: string) => (lacks.includes(',') ? 'them' : 'it')

/** What the rich layout of a page lacks; null where it lacks nothing. */
function lackingIn({ facts }: ReadPage): { kind: string; lacks: string; at: Position | null } | null {
  const rich = richKindOf(facts)
  // What a script that does not parse was to say is not known: that it doesn't is told.
  if (!rich || facts.jsonLd.some(({ error }) => error !== null)) return null
  const lacks = rich.lacks.filter((field) => {
    // Who wrote it may stand in the tag that HTML has for it.
    if (field === 'author') return isBlank(firstValue(facts, 'author'))
    // What it is called is told by the checks of titles.
    return field !== 'headline' && field !== 'name'
  })
  if (lacks.length === 0) return null
  const tag = metasOf(facts, 'og:type')[0]
  const script = facts.jsonLd.find(({ things }) => things?.some(({ kind }) => kind === rich.kind))
  const kind = /^[aeiou]/.test(rich.kind) ? `an ${rich.kind}` : `a ${rich.kind}`
  return { kind, lacks: lacks.join(', '), at: script ?? tag ?? null }
}

type WholeSection = { section: string; urls: string[]; kind: string; lacks: string }
const known = new WeakMap<CheckContext, Map<string, WholeSection>>()

/** Sections all of whose pages of one kind lack the same, by what they lack. */
function wholeSections(context: CheckContext): Map<string, WholeSection> {
  const before = known.get(context)
  if (before) return before
  const made = new Map<string, WholeSection>()
  const isShared = (page: ReadPage) => {
    const { isNotShared, levels } = context.ruleFor(page)
    return !isNotShared && levels['rich-fields-missing'] !== 'off'
  }
  for (const [section, pages] of groupBy(context.readable.filter(isShared), ({ url }) => sectionOf(url, context))) {
    const rich = pages.filter(({ facts }) => richKindOf(facts) !== null)
    const groups = groupBy(rich, (page) => keyOf(section, lackingIn(page)))
    const [only] = groups
    if (!only || groups.size > 1) continue
    const [key, same] = only
    if (key === null || same.length < MIN_PAGES) continue
    const { kind, lacks } = lackingIn(same[0]!)!
    made.set(key, { section, urls: same.map(({ url }) => url), kind, lacks })
  }
  known.set(context, made)
  return made
}

const sectionOf = (url: string, { sections }: CheckContext) => sections.get(url) ?? '/'

const keyOf = (section: string, found: ReturnType<typeof lackingIn>) =>
  found === null ? null : `${section} ${found.kind} ${found.lacks}`

const isOfWholeSection = (page: ReadPage, found: NonNullable<ReturnType<typeof lackingIn>>, context: CheckContext) =>
  wholeSections(context).has(keyOf(sectionOf(page.url, context), found)!)
