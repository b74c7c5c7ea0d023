import type { RichThing } from '../model'
import { isDeeperThan } from '../model'
import { trimAscii } from '../text'
import { findJsonFault } from './json-fault'
import { describedNames } from './json-ld-names'
import { richThings, siteNames } from './json-ld-things'

/** What one JSON-LD script says: the types it names, or why it can't be read. `faultOffset` counts in its text. */
export type JsonLdReading = {
  types: string[]
  things: RichThing[]
  /** What it calls the site, or those whose it is. */
  siteNames: string[]
  /** What things in it are called, the site aside. */
  names: string[]
  error: string | null
  faultOffset: number | null
}

function typesOf(value: unknown): string[] {
  if (Array.isArray(value)) return value.flatMap(typesOf)
  if (typeof value !== 'object' || value === null) return []
  const node = value as Record<string, unknown>
  const own = Array.isArray(node['@type']) ? node['@type'] : [node['@type']]
  return [...own.filter((type): type is string => typeof type === 'string'), ...typesOf(node['@graph'] ?? [])]
}

const unique = (names: string[]) => (names.length < 2 ? names : [...new Set(names)])

const MAX_DEPTH = 200
/** A shorter script can't lie so deep that it would matter: most are not looked through for it. */
const MAY_BE_DEEP = 2000

/** Reads the text of a `<script type="application/ld+json">`. Types of `@graph` count as the script's. */
export function readJsonLd(text: string): JsonLdReading {
  const nothing = { types: [], things: [], siteNames: [], names: [] }
  if (trimAscii(text) === '') return { ...nothing, error: 'empty', faultOffset: 0 }
  // Each level is a call for whatever goes through it; what lies this deep describes nothing.
  if (text.length > MAY_BE_DEEP && isDeeperThan(text, MAX_DEPTH))
    return { ...nothing, error: `nested deeper than ${MAX_DEPTH} levels`, faultOffset: 0 }
  try {
    const value: unknown = JSON.parse(text)
    const ofSite = unique(siteNames(value))
    return {
      types: typesOf(value),
      things: richThings(value),
      siteNames: ofSite,
      names: describedNames(value, ofSite),
      error: null,
      faultOffset: null,
    }
  } catch {
    const faultOffset = findJsonFault(text) ?? text.length
    const seen = text.slice(faultOffset, faultOffset + 12).trim()
    return {
      ...nothing,
      error: seen ? `not JSON at “${seen}”` : 'not JSON: it ends too early',
      faultOffset,
    }
  }
}
