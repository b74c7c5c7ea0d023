import type { PageFacts, RichField, RichKind } from '../model'
import { isBlank } from '../text'
import { metasOf } from './candidates'
import type { Card } from './card-model'

/** Fields that a rich layout needs. Where two can stand in for each other either will do. */
const NEEDED: { [K in RichKind]: readonly (readonly RichField<K>[])[] } = {
  article: [['headline'], ['author'], ['date']],
  product: [['name'], ['price'], ['currency'], ['availability']],
  recipe: [['name'], ['ingredients'], ['servings'], ['time']],
  place: [['name'], ['address', 'position']],
  film: [['name'], ['director', 'year']],
  app: [['name'], ['operating system'], ['price']],
}

/** Open Graph types that are one of the kinds. */
function kindOfType(type: string): RichKind | null {
  if (type === 'article') return 'article'
  if (type === 'product' || type === 'product.item' || type === 'product.group') return 'product'
  if (type === 'place' || type === 'business.business' || type.startsWith('restaurant.')) return 'place'
  return type === 'video.movie' ? 'film' : null
}

/** Tags that give the fields of a kind, in order of preference. */
const TAGS: { [K in RichKind]?: { [F in RichField<K>]?: readonly string[] } } = {
  article: { headline: ['og:title'], author: ['article:author'], date: ['article:published_time'] },
  product: {
    name: ['og:title'],
    price: ['product:price:amount', 'og:price:amount'],
    currency: ['product:price:currency', 'og:price:currency'],
    availability: ['product:availability', 'og:availability'],
  },
  place: {
    name: ['og:title'],
    address: ['business:contact_data:street_address', 'og:street-address'],
    position: ['place:location:latitude', 'og:latitude'],
  },
  film: { name: ['og:title'], director: ['video:director'], year: ['video:release_date'] },
}

function fieldsFromTags(facts: PageFacts, kind: RichKind): Record<string, string> {
  const fields: Record<string, string> = {}
  for (const [field, keys] of Object.entries(TAGS[kind] ?? {})) {
    const found = keys.flatMap((key) => metasOf(facts, key)).find((meta) => !isBlank(meta.value))
    if (found?.value) fields[field] = found.value.trim()
  }
  return fields
}

/** What a place that lays out things richly shows of a page, and what it lacks for that; null for any other page. */
export function richKindOf(facts: PageFacts): Card['rich'] {
  const things = facts.jsonLd.flatMap((script) => script.things ?? [])
  const types = metasOf(facts, 'og:type').map((meta) => (meta.value ?? '').trim().toLowerCase())
  const kind = types.map(kindOfType).find((found) => found !== null) ?? things[0]?.kind
  if (!kind) return null
  const described = things.find((thing) => thing.kind === kind)?.fields ?? {}
  const fields = { ...fieldsFromTags(facts, kind), ...described }
  const lacks = NEEDED[kind].filter((either) => either.every((field) => !(field in fields)))
  return { kind, fields, lacks: lacks.map((either) => either.join(' or ')) }
}
