/** Keys of tags that cards are made from. Those of the Open Graph protocol and of cards, and the plain ones. */
const EXACT = new Set([
  'description',
  'author',
  'keywords',
  'robots',
  'theme-color',
  'application-name',
  'fb:app_id',
  'fb:admins',
  'fb:pages',
  'og:title',
  'og:type',
  'og:image',
  'og:image:url',
  'og:image:secure_url',
  'og:image:type',
  'og:image:width',
  'og:image:height',
  'og:image:alt',
  'og:url',
  'og:audio',
  'og:audio:url',
  'og:audio:secure_url',
  'og:audio:type',
  'og:description',
  'og:determiner',
  'og:locale',
  'og:locale:alternate',
  'og:site_name',
  'og:video',
  'og:video:url',
  'og:video:secure_url',
  'og:video:type',
  'og:video:width',
  'og:video:height',
  'og:see_also',
  'og:updated_time',
  'twitter:card',
  'twitter:site',
  'twitter:site:id',
  'twitter:creator',
  'twitter:creator:id',
  'twitter:title',
  'twitter:description',
  'twitter:image',
  'twitter:image:src',
  'twitter:image:alt',
  'twitter:image:width',
  'twitter:image:height',
  'twitter:player',
  'twitter:player:width',
  'twitter:player:height',
  'twitter:player:stream',
  'twitter:label1',
  'twitter:data1',
  'twitter:label2',
  'twitter:data2',
  'twitter:url',
  'twitter:domain',
])

const PREFIXES = ['article:', 'book:', 'profile:', 'product:', 'music:', 'video:', 'twitter:app:']

/** Is this a tag that places read? */
export function isKnownKey(key: string): boolean {
  return EXACT.has(key) || PREFIXES.some((prefix) => key.startsWith(prefix))
}

/** Every key that is known by its whole name. */
export const knownKeys = (): Iterable<string> => EXACT

/** Keys of which a page has one: a second with another value is a contradiction. */
const SINGLE = new Set([
  'description',
  'og:title',
  'og:type',
  'og:url',
  'og:description',
  'og:site_name',
  'og:determiner',
  'og:locale',
  'twitter:card',
  'twitter:site',
  'twitter:creator',
  'twitter:title',
  'twitter:description',
  'twitter:image',
  'twitter:image:alt',
  'article:published_time',
  'article:modified_time',
  'fb:app_id',
])

export function isSingleValued(key: string): boolean {
  return SINGLE.has(key)
}
