import type { GatheredPage, LinkFact, MetaFact, PageFacts, RichThing, TagPosition } from '../model'
import { attributeFor } from '../tag'
import { collapseWhiteSpace } from '../text'
import { repeatedName } from './repeated-name'
import type { TagEdits } from './tag-edits'

/**
 * Edits of what is no `<meta>`: the `<link rel=canonical>`, the language of `<html>`, and what JSON-LD calls the page
 * where that repeats a text of it.
 */
export const CANONICAL = 'canonical'
export const LANGUAGE = 'html lang'
export const RICH_NAME = 'json-ld name'
const ELEMENTS: ReadonlySet<string> = new Set(['title', CANONICAL, LANGUAGE, RICH_NAME])

const isNamed = (meta: MetaFact) => meta.attribute === 'name' || meta.attribute === 'property'

/** Keys after which new tags are put, the best first. */
const ANCHOR_KEYS = /^(?:og:|twitter:|description$)/

/** The tag after which new ones stand: the last of the cards' own in the head, else the title, else the charset. */
export function anchorOf(facts: PageFacts): TagPosition | null {
  const inHead = facts.metas.filter((meta) => meta.inHead && isNamed(meta))
  const own = inHead.findLast((meta) => ANCHOR_KEYS.test(meta.key))
  return own ?? facts.at.title ?? facts.metas.findLast((meta) => meta.inHead) ?? null
}

/** Keys that stand in one tag: several metas at one position are one tag. */
export const positionKey = ({ line, column }: { line: number; column: number }) => `${line}:${column}`

/**
 * Facts as they would be with these tags: the first tag of a key says the new value and its repeats go, a tag that is
 * taken out goes, and a new one stands after the cards' last tag. Positions are those of the page as built.
 */
export function editFacts(facts: PageFacts, edits: TagEdits): PageFacts {
  if (edits.size === 0) return facts
  const seen = new Set<string>()
  const kept = facts.metas.flatMap((meta): MetaFact[] => {
    const value = isNamed(meta) ? edits.get(meta.key) : undefined
    if (value === undefined) return [meta]
    if (value === null || seen.has(meta.key)) return []
    seen.add(meta.key)
    const { cutOff: _, ...whole } = meta
    return [{ ...whole, value }]
  })
  const anchor = anchorOf(facts) ?? { line: 1, column: 1, endByte: 0 }
  const { line, column, endByte } = anchor
  const at = { line, column, endByte }
  const added: MetaFact[] = []
  for (const [key, value] of edits) {
    if (ELEMENTS.has(key) || value === null || seen.has(key)) continue
    // In the order of the parser's own: the engine reads objects that are built alike much faster.
    added.push({ key, attribute: attributeFor(key), value, inHead: true, line, column, endByte })
  }
  // Structured properties belong to the picture before them: what is added for it stands right after it.
  const metas = withAdded(kept, added)
  const title = edits.get('title')
  const firstOf = (key: string) =>
    metas.find((meta) => meta.key === key && isNamed(meta) && collapseWhiteSpace(meta.value ?? '') !== '')?.value ??
    null
  return {
    ...facts,
    metas,
    title: title === undefined ? facts.title : title === null ? null : collapseWhiteSpace(title),
    at: { ...facts.at, title: title === null ? null : title === undefined ? facts.at.title : (facts.at.title ?? at) },
    description: edits.has('description') ? firstOf('description') : facts.description,
    robots: edits.has('robots') ? firstOf('robots') : facts.robots,
    ...editedLinks(facts, edits.get(CANONICAL), at),
    jsonLd: renamed(facts, edits.get(RICH_NAME)),
    language: edits.has(LANGUAGE) ? (edits.get(LANGUAGE) ?? null) : facts.language,
  }
}

/** JSON-LD that calls the page something else wherever it repeats a text of it. What isn't there is not added. */
function renamed(facts: PageFacts, name: string | null | undefined): PageFacts['jsonLd'] {
  const wanted = name?.trim()
  const now = wanted ? repeatedName(facts) : null
  if (now === null) return facts.jsonLd
  const of = (text: string) => (text === now ? wanted! : text)
  return facts.jsonLd.map((script) => ({
    ...script,
    ...(script.names && { names: script.names.map(of) }),
    ...(script.things && { things: script.things.map((thing) => renamedThing(thing, of)) }),
  }))
}

function renamedThing(thing: RichThing, of: (text: string) => string): RichThing {
  switch (thing.kind) {
    case 'article': {
      const { headline } = thing.fields
      return headline === undefined ? thing : { ...thing, fields: { ...thing.fields, headline: of(headline) } }
    }
    default: {
      const { name } = thing.fields
      return name === undefined ? thing : ({ ...thing, fields: { ...thing.fields, name: of(name) } } as RichThing)
    }
  }
}

const isCanonical = ({ rel }: LinkFact) => rel.split(' ').includes('canonical')

/** The first canonical link says the new address, its repeats go; a new one stands where new tags do. */
function editedLinks(
  facts: PageFacts,
  canonical: string | null | undefined,
  at: TagPosition,
): Pick<PageFacts, 'links' | 'canonical'> {
  if (canonical === undefined) return { links: facts.links, canonical: facts.canonical }
  const first = facts.links.find(isCanonical)
  const links = facts.links.flatMap((link): LinkFact[] => {
    if (!isCanonical(link)) return [link]
    return canonical === null || link !== first ? [] : [{ ...link, href: canonical }]
  })
  const added = canonical === null || first ? [] : [{ ...at, rel: 'canonical', href: canonical }]
  return { links: [...links, ...added], canonical }
}

function withAdded(kept: MetaFact[], added: MetaFact[]): MetaFact[] {
  const isOfPicture = (meta: MetaFact) => meta.key.startsWith('og:image:')
  const picture = kept.findIndex((meta) => meta.key === 'og:image')
  if (picture < 0) return [...kept, ...added]
  const structured = added.filter(isOfPicture)
  return [
    ...kept.slice(0, picture + 1),
    ...structured,
    ...kept.slice(picture + 1),
    ...added.filter((meta) => !isOfPicture(meta)),
  ]
}

/** The page as it would be with these tags. A page that could not be read stays as it is. */
export function editPage(page: GatheredPage, edits: TagEdits): GatheredPage {
  return page.facts ? { ...page, facts: editFacts(page.facts, edits) } : page
}

/** What a tag says now: the first of its key; null where there is none. */
export function saidBy(facts: PageFacts, key: string): string | null {
  if (key === 'title') return facts.title
  if (key === CANONICAL) return facts.links.find(isCanonical)?.href ?? null
  if (key === LANGUAGE) return facts.language
  if (key === RICH_NAME) return repeatedName(facts)
  const found = facts.metas.find((meta) => meta.key === key && isNamed(meta))
  return found ? (found.value ?? '') : null
}
