import { namesIn, ownPart, type SiteCalled, uncalled } from '../check'
import { type GatheredImage, type GatheredPage, type PageFacts, type RichField, richField } from '../model'
import { firstValue } from '../surface'
import { fitText, isBlank } from '../text'
import type { DraftFields, SiteDefaults } from './draft'
import { saidBy } from './drafted-page'
import { type TagEdits, tagEdits } from './tag-edits'
import { type PatternValues, parsePattern, renderTitle, type TitlePattern } from './title-pattern'

/** Where a tag's value comes from when it is not the build's own. */
export type ComesFrom = 'site' | 'section' | 'pattern' | 'draft'

/** What a page is to say: the tags that differ from the build, and where each comes from. */
export type Effective = { edits: TagEdits; from: ReadonlyMap<string, ComesFrom> }

/** What the defaults say for a section, as tags. */
export function defaultTags(defaults: SiteDefaults, section: string): Map<string, { value: string; from: ComesFrom }> {
  const own = defaults.sections[section] ?? {}
  const tags = new Map<string, { value: string; from: ComesFrom }>()
  const add = (key: string, ofSection: string | undefined, ofSite: string | undefined) => {
    const value = isBlank(ofSection) ? ofSite : ofSection
    if (!isBlank(value)) tags.set(key, { value: value!, from: isBlank(ofSection) ? 'site' : 'section' })
  }
  add('og:site_name', undefined, defaults.siteName)
  add('og:type', own.type, undefined)
  add('og:image', own.image, defaults.image)
  add('og:image:alt', undefined, own.image ? undefined : defaults.imageAlt)
  add('og:locale', undefined, defaults.locale)
  add('twitter:card', own.card, defaults.card)
  add('twitter:site', undefined, defaults.account)
  add('fb:app_id', undefined, defaults.appId)
  return tags
}

/** Tags that say who wrote a page, when, and of what kind it is, the most telling first. An address of a profile is no name. */
const AUTHORS = ['author', 'article:author', 'book:author', 'twitter:creator']
const DATES = ['article:published_time', 'book:release_date', 'article:modified_time', 'og:updated_time', 'date']
const CATEGORIES = ['article:section', 'product:category', 'article:tag', 'category']

const firstOf = (facts: PageFacts, keys: readonly string[]) =>
  keys.map((key) => firstValue(facts, key)).find((text) => !isBlank(text) && !/^https?:/i.test(text!))

/** Defaults of a site, with what the pages of a run call it: that is read from them, never kept. */
export type KnownDefaults = SiteDefaults & { called?: SiteCalled | undefined }

/** Names that templates may put on the titles of a section, beside the page's own og:site_name. */
export const titleNames = ({ siteName, called = uncalled }: KnownDefaults, section: string): (string | null)[] => [
  siteName ?? null,
  ...namesIn(called, section),
]

/**
 * Parts of a page that a title pattern may name.
 *
 * @param names that templates may put on its title beside its own og:site_name, the most certain first
 */
export function patternValues(
  page: GatheredPage & { facts: PageFacts },
  section: string,
  names: readonly (string | null)[],
): PatternValues {
  const { facts } = page
  const called = [firstValue(facts, 'og:site_name'), ...names]
  const title = facts.title ?? firstValue(facts, 'og:title') ?? facts.h1 ?? ''
  const things = facts.jsonLd.flatMap(({ things: found = [] }) => found)
  const described = (field: RichField) => things.map((thing) => richField(thing, field)).find((text) => !isBlank(text))
  const date = firstOf(facts, DATES) ?? described('date')
  const folder = /^\/([^/]+)\//.exec(section)?.[1] ?? ''
  return {
    title: ownPart(title, called),
    heading: facts.h1 ?? '',
    section: folder === '' ? '' : folder[0]!.toUpperCase() + folder.slice(1).replace(/[-_]+/g, ' '),
    site: called.find((name) => !isBlank(name)) ?? '',
    author: firstOf(facts, AUTHORS) ?? described('author') ?? '',
    date: /^\d{4}-\d\d-\d\d/.exec(date ?? '')?.[0] ?? '',
    category: firstOf(facts, CATEGORIES) ?? '',
    number: new URL(page.url).pathname.match(/\d+/g)?.at(-1) ?? '',
    description:
      [facts.description, firstValue(facts, 'og:description')].find((text) => !isBlank(text)) ??
      facts.firstParagraph ??
      '',
    paragraph: facts.firstParagraph ?? '',
  }
}

