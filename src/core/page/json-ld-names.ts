import { visit } from 'jsonc-parser'

/** Words of schema.org under which a thing says what it is called. */
const NAME_KEYS: ReadonlySet<string> = new Set(['name', 'headline'])

/** Words under which a thing names others that had a hand in it: whatever they are called, it is not the page. */
const OTHERS: ReadonlySet<string> = new Set([
  'author',
  'brand',
  'contributor',
  'copyrightHolder',
  'creator',
  'director',
  'editor',
  'manufacturer',
  'performer',
  'publisher',
  'seller',
  'sourceOrganization',
  'sponsor',
])

/** Names kept of one script: a page has one name, and those of what it lists. */
const MOST_NAMES = 8
/** A longer text is none: names are short. */
const LONGEST = 300

/**
 * What things in a JSON-LD value are called, wherever they stand in it: each once, in order. Those that had a hand in a
 * thing, its author for one, are other things.
 *
 * @param others names that are not the page's: those of the site and of whose it is
 */
export function describedNames(value: unknown, others: readonly string[]): string[] {
  const found = new Set<string>()
  const take = (name: unknown) => {
    const text = typeof name === 'string' ? name.trim() : ''
    if (text !== '' && text.length <= LONGEST && !others.includes(text)) found.add(text)
  }
  const look = (one: unknown): void => {
    if (found.size >= MOST_NAMES || typeof one !== 'object' || one === null) return
    if (Array.isArray(one)) {
      for (const each of one) look(each)
      return
    }
    for (const [key, own] of Object.entries(one)) {
      if (NAME_KEYS.has(key)) take(Array.isArray(own) ? own[0] : own)
      if (!OTHERS.has(key)) look(own)
    }
  }
  look(value)
  return [...found].slice(0, MOST_NAMES)
}

/**
 * Where the names in a JSON text stand that say this: from the opening quote to behind the closing one, in order. Of a
 * list of names the first counts, those of others don't.
 *
 * @param json valid JSON
 */
export function placesOfName(json: string, name: string): { start: number; end: number }[] {
  const places: { start: number; end: number }[] = []
  visit(json, {
    onLiteralValue: (value, start, length, _line, _column, pathOf) => {
      if (typeof value !== 'string' || value.trim() !== name) return
      const path = pathOf()
      const key = path.at(-1) === 0 ? path.at(-2) : path.at(-1)
      const isOthers = path.some((part) => typeof part === 'string' && OTHERS.has(part))
      if (typeof key === 'string' && NAME_KEYS.has(key) && !isOthers) places.push({ start, end: start + length })
    },
  })
  return places
}

/**
 * A text as a JSON string that may stand in a script: nothing in it ends the script or begins a comment there.
 *
 * @param isAscii other characters become escapes, for a file that can't hold them
 */
export function jsonStringInScript(text: string, isAscii: boolean): string {
  const escaped = (sign: string) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`
  const literal = JSON.stringify(text).replace(/[<>&\u2028\u2029]/g, escaped)
  return isAscii ? literal.replace(/[^\0-\x7f]/g, escaped) : literal
}
