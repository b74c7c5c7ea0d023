import { FAMILIES, OTHERS, TAGS, type Tag, type TagSubject } from './vocabulary'

const BY_KEY: ReadonlyMap<string, Tag> = new Map([...TAGS, ...OTHERS].map((tag) => [tag.key, tag]))
const KNOWN: ReadonlySet<string> = new Set(TAGS.map(({ key }) => key))
const PLACE: ReadonlyMap<string, number> = new Map(TAGS.map(({ key }, index) => [key, index]))

const familyOfKey = (key: string) => FAMILIES.find(({ prefix }) => key.startsWith(prefix))

/** Every tag of the vocabulary, also what is no meta element. */
export const allTags = (): readonly Tag[] => [...BY_KEY.values()]

/** What is known of a tag by its whole name; undefined where nothing is. */
export const tagOf = (key: string): Tag | undefined => BY_KEY.get(key)

/** Is this a tag that places read? */
export const isKnownKey = (key: string): boolean => KNOWN.has(key) || familyOfKey(key) !== undefined

/** Every key that is known by its whole name. */
export const knownKeys = (): Iterable<string> => KNOWN

/** May a page have only one of it, so that a second with another value is a contradiction? */
export const isSingleValued = (key: string): boolean => BY_KEY.get(key)?.count === 'one'

/** May a page have several: each one more image, author or tag, not another value of the same? */
export const mayRepeat = (key: string): boolean => (BY_KEY.get(key) ?? familyOfKey(key))?.count === 'many'

/** Does its value say the same on every page of a site? */
export const isOfSite = (key: string): boolean => BY_KEY.get(key)?.isOfSite === true

/** Is its value a URL that places fetch or open? */
export const isUrlTag = (key: string): boolean => BY_KEY.get(key)?.isUrl === true

/** What a tag is about; a part of a known one is about the same. `tags`: nothing that cards show. */
export function subjectOfTag(key: string): TagSubject {
  for (let name = key; name !== ''; name = name.slice(0, Math.max(0, name.lastIndexOf(':')))) {
    const found = BY_KEY.get(name)
    if (found) return found.subject
  }
  if (/^fb:/.test(key)) return 'account'
  return familyOfKey(key)?.subject ?? 'tags'
}

/** What a text is, whichever tag holds it: `og:title` and `twitter:title` are titles. */
export const familyOf = (key: string): string => /(?:^|:)(title|description)$/.exec(key)?.[1] ?? key

/** Texts that only a person can write, whichever tag holds them. */
const TEXT_NEEDS: Readonly<Record<string, string>> = {
  title: 'a title that says what the page is',
  description: 'a sentence that says what the page is',
}

/** What has to be made before the tag can be written, in words. */
export const needsFor = (key: string): string =>
  TEXT_NEEDS[familyOf(key)] ?? BY_KEY.get(key)?.needs ?? `a value for ${key}`

/** Prefixes whose tags stand under `property`; all others stand under `name`. */
const OF_PROPERTY = /^(?:og|article|book|profile|product|music|video|fb):/

/** Which attribute names a tag of this key, as its own standard has it. */
export const attributeFor = (key: string): 'name' | 'property' => (OF_PROPERTY.test(key) ? 'property' : 'name')

/** The attribute under which all places read a key; null where they don't mind. */
export function attributeAsked(key: string): 'name' | 'property' | null {
  if (OF_PROPERTY.test(key)) return 'property'
  return key === 'description' || key.startsWith('twitter:') ? 'name' : null
}

/** Is it a tag that cards are made from, and that is exported with them? */
export const isCardTag = (key: string): boolean =>
  OF_PROPERTY.test(key) || key.startsWith('twitter:') || key === 'description' || key === 'author'

/**
 * Where a tag stands among those of a card, in the order in which a person reads one. What is not known comes last. A
 * part stays with what it describes where a page may have several of that.
 */
export function placeOf(key: string, hasSeveral: (root: string) => boolean): number {
  const root = BY_KEY.get(key)?.partOf
  return PLACE.get(root !== undefined && hasSeveral(root) ? root : key) ?? TAGS.length
}
