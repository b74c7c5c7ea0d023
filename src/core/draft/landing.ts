import type { GatheredPage, PageFacts } from '../model'
import { type CardContext, publicImageUrl } from '../surface'
import { collapseWhiteSpace } from '../text'
import { RICH_NAME, saidBy } from './drafted-page'
import type { TagEdits } from './tag-edits'

/** One tag of a draft against the build: what it is to say, what the build says. null: not there. */
export type TagStanding = { key: string; wanted: string | null; built: string | null; isThere: boolean }

export type Landing = {
  state: 'landed' | 'partly' | 'not-in-build'
  tags: TagStanding[]
}

const isEqual = (wanted: string | null, built: string | null) =>
  wanted === null || built === null ? wanted === built : collapseWhiteSpace(wanted) === collapseWhiteSpace(built)

const isWhole = (url: string | null) => url !== null && /^https?:\/\//i.test(url.trim())

/** Tags that follow from a picture, not from anybody's wish: they make no draft unfinished. */
const DERIVED = new Set([
  'og:image:url',
  'og:image:secure_url',
  'og:image:type',
  'og:image:width',
  'og:image:height',
  'twitter:image:src',
])

/** A place's own tag that should go is no harm while it says what all places are to say. */
function isHarmless(key: string, built: string | null, edits: TagEdits): boolean {
  const forAll = /^twitter:(title|description|image|image:alt)$/.exec(key)?.[1]
  const wanted = forAll === undefined ? undefined : edits.get(`og:${forAll}`)
  return typeof wanted === 'string' && isEqual(wanted, built)
}

/**
 * How much of a draft a build holds. Texts are compared as cards show them, white space collapsed; addresses as they
 * resolve.
 *
 * @param resolve an address as written, made absolute and public
 */
export function landingOf(edits: TagEdits, facts: PageFacts, resolve: (raw: string) => string): Landing {
  const tags = [...edits].flatMap(([key, wanted]): TagStanding[] => {
    if (DERIVED.has(key)) return []
    // A name that repeats no other text of the page any more is still the one that was wanted.
    const isNamed =
      key === RICH_NAME && wanted !== null && facts.jsonLd.some(({ names }) => names?.includes(wanted.trim()))
    const built = isNamed ? wanted : saidBy(facts, key)
    // A picture's alternative text is not asked for either while none is drafted.
    if (key === 'og:image:alt' && wanted === null && edits.get('og:image')) return []
    const isAddress = key === 'og:image' || key === 'twitter:image'
    const found = built !== null && isAddress ? resolve(built) : built
    // A whole URL is not there yet where the build has a relative one: places that resolve none show no image.
    const isCut = isAddress && isWhole(wanted) && !isWhole(built)
    const isSaid = !isCut && isEqual(wanted !== null && isAddress ? resolve(wanted) : wanted, found)
    return [{ key, wanted, built, isThere: isSaid || (wanted === null && isHarmless(key, built, edits)) }]
  })
  const there = tags.filter(({ isThere, wanted }) => isThere && wanted !== null).length
  const all = tags.every(({ isThere }) => isThere)
  // A tag that was never there is no sign that somebody took it out.
  const state = all ? 'landed' : there > 0 ? 'partly' : 'not-in-build'
  return { state, tags }
}

/** Tags that the build says otherwise than when the draft was made, and not as the draft wants them. */
export function changedUnder(
  edits: TagEdits,
  against: Readonly<Record<string, string | null>>,
  facts: PageFacts,
): TagStanding[] {
  return [...edits].flatMap(([key, wanted]): TagStanding[] => {
    const was = against[key]
    const built = saidBy(facts, key)
    if (was === undefined || isEqual(was, built) || isEqual(wanted, built)) return []
    return [{ key, wanted, built, isThere: false }]
  })
}

/** What the tags of these edits say now: kept with a draft when it is made. */
export function sayingsOf(edits: TagEdits, facts: PageFacts): Record<string, string | null> {
  return Object.fromEntries([...edits.keys()].map((key) => [key, saidBy(facts, key)]))
}

/** An address as a page writes it, made public; as it is written where it makes no sense. */
export function publicImageUrlOf(page: GatheredPage, raw: string, context: Pick<CardContext, 'addresses'>): string {
  return publicImageUrl(page, raw, context) ?? raw
}
