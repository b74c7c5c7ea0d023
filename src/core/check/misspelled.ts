import { limits } from '../address'
import type { MetaFact } from '../model'
import { isKnownKey, knownKeys } from '../tag'
import { editsBetween } from '../text'

/** Keys that some program reads though no card is made from them, and that look like a slip of a known one. */
const OTHERS = new Set([
  'og:ttl',
  'og:isbn',
  'og:upc',
  'og:email',
  'og:region',
  'og:locality',
  'og:latitude',
  'og:longitude',
  'og:street-address',
  'og:postal-code',
  'og:country-name',
  'og:phone_number',
  'og:fax_number',
  'og:brand',
  'og:availability',
  'og:price:amount',
  'og:price:currency',
  'og:rich_attachment',
  'og:restrictions:age',
  'robot',
  'authors',
  'keyword',
])

/** Keys of a site are few, and stand on all of its pages; all that one page can hold are kept, since trials ask for them again. */
const MAX_MEANT = limits.metasOfPage * 2
/** No known key is as long: a longer one was meant to be none. */
const MAX_LENGTH = 60
const meant = new Map<string, string | null>()

/** The known key that an unknown one was meant to be; null when it is known, or comes close to none. */
export function meantKey(key: string): string | null {
  if (key.length > MAX_LENGTH) return null
  const known = meant.get(key)
  if (known !== undefined) return known
  if (meant.size >= MAX_MEANT) meant.clear()
  const found = nearestKey(key)
  meant.set(key, found)
  return found
}

function nearestKey(key: string): string | null {
  if (isKnownKey(key) || OTHERS.has(key)) return null
  const spelled = key.replace(/[._-]/g, ':')
  // Short words are near each other by chance, and only those with a prefix, or nearly one, are meant for cards.
  const most = key.includes(':') || spelled !== key ? 2 : key.length >= 10 ? 2 : 0
  let best: { known: string; edits: number } | null = null
  for (const known of knownKeys()) {
    const edits = Math.min(editsBetween(key, known, most), editsBetween(spelled, known, most))
    if (edits <= most && (best === null || edits < best.edits)) best = { known, edits }
  }
  return best?.known ?? null
}

/** Has a value no closing quote, so that the next tags are a part of it? */
export const runsOn = ({ value, key }: MetaFact): boolean =>
  value !== null && isKnownKey(key) && />\s{0,40}<(?:meta|link|title|script)\s/i.test(value)
