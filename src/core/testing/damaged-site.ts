import type { EditRule } from '../cause/rule-of'
import type { MemoryBuild } from './build-run'
import { pngBytes } from './good-site'

export const LARGE_SITE = 'https://large.example/'

/** A page of the site: its folder, its name, what its head says, tag by tag. */
type Head = Map<string, string>
type SitePage = {
  path: string
  section: string
  name: string
  url: string
  number: number
  head: Head
  lang: string | null
}

/** One thing that is wrong: what it does to a page's head, and the edits that mend it. */
type Damage = {
  apply(page: SitePage): void
  rules: Record<string, EditRule>
  /** On all pages it is a setting of the site. */
  isSetting?: true
}

export type Seeded = { kind: string; level: 'site' | 'section' | 'page' }

const meta = (key: string, value: string, attribute = /^(?:og|article|fb):/.test(key) ? 'property' : 'name') =>
  `<meta ${attribute}="${key}" content="${value}">`
const say =
  (key: string, value: (page: SitePage) => string) =>
  (page: SitePage): void => {
    page.head.set(key, meta(key, value(page)))
  }
const drop =
  (...keys: string[]) =>
  ({ head }: SitePage): void => {
    for (const key of keys) head.delete(key)
  }
const canonical =
  (value: (page: SitePage) => string) =>
  (page: SitePage): void => {
    page.head.set('canonical', `<link rel="canonical" href="${value(page)}">`)
  }
const insecure = (url: string) => url.replace('https:', 'http:')
const onStaging = (url: string) => url.replace('https://large.example', 'http://localhost:3000')
const pictureOf = ({ number }: SitePage) => `${LARGE_SITE}img/p${number}.png`
const SECURE: EditRule = { from: 'http:{rest}', to: 'https:{rest}' }
const PRODUCTION: EditRule = { from: 'http://localhost:3000/{rest}', to: 'https://large.example/{rest}' }
const WHOLE: EditRule = { from: '/{rest}', to: 'https://large.example/{rest}' }

