import { type CardTags, valuesByKey } from './card-tags'

type Tree = { [key: string]: unknown }
type Tags = CardTags['tags']

/** Pictures, films or sounds with what is declared of each. */
function mediaOf(tags: Tags, kind: 'og:image' | 'og:video' | 'og:audio'): Tree[] {
  const all: Tree[] = []
  for (const { key, value } of tags) {
    if (key === kind) all.push({ url: value })
    const last = all.at(-1)
    const property = key.startsWith(`${kind}:`) ? key.slice(kind.length + 1) : ''
    const field = property === 'secure_url' ? 'secureUrl' : property
    if (!last || !MEDIA_FIELDS.has(field) || (field === 'alt' && kind !== 'og:image')) continue
    last[field] = field === 'width' || field === 'height' ? asNumber(value) : value
  }
  return all
}
const MEDIA_FIELDS = new Set(['secureUrl', 'width', 'height', 'alt', 'type'])

/** What is declared as a number is one; what is none stays as it is written. */
const asNumber = (text: string): number | string => (/^\d+$/.test(text) ? Number(text) : text)

/** Fields of an object's kind: tag, name in the framework's type, and whether there may be several. */
const KINDS: Readonly<Record<string, readonly (readonly [tag: string, field: string, many?: 'many'])[]>> = {
  website: [],
  article: [
    ['article:published_time', 'publishedTime'],
    ['article:modified_time', 'modifiedTime'],
    ['article:expiration_time', 'expirationTime'],
    ['article:author', 'authors', 'many'],
    ['article:section', 'section'],
    ['article:tag', 'tags', 'many'],
  ],
  book: [
    ['book:isbn', 'isbn'],
    ['book:release_date', 'releaseDate'],
    ['book:author', 'authors', 'many'],
    ['book:tag', 'tags', 'many'],
  ],
  profile: [
    ['profile:first_name', 'firstName'],
    ['profile:last_name', 'lastName'],
    ['profile:username', 'username'],
    ['profile:gender', 'gender'],
  ],
  'video.movie': [
    ['video:actor', 'actors', 'many'],
    ['video:director', 'directors', 'many'],
    ['video:writer', 'writers', 'many'],
    ['video:release_date', 'releaseDate'],
    ['video:tag', 'tags', 'many'],
  ],
  'video.episode': [],
  'video.tv_show': [],
  'video.other': [],
  'music.song': [],
  'music.album': [],
  'music.playlist': [],
  'music.radio_station': [],
}

/** Tags that the framework has a field for, whatever the object's kind. */
const PLACED = new Set([
  'description',
  'author',
  'og:site_name',
  'og:title',
  'og:description',
  'og:url',
  'og:locale',
  'og:locale:alternate',
  'twitter:site',
  'twitter:site:id',
  'twitter:creator',
  'twitter:creator:id',
  'twitter:title',
  'twitter:description',
  'twitter:image',
  'twitter:image:alt',
])
const MEDIA = /^og:(?:image|video|audio)(?::(?:secure_url|width|height|alt|type))?$/
/** Cards that need no more than their name: others have fields of their own, which stay as they are. */
const PLAIN_CARDS = new Set(['summary', 'summary_large_image'])

const filled = (tree: Tree): Tree =>
  Object.fromEntries(
    Object.entries(tree).filter(
      ([, value]) =>
        value !== undefined &&
        !(Array.isArray(value) && value.length === 0) &&
        !(typeof value === 'object' && value !== null && !Array.isArray(value) && Object.keys(value).length === 0),
    ),
  )

/** The object's kind with its fields; nothing of one that the framework has no type for. */
function kindOf(tags: Tags): { fields: Tree; placed: Set<string> } {
  const type = tags.find(({ key }) => key === 'og:type')?.value
  const known = type !== undefined && Object.hasOwn(KINDS, type) ? KINDS[type]! : null
  if (!known) return { fields: {}, placed: new Set() }
  const fields: Tree = { type }
  for (const [tag, field, many] of known) {
    const values = tags.flatMap(({ key, value }) => (key === tag ? [value] : []))
    if (values.length > 0) fields[field] = many ? values : values[0]
  }
  return { fields, placed: new Set(['og:type', ...known.map(([tag]) => tag)]) }
}

/** The metadata object of a page, for frameworks of the app-router style (an exported `metadata`). */
export function metadataObject({ title, canonical, tags }: CardTags): Tree {
  const get = (key: string) => tags.find((tag) => tag.key === key)?.value
  const all = (key: string) => tags.flatMap((tag) => (tag.key === key ? [tag.value] : []))
  const cardImage = get('twitter:image')
  const card = get('twitter:card')
  const { fields, placed } = kindOf(tags)
  const isPlainCard = card !== undefined && PLAIN_CARDS.has(card)
  const [appId, admins] = [get('fb:app_id'), all('fb:admins')]
  // The framework takes one of the two.
  const facebook = appId !== undefined ? { appId } : admins.length > 0 ? { admins } : undefined
  const isPlaced = ({ key }: { key: string }) =>
    PLACED.has(key) ||
    placed.has(key) ||
    MEDIA.test(key) ||
    (key === 'twitter:card' && isPlainCard) ||
    key === 'fb:app_id' ||
    (key === 'fb:admins' && appId === undefined)
  const author = get('author')
  return filled({
    title: title ?? undefined,
    description: get('description'),
    authors: author === undefined ? undefined : [{ name: author }],
    alternates: { canonical },
    openGraph: filled({
      ...fields,
      siteName: get('og:site_name'),
      title: get('og:title'),
      description: get('og:description'),
      url: get('og:url'),
      locale: get('og:locale'),
      alternateLocale: all('og:locale:alternate'),
      images: mediaOf(tags, 'og:image'),
      videos: mediaOf(tags, 'og:video'),
      audio: mediaOf(tags, 'og:audio'),
    }),
    twitter: filled({
      card: isPlainCard ? card : undefined,
      site: get('twitter:site'),
      siteId: get('twitter:site:id'),
      creator: get('twitter:creator'),
      creatorId: get('twitter:creator:id'),
      title: get('twitter:title'),
      description: get('twitter:description'),
      images: cardImage === undefined ? undefined : [filled({ url: cardImage, alt: get('twitter:image:alt') })],
    }),
    facebook,
    other: valuesByKey(tags.filter((tag) => !isPlaced(tag))),
  })
}

/** TypeScript source; JSON's own escapes hold in it, but for two line ends that old parsers stumble over. */
const literal = (tree: Tree) =>
  JSON.stringify(tree, null, 2).replaceAll('\u2028', '\\u2028').replaceAll('\u2029', '\\u2029')

/** One page's object as a module, or several by their paths. */
export function pagesAsFramework(pages: readonly CardTags[]): string {
  if (pages.length === 1) return `export const metadata = ${literal(metadataObject(pages[0]!))}\n`
  const byPath = Object.fromEntries(pages.map((page) => [new URL(page.url).pathname, metadataObject(page)]))
  return `/** Metadata of each page by its path. */\nexport const metadataOfPages = ${literal(byPath)}\n`
}
