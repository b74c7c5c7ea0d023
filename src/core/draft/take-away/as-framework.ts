import { type CardTags, valuesByKey } from './card-tags'

type Tree = { [key: string]: unknown }

const one = (tags: CardTags['tags'], key: string) => tags.find((tag) => tag.key === key)?.value

/** Pictures with what is declared of each. */
function imagesOf(tags: CardTags['tags']): Tree[] {
  const images: Tree[] = []
  for (const { key, value } of tags) {
    if (key === 'og:image') images.push({ url: value })
    const last = images.at(-1)
    const property = /^og:image:(width|height|alt|type)$/.exec(key)?.[1]
    if (!last || !property) continue
    last[property] = property === 'width' || property === 'height' ? Number(value) : value
  }
  return images
}

/** Keys that the object has a place for; the rest goes to `other`, as the framework writes it. */
const PLACED =
  /^(?:description|author|og:(?:type|site_name|title|description|url|locale|image(?::\w+)?)|twitter:(?:card|site|creator|title|description|image(?::\w+)?)|fb:app_id)$/

const filled = (tree: Tree): Tree =>
  Object.fromEntries(
    Object.entries(tree).filter(([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0)),
  )

/** The metadata object of a page, for frameworks of the app-router style (an exported `metadata`). */
export function metadataObject({ title, canonical, tags }: CardTags): Tree {
  const get = (key: string) => one(tags, key)
  const cardImage = get('twitter:image')
  const other = valuesByKey(tags.filter(({ key }) => !PLACED.test(key)))
  const author = get('author')
  return filled({
    title: title ?? undefined,
    description: get('description'),
    authors: author === undefined ? undefined : [{ name: author }],
    alternates: { canonical },
    openGraph: filled({
      type: get('og:type'),
      siteName: get('og:site_name'),
      title: get('og:title'),
      description: get('og:description'),
      url: get('og:url'),
      locale: get('og:locale'),
      images: imagesOf(tags),
    }),
    twitter: filled({
      card: get('twitter:card'),
      site: get('twitter:site'),
      creator: get('twitter:creator'),
      title: get('twitter:title'),
      description: get('twitter:description'),
      images: cardImage === undefined ? undefined : [filled({ url: cardImage, alt: get('twitter:image:alt') })],
    }),
    facebook: get('fb:app_id') === undefined ? undefined : { appId: get('fb:app_id') },
    other: Object.keys(other).length > 0 ? other : undefined,
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
