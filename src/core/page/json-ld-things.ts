import type { RichField, RichFields, RichKind, RichThing } from '../model'

/** schema.org types that are one of the kinds; those that end like one of them count too (NewsArticle, TechArticle). */
const KINDS: readonly (readonly [RegExp, RichKind])[] = [
  [/^(?:\w*Article|BlogPosting|Report)$/, 'article'],
  [/^(?:Product|ProductGroup|IndividualProduct|ProductModel)$/, 'product'],
  [/^Recipe$/, 'recipe'],
  [/^(?:Movie)$/, 'film'],
  [/^(?:\w*Application|SoftwareSourceCode|VideoGame)$/, 'app'],
  [
    /^(?:Place|LocalBusiness|\w*(?:Store|Shop|Restaurant|Hotel|Museum|Library|Cafe|Bakery|Organization)|TouristAttraction|CivicStructure|Park)$/,
    'place',
  ],
]
/** Organizations are places only when they say where they are. */
const NEEDS_ADDRESS = /Organization$/

/** What is read of a thing in JSON-LD; the rest of it is passed over. */
type Node = Partial<
  Record<
    | '@type'
    | '@graph'
    | '@id'
    | 'name'
    | 'headline'
    | 'author'
    | 'datePublished'
    | 'dateCreated'
    | 'offers'
    | 'price'
    | 'lowPrice'
    | 'priceCurrency'
    | 'availability'
    | 'recipeIngredient'
    | 'recipeYield'
    | 'totalTime'
    | 'cookTime'
    | 'suitableForDiet'
    | 'address'
    | 'streetAddress'
    | 'geo'
    | 'latitude'
    | 'director'
    | 'operatingSystem'
    | (typeof OWNERS)[number],
    unknown
  >
>

const isNode = (value: unknown): value is Node => typeof value === 'object' && value !== null && !Array.isArray(value)
const firstOf = (value: unknown): unknown => (Array.isArray(value) ? value[0] : value)

/** A value as a short text: its own, or the name of what it describes. */
function textOf(value: unknown): string | undefined {
  const first = firstOf(value)
  if (typeof first === 'string') return first.trim() === '' ? undefined : first.trim()
  if (typeof first === 'number') return String(first)
  return isNode(first) ? textOf(first.name ?? first['@id'] ?? first.streetAddress ?? first.latitude) : undefined
}

/** `https://schema.org/InStock` → `InStock`. */
const lastSegment = (text: string | undefined) => text?.split('/').at(-1)

const FIELDS: { [K in RichKind]: (node: Node) => Record<RichField<K>, string | undefined> } = {
  article: (node) => ({
    headline: textOf(node.headline),
    author: textOf(node.author),
    date: textOf(node.datePublished),
  }),
  product: (node) => {
    const offer = firstOf(node.offers)
    const offers = isNode(offer) ? offer : {}
    return {
      name: textOf(node.name),
      price: textOf(offers.price ?? offers.lowPrice),
      currency: textOf(offers.priceCurrency),
      availability: lastSegment(textOf(offers.availability)),
    }
  },
  recipe: (node) => ({
    name: textOf(node.name),
    ingredients: Array.isArray(node.recipeIngredient)
      ? `${node.recipeIngredient.length} ingredients`
      : textOf(node.recipeIngredient),
    servings: textOf(node.recipeYield),
    time: textOf(node.totalTime ?? node.cookTime),
    diet: lastSegment(textOf(node.suitableForDiet)),
  }),
  place: (node) => ({ name: textOf(node.name), address: textOf(node.address), position: textOf(node.geo) }),
  film: (node) => ({
    name: textOf(node.name),
    director: textOf(node.director),
    year: textOf(node.dateCreated),
  }),
  app: (node) => {
    const offer = firstOf(node.offers)
    return {
      name: textOf(node.name),
      'operating system': textOf(node.operatingSystem),
      price: isNode(offer) ? textOf(offer.price) : undefined,
    }
  },
}

function kindOf(node: Node): RichKind | null {
  const types = Array.isArray(node['@type']) ? node['@type'] : [node['@type']]
  for (const type of types) {
    if (typeof type !== 'string') continue
    const name = lastSegment(type)!
    if (NEEDS_ADDRESS.test(name) && node.address === undefined && node.geo === undefined) continue
    const found = KINDS.find(([pattern]) => pattern.test(name))
    if (found) return found[1]
  }
  return null
}

/** Things of a rich kind in a JSON-LD value: at its top, in a list, or in `@graph`. */
export function richThings(value: unknown): RichThing[] {
  if (Array.isArray(value)) return value.flatMap(richThings)
  if (!isNode(value)) return []
  const kind = kindOf(value)
  const own = kind ? [{ kind, fields: definedOnly(FIELDS[kind](value)) } as RichThing] : []
  return [...own, ...richThings(value['@graph'] ?? [])]
}

/** Types that say whose site it is. */
const SITE_TYPE = /^(?:WebSite|\w*Organization|Corporation|\w*Business|NGO)$/
/** Those whose it is may also be one person; a person at the top is whom the page is about. */
const OWNER_TYPE = /^Person$/
/** Words under which a page names whose it is. */
const OWNERS = ['publisher', 'sourceOrganization', 'copyrightHolder'] as const

/**
 * Names of the site, or of whose it is: of a WebSite or an organization at the top of a JSON-LD value, in a list, in
 * `@graph`, or of the publisher of what is there.
 */
export function siteNames(value: unknown, isOwner = false): string[] {
  if (Array.isArray(value)) return value.flatMap((one) => siteNames(one, isOwner))
  if (!isNode(value)) return []
  const types = Array.isArray(value['@type']) ? value['@type'] : [value['@type']]
  const isSite = types.some((type) => {
    const name = typeof type === 'string' ? lastSegment(type)! : ''
    return SITE_TYPE.test(name) || (isOwner && OWNER_TYPE.test(name))
  })
  const own = isSite && typeof value.name === 'string' && value.name.trim() !== '' ? [value.name.trim()] : []
  return [...own, ...OWNERS.flatMap((key) => siteNames(value[key], true)), ...siteNames(value['@graph'])]
}

function definedOnly(fields: Record<string, string | undefined>): RichFields {
  return Object.fromEntries(Object.entries(fields).filter((entry) => entry[1] !== undefined))
}
