/** What a tag's value is about: an edit of it may change what is found about the same. */
export type TagSubject =
  | 'title'
  | 'description'
  | 'picture'
  | 'picture-text'
  | 'type'
  | 'card'
  | 'address'
  | 'site-name'
  | 'account'
  | 'language'
  | 'access'
  | 'head'
  | 'tags'

/** What is known of a tag. A new one is a line in {@link TAGS}, and nothing else: every table derives from it. */
export type Tag = {
  /** As it stands in the page; `title`, `canonical`, `html lang`, `charset` and `json-ld name` are no meta elements. */
  key: string
  subject: TagSubject
  /** How many a page may have. `one`: a second with another value contradicts the first. Absent: nothing is said of it. */
  count?: 'one' | 'many'
  /** Its value is a URL that places fetch or open. */
  isUrl?: true
  /** One value for the whole site. */
  isOfSite?: true
  /** What has to be made before a person can write it. */
  needs?: string
  /** Stands for a value that is still to be made, so that an edit can be tried. */
  standIn?: string
  /** What it always comes to, in terms of the page: nobody writes it by hand. */
  always?: string
  /** Describes the tag of that key before it, and stays with it. */
  partOf?: string
}

const size = { standIn: '1200', needs: 'the picture, to take its size from', always: '{width}' }
const picture = { subject: 'picture', count: 'many' } as const
const account = { subject: 'account', needs: 'the account, as @name', standIn: '@account' } as const
const plain = { subject: 'tags' } as const

/** Every tag that is known by its whole name, in the order in which a person reads a card: exports keep it. */
export const TAGS: readonly Tag[] = [
  { key: 'description', subject: 'description', count: 'one' },
  { key: 'author', ...plain },
  { key: 'keywords', subject: 'description' },
  { key: 'robots', subject: 'access' },
  { key: 'theme-color', ...plain, count: 'many' },
  { key: 'application-name', ...plain },
  { key: 'og:type', subject: 'type', count: 'one', needs: 'the type of the page' },
  { key: 'og:site_name', subject: 'site-name', count: 'one', isOfSite: true, needs: 'the name of the site' },
  { key: 'og:title', subject: 'title', count: 'one' },
  { key: 'og:description', subject: 'description', count: 'one' },
  { key: 'og:determiner', ...plain, count: 'one' },
  { key: 'og:url', subject: 'address', count: 'one', isUrl: true, needs: 'the production URL' },
  { key: 'og:image', ...picture, isUrl: true, needs: 'a picture of 1200 × 630' },
  { key: 'og:image:url', ...picture, isUrl: true, partOf: 'og:image' },
  { key: 'og:image:secure_url', ...picture, isUrl: true, partOf: 'og:image' },
  { key: 'og:image:width', ...picture, partOf: 'og:image', ...size },
  { key: 'og:image:height', ...picture, partOf: 'og:image', ...size, standIn: '630', always: '{height}' },
  { key: 'og:image:type', ...picture, partOf: 'og:image' },
  {
    key: 'og:image:alt',
    // What a picture is called changes nothing of what is shown of it.
    subject: 'picture-text',
    count: 'many',
    partOf: 'og:image',
    needs: 'a text that says what the picture shows',
  },
  { key: 'og:video', ...plain, count: 'many', isUrl: true },
  { key: 'og:video:url', ...plain, count: 'many', partOf: 'og:video' },
  { key: 'og:video:secure_url', ...plain, count: 'many', partOf: 'og:video' },
  { key: 'og:video:type', ...plain, count: 'many', partOf: 'og:video' },
  { key: 'og:video:width', ...plain, count: 'many', partOf: 'og:video' },
  { key: 'og:video:height', ...plain, count: 'many', partOf: 'og:video' },
  { key: 'og:audio', ...plain, count: 'many', isUrl: true },
  { key: 'og:audio:url', ...plain, count: 'many', partOf: 'og:audio' },
  { key: 'og:audio:secure_url', ...plain, count: 'many', partOf: 'og:audio' },
  { key: 'og:audio:type', ...plain, count: 'many', partOf: 'og:audio' },
  { key: 'og:locale', subject: 'language', count: 'one', always: '{locale}' },
  { key: 'og:locale:alternate', subject: 'language', count: 'many' },
  { key: 'og:see_also', ...plain, count: 'many' },
  { key: 'og:updated_time', ...plain },
  { key: 'twitter:card', subject: 'card', count: 'one', needs: 'the kind of card' },
  { key: 'twitter:site', ...account, count: 'one', isOfSite: true },
  { key: 'twitter:site:id', subject: 'account' },
  { key: 'twitter:creator', ...account, count: 'one' },
  { key: 'twitter:creator:id', subject: 'account' },
  { key: 'twitter:title', subject: 'title', count: 'one' },
  { key: 'twitter:description', subject: 'description', count: 'one' },
  { key: 'twitter:image', subject: 'picture', count: 'one', isUrl: true },
  { key: 'twitter:image:src', subject: 'picture' },
  { key: 'twitter:image:width', subject: 'picture' },
  { key: 'twitter:image:height', subject: 'picture' },
  { key: 'twitter:image:alt', subject: 'picture-text', count: 'one' },
  { key: 'twitter:player', subject: 'card', isUrl: true },
  { key: 'twitter:player:width', subject: 'card' },
  { key: 'twitter:player:height', subject: 'card' },
  { key: 'twitter:player:stream', subject: 'card' },
  { key: 'twitter:label1', ...plain },
  { key: 'twitter:data1', ...plain },
  { key: 'twitter:label2', ...plain },
  { key: 'twitter:data2', ...plain },
  { key: 'twitter:url', ...plain },
  { key: 'twitter:domain', ...plain },
  { key: 'article:published_time', subject: 'type', count: 'one', needs: 'the day of publication' },
  { key: 'article:modified_time', subject: 'type', count: 'one' },
  { key: 'article:author', subject: 'type', count: 'many', needs: 'the author’s name' },
  { key: 'article:tag', subject: 'type', count: 'many' },
  { key: 'book:author', subject: 'type', count: 'many' },
  { key: 'book:tag', subject: 'type', count: 'many' },
  {
    key: 'fb:app_id',
    subject: 'account',
    count: 'one',
    isOfSite: true,
    needs: 'the app’s number',
    standIn: '1234567890',
  },
  { key: 'fb:admins', subject: 'account', isOfSite: true, needs: 'the account’s number', standIn: '1234567890' },
  { key: 'fb:pages', subject: 'account' },
]

/** What is edited like a tag and is no meta element. */
export const OTHERS: readonly Tag[] = [
  { key: 'title', subject: 'title', count: 'one' },
  { key: 'canonical', subject: 'address', count: 'one', isUrl: true, needs: 'the production URL' },
  {
    key: 'html lang',
    subject: 'language',
    count: 'one',
    needs: 'the language of the page',
    standIn: 'en',
    always: '{language}',
  },
  { key: 'charset', subject: 'head', count: 'one' },
  { key: 'googlebot', subject: 'access' },
]

/** Tags that are known by how they begin. */
export const FAMILIES: readonly { prefix: string; subject: TagSubject; count?: 'many' }[] = [
  { prefix: 'article:', subject: 'type' },
  { prefix: 'book:', subject: 'type' },
  { prefix: 'profile:', subject: 'type' },
  { prefix: 'product:', subject: 'type' },
  { prefix: 'music:', subject: 'type', count: 'many' },
  { prefix: 'video:', subject: 'type', count: 'many' },
  { prefix: 'twitter:app:', subject: 'card' },
]