/** The box that a page's title is made to fit: one line of a search result on a wide screen. */
const TITLE_BOX = { sizePx: 20, weight: 400, widthPx: 600, lines: 1 } as const
/** The box of a card's title on the place that gives it the most common room. */
const CARD_TITLE_BOX = { sizePx: 16, weight: 600, widthPx: 476, lines: 2 } as const

/** The box of a description in a search result. */
const DESCRIPTION_BOX = { sizePx: 14, weight: 400, widthPx: 600, lines: 2 } as const

export const fitsSearch = (title: string) => !fitText(title, TITLE_BOX).cut
export const fitsCards = (title: string) => !fitText(title, CARD_TITLE_BOX).cut

export const fitsDescription = (text: string) => !fitText(text, DESCRIPTION_BOX).cut

function patternOf(source: string | undefined): TitlePattern | null {
  if (isBlank(source)) return null
  try {
    return parsePattern(source!)
  } catch {
    // A pattern that can't be read holds for nothing; where it is written, its fault is shown.
    return null
  }
}

/**
 * What a page is to say, from the weakest to the strongest: defaults of the site, of its section, the section's title
 * patterns, the page's own draft. Defaults fill in where the page says nothing; patterns and drafts override.
 */
export function effectiveEdits(
  page: GatheredPage & { facts: PageFacts },
  section: string,
  fields: DraftFields,
  defaults: KnownDefaults,
  imageOf: (url: string) => GatheredImage | undefined,
): Effective {
  const edits = new Map<string, string | null>()
  const from = new Map<string, ComesFrom>()
  const set = (key: string, value: string | null, source: ComesFrom) => {
    edits.set(key, value)
    from.set(key, source)
  }
  const names = titleNames(defaults, section)
  const own = tagEdits(fields, imageOf, { facts: page.facts, names })
  const hasPicture = !isBlank(firstValue(page.facts, 'og:image')) || !isBlank(firstValue(page.facts, 'twitter:image'))
  for (const [key, { value, from: source }] of defaultTags(defaults, section)) {
    const isSaid = key.startsWith('og:image') ? hasPicture : !isBlank(firstValue(page.facts, key))
    if (isSaid) continue
    if (key === 'og:image') {
      for (const [imageKey, imageValue] of tagEdits({ image: value }, imageOf)) {
        if (imageValue !== null || saidBy(page.facts, imageKey) !== null) set(imageKey, imageValue, source)
      }
    } else set(key, value, source)
  }
  const { titlePattern, cardTitlePattern, descriptionPattern } = defaults.sections[section] ?? {}
  const values = patternValues(page, section, names)
  const titles = [
    ['title', patternOf(titlePattern), fitsSearch],
    ['og:title', patternOf(cardTitlePattern), fitsCards],
  ] as const
  for (const [key, pattern, fits] of titles) {
    // A draft of the page's own title is what the pattern is filled with.
    const drafted = fields.title ?? undefined
    const made = pattern && renderTitle(pattern, drafted ? { ...values, title: drafted } : values, fits)
    // Of parts that the page has none of there comes no title: what it says stays.
    if (made) set(key, made, 'pattern')
  }
  const described = patternOf(descriptionPattern)
  const draftedText = fields.description ?? undefined
  const description =
    described && renderTitle(described, draftedText ? { ...values, description: draftedText } : values, fitsDescription)
  if (description) {
    set('description', description, 'pattern')
    set('og:description', description, 'pattern')
    // A place that prefers its own tag would go on showing the text of before.
    if (saidBy(page.facts, 'twitter:description') !== null) set('twitter:description', description, 'pattern')
  }
  for (const [key, value] of own) {
    const isOfSearch =
      (key === 'title' && fields['title@search'] !== undefined) ||
      (key === 'description' && fields['description@search'] !== undefined) ||
      (key === 'twitter:description' && fields['description@microblog'] !== undefined)
    const isPatterned = from.get(key) === 'pattern' && !isOfSearch
    if (!isPatterned) set(key, value, 'draft')
  }
  return { edits: onlyDiffering(edits, page.facts), from }
}

/** Edits that say something else than the page does. A repeated tag is edited even where its first says the same. */
function onlyDiffering(edits: ReadonlyMap<string, string | null>, facts: PageFacts): TagEdits {
  const counts = new Map<string, number>()
  for (const { key } of facts.metas) counts.set(key, (counts.get(key) ?? 0) + 1)
  return new Map([...edits].filter(([key, value]) => saidBy(facts, key) !== value || (counts.get(key) ?? 0) > 1))
}
