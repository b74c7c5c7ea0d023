import { type AddressMap, baseOf, resolveAddress } from '../../address'
import type { GatheredPage, PageFacts } from '../../model'
import { metasOf } from '../../surface'
import { isCardTag, isSingleValued, isUrlTag, placeOf } from '../../tag'
import { isBlank } from '../../text'

/** What a page's head says for cards: the title, the canonical address, and its tags in order. */
export type CardTags = { url: string; title: string | null; canonical: string; tags: { key: string; value: string }[] }

/** A card has one of each of its own tags, whatever the checks say of a second. Anything else may be a list. */
const isSingle = (key: string) => isSingleValued(key) || key.startsWith('twitter:')

/**
 * The complete set of a page's card tags: ordered, each single-valued one once, addresses absolute on the production
 * origin. What every page should say and this one doesn't (its own address) is added.
 */
export function cardTags(page: GatheredPage & { facts: PageFacts }, addresses: AddressMap): CardTags {
  const base = baseOf(page.url, page.facts.base)
  const absolute = (raw: string) => {
    const resolved = resolveAddress(raw, base)
    return resolved === null ? raw : addresses.toPublic(resolved)
  }
  const seen = new Set<string>()
  const tags = page.facts.metas.flatMap((meta): CardTags['tags'] => {
    if ((meta.attribute !== 'name' && meta.attribute !== 'property') || !isCardTag(meta.key)) return []
    if (isBlank(meta.value) || (seen.has(meta.key) && isSingle(meta.key))) return []
    seen.add(meta.key)
    return [{ key: meta.key, value: isUrlTag(meta.key) ? absolute(meta.value!) : meta.value! }]
  })
  if (metasOf(page.facts, 'og:url').length === 0) tags.push({ key: 'og:url', value: page.url })
  const hasSeveral = (key: string) => tags.filter((tag) => tag.key === key).length > 1
  const place = ({ key }: { key: string }) => placeOf(key, hasSeveral)
  const ordered = tags
    .map((tag, index) => ({ tag, index }))
    .sort((a, b) => place(a.tag) - place(b.tag) || a.index - b.index)
  return {
    url: page.url,
    title: page.facts.title,
    canonical: page.facts.canonical === null ? page.url : absolute(page.facts.canonical),
    tags: ordered.map(({ tag }) => tag),
  }
}

/** Values by their tag: one as it is, several as a list in their order. */
export function valuesByKey(tags: CardTags['tags']): Record<string, string | string[]> {
  const values: Record<string, string | string[]> = {}
  for (const { key, value } of tags) {
    const before = values[key]
    values[key] = before === undefined ? value : [...(Array.isArray(before) ? before : [before]), value]
  }
  return values
}