/** Faults as templates make them, each mended by the edits named beside it. */
export const DAMAGES: Readonly<Record<string, Damage>> = {
  'no-lang': {
    apply: (page) => {
      page.lang = null
    },
    rules: { 'html lang': { from: null, to: '{language}' } },
  },
  'no-canonical': { apply: drop('canonical'), rules: { canonical: { from: null, to: '{page}' } } },
  'canonical-index': {
    apply: canonical(({ url }) => `${url}index.html`),
    rules: { canonical: { from: '{page}index.html', to: '{page}' } },
  },
  'canonical-http': { apply: canonical(({ url }) => insecure(url)), rules: { canonical: SECURE }, isSetting: true },
  'canonical-relative': {
    apply: canonical(({ path }) => `/${path}`),
    rules: { canonical: WHOLE },
    isSetting: true,
  },
  'no-og-url': { apply: drop('og:url'), rules: { 'og:url': { from: null, to: '{page}' } } },
  'og-url-index': {
    apply: say('og:url', ({ url }) => `${url}index.html`),
    rules: { 'og:url': { from: '{page}index.html', to: '{page}' } },
  },
  'og-url-http': { apply: say('og:url', ({ url }) => insecure(url)), rules: { 'og:url': SECURE }, isSetting: true },
  'og-url-relative': { apply: say('og:url', ({ path }) => `/${path}`), rules: { 'og:url': WHOLE }, isSetting: true },
  'og-url-staging': {
    apply: say('og:url', ({ url }) => onStaging(url)),
    rules: { 'og:url': PRODUCTION },
    isSetting: true,
  },
  'og-url-empty': { apply: say('og:url', () => ''), rules: { 'og:url': { from: '', to: '{page}' } } },
  'no-card': { apply: drop('twitter:card'), rules: { 'twitter:card': { from: null, to: 'summary_large_image' } } },
  'card-unknown': {
    apply: say('twitter:card', () => 'large'),
    rules: { 'twitter:card': { from: 'large', to: 'summary_large_image' } },
  },
  'card-small': {
    apply: say('twitter:card', () => 'summary'),
    rules: { 'twitter:card': { from: 'summary', to: 'summary_large_image' } },
  },
  'no-type': { apply: drop('og:type'), rules: { 'og:type': { from: null, to: 'website' } } },
  'type-unknown': {
    apply: say('og:type', () => 'webpages'),
    rules: { 'og:type': { from: 'webpages', to: 'website' } },
  },
  'type-obsolete': { apply: say('og:type', () => 'blog'), rules: { 'og:type': { from: 'blog', to: 'website' } } },
  'no-site-name': {
    apply: drop('og:site_name'),
    rules: { 'og:site_name': { from: null, to: 'Large Site' } },
    isSetting: true,
  },
  'no-og-title': { apply: drop('og:title'), rules: { 'og:title': { from: null, to: '{title’s own part}' } } },
  'title-of-template': {
    apply: say('og:title', () => 'Untitled'),
    rules: { 'og:title': { from: 'Untitled', to: '{title’s own part}' } },
  },
  'no-descriptions': {
    apply: drop('description', 'og:description'),
    rules: { description: { from: null, to: '{paragraph}' }, 'og:description': { from: null, to: '{paragraph}' } },
  },
  'no-og-description': {
    apply: drop('og:description'),
    rules: { 'og:description': { from: null, to: '{description}' } },
  },
  'og-description-empty': {
    apply: say('og:description', () => ''),
    rules: { 'og:description': { from: '', to: '{description}' } },
  },
  'no-picture': {
    apply: drop('og:image', 'og:image:width', 'og:image:height', 'og:image:alt'),
    rules: { 'og:image': { from: null, to: '{content picture}' } },
  },
  'picture-relative': {
    apply: say('og:image', ({ number }) => `/img/p${number}.png`),
    rules: { 'og:image': WHOLE },
    isSetting: true,
  },
  'picture-http': {
    apply: say('og:image', (page) => insecure(pictureOf(page))),
    rules: { 'og:image': SECURE },
    isSetting: true,
  },
  'picture-staging': {
    apply: say('og:image', (page) => onStaging(pictureOf(page))),
    rules: { 'og:image': PRODUCTION },
    isSetting: true,
  },
  'no-alt': { apply: drop('og:image:alt'), rules: { 'og:image:alt': { from: null, to: '{content alt}' } } },
  'no-size': {
    apply: drop('og:image:width', 'og:image:height'),
    rules: { 'og:image:width': { from: null, to: '{width}' }, 'og:image:height': { from: null, to: '{height}' } },
  },
  'size-wrong': {
    apply: (page) => {
      say('og:image:width', () => '600')(page)
      say('og:image:height', () => '315')(page)
    },
    rules: {
      'og:image:width': { from: '{value}', to: '{width}' },
      'og:image:height': { from: '{value}', to: '{height}' },
    },
  },
  'card-under-property': {
    apply: ({ head }) => {
      head.set('twitter:card', meta('twitter:card', 'summary_large_image', 'property'))
    },
    rules: { 'twitter:card': { from: 'property', to: 'name' } },
  },
  'type-under-name': {
    apply: ({ head }) => {
      head.set('og:type', meta('og:type', 'website', 'name'))
    },
    rules: { 'og:type': { from: 'name', to: 'property' } },
  },
  misspelled: {
    apply: ({ head, name }) => {
      head.set('og:description', meta('og:desciption', described(name)))
    },
    rules: { 'og:desciption': { from: 'og:desciption', to: 'og:description' } },
  },
  'title-twice': {
    apply: ({ head }) => {
      head.set('second', meta('og:title', 'Something else altogether'))
    },
    rules: { 'og:title': { from: 'twice', to: 'once' } },
  },
  'account-address': {
    apply: say('twitter:site', () => 'https://feed.example/largesite'),
    rules: { 'twitter:site': { from: 'https://feed.example/largesite', to: '@largesite' } },
    isSetting: true,
  },
  'locale-of-language': {
    apply: say('og:locale', () => 'en'),
    rules: { 'og:locale': { from: '{value}', to: '{locale}' } },
  },
  'keywords-empty': { apply: say('keywords', () => ''), rules: { keywords: { from: '', to: null } } },
}

/** What a page of the site is about. */
const NAMES = [
  'Anemones',
  'Beeches',
  'Cowslips',
  'Daffodils',
  'Elders',
  'Foxgloves',
  'Gentians',
  'Hawthorns',
  'Irises',
  'Junipers',
  'Knapweeds',
  'Lavenders',
  'Marigolds',
  'Nettles',
  'Orchids',
  'Primroses',
  'Quinces',
  'Rowans',
  'Snowdrops',
  'Thistles',
  'Umbels',
  'Violets',
  'Willows',
  'Yarrows',
]
const SECTIONS = ['guides', 'news', 'tools']

