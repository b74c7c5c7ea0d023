import { isKnownKey, knownKeys } from './known-keys'

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

/** Edits (one letter more, less or other; two that changed places) between two words, no further than `most`. */
export function editsBetween(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1
  let before: number[] = []
  let row = Array.from({ length: b.length + 1 }, (_, index) => index)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      const changed = row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)
      next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, changed)
      const isSwapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]
      if (isSwapped) next[j] = Math.min(next[j]!, before[j - 2]! + 1)
    }
    before = row
    row = next
  }
  return row[b.length]!
}

/** The known key that an unknown one was meant to be; null when it is known, or comes close to none. */
export function meantKey(key: string): string | null {
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