const described = (name: string) =>
  `${name} of the garden: one sentence that says what this page is about, and for whom.`
const paragraphOf = (name: string) =>
  `How ${name.toLowerCase()} grow in the garden, and what you can do for them in the spring.`

function pageOf(path: string, name: string, number: number): SitePage {
  const url = `${LARGE_SITE}${path}`
  const title = `${name} of the garden`
  const head: Head = new Map([
    ['charset', '<meta charset="utf-8">'],
    ['title', `<title>${title} | Large Site</title>`],
    ['description', meta('description', described(name))],
    ['canonical', `<link rel="canonical" href="${url}">`],
    ['og:type', meta('og:type', 'website')],
    ['og:site_name', meta('og:site_name', 'Large Site')],
    ['og:title', meta('og:title', title)],
    ['og:description', meta('og:description', described(name))],
    ['og:url', meta('og:url', url)],
    ['og:image', meta('og:image', `${LARGE_SITE}img/p${number}.png`)],
    ['og:image:width', meta('og:image:width', '1200')],
    ['og:image:height', meta('og:image:height', '630')],
    ['og:image:alt', meta('og:image:alt', `A bed of ${name.toLowerCase()}`)],
    ['twitter:card', meta('twitter:card', 'summary_large_image')],
  ])
  return { path, section: path.split('/')[0]!, name, url, number, head, lang: 'en' }
}

function sitePages(): SitePage[] {
  const paths = NAMES.map((name, index) => `${SECTIONS[index % SECTIONS.length]}/${name.toLowerCase()}/`)
  return ['', ...paths].map((path, number) =>
    pageOf(path, number === 0 ? 'The whole garden' : NAMES[number - 1]!, number),
  )
}

/** Pages that a fault stands on: all of them, one section's, one. The home page is apart: a fault of it is no template's. */
function isHit(page: SitePage, level: Seeded['level']): boolean {
  if (level === 'site') return true
  return level === 'section' ? page.section === 'news' : page.number === 4
}

/** A site of 25 pages, in three sections and with a home page, impeccable but for what is seeded. */
export function damagedSite(seeded: readonly Seeded[]): MemoryBuild {
  const pages = sitePages()
  for (const { kind, level } of seeded) for (const page of pages) if (isHit(page, level)) DAMAGES[kind]!.apply(page)
  return buildOf(
    pages,
    pages.map(({ path, name }) => `<a href="/${path}">${name}</a>`),
  )
}

/** A site of so many pages, with the faults that each of them is given. */
export function damagedPages(
  count: number,
  sections: number,
  faultsOf: (page: SitePage) => readonly string[],
): MemoryBuild {
  const pages = Array.from({ length: count }, (_, number) => {
    const path = number === 0 ? '' : `s${number % sections}/p${number}/`
    return pageOf(path, `Bed ${number} and its plants`, number)
  })
  for (const page of pages) for (const kind of faultsOf(page)) DAMAGES[kind]!.apply(page)
  return buildOf(pages, [])
}

/** @param nav links that stand on every page */
function buildOf(pages: readonly SitePage[], nav: readonly string[]): MemoryBuild {
  const locations = pages.map(({ url }) => `<url><loc>${url}</loc></url>`).join('')
  const html = pages.map(({ path, name, number, head, lang }): [string, string] => [
    `${path}index.html`,
    `<!doctype html>\n<html${lang === null ? '' : ` lang="${lang}"`}>\n<head>\n${[...head.values()].join('\n')}\n</head>\n<body>\n<main><h1>${name}</h1>\n<img src="/img/p${number}.png" alt="A bed of ${name.toLowerCase()}">\n<p>${paragraphOf(name)}</p></main>\n<nav>${nav.join(' ')}</nav>\n</body>\n</html>\n`,
  ])
  const pictures = pages.map(({ number }): [string, Uint8Array] => {
    const png = pngBytes(1200, 630, nav.length > 0 ? 80_000 + number : 60 + number)
    // What differs in its filling looks different to the tests.
    png[44] = (number % 250) + 1
    return [`img/p${number}.png`, png]
  })
  return {
    ...Object.fromEntries(html),
    ...Object.fromEntries(pictures),
    'favicon.ico': new Uint8Array([0, 0, 1, 0, 1, 0, 16, 16, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0]),
    'sitemap.xml': `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${locations}</urlset>\n`,
  }
}
