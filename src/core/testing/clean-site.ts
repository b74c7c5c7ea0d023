import { escapeAttribute, escapeText } from '../text'
import type { MemoryBuild } from './build-run'
import { pngBytes } from './good-site'

export const CLEAN_SITE = 'https://lanterns.example/'

/** One page of the clean site: what it says, tag by tag, so that a test changes one thing. */
export type CleanPage = {
  path: string
  url: string
  lang: string
  /** The page's own name, without the site's. */
  name: string
  sentence: string
  /** Whole tags by their key, in the order in which they are written. */
  head: Map<string, string>
  body: string
  /** Data of the JSON-LD script; text is written as it is, null for none. */
  jsonLd: object | string | null
}

/** A site without a fault, in memory, to be changed by a test before it is built. */
export type CleanSite = {
  pages: Map<string, CleanPage>
  /** Images and whatever else lies in the build. */
  files: MemoryBuild
  robots: string
  /** URLs that the sitemap lists. */
  sitemap: string[]
}

type Entry = [path: string, name: string, sentence: string, paragraph: string]

const TOP: Entry[] = [
  [
    '',
    'Lantern workshop on the river',
    'We mend storm lanterns by hand, teach others to do it, and lend tools to those who want to try.',
    'The workshop opened in an old boat house, and every lamp on the quay has been on its benches since.',
  ],
  [
    'about/',
    'Who runs the workshop, and how',
    'Eleven volunteers run the lantern workshop, and this page says who they are and how they decide.',
    'Nobody here is paid. The rent comes from the sale of lamps that nobody came back for within a year.',
  ],
  [
    'contact/',
    'How to find and to ring us',
    'The way to the boat house by tram, bicycle and boat, with opening hours and a number that is answered.',
    'Ring the bell at the blue door beside the slipway. Parcels are taken in until five in the afternoon.',
  ],
  [
    'shop/storm-lamp/',
    'Storm lamp with a brass collar',
    'A mended storm lamp with a new wick and a brass collar, tested in the wind tunnel of the boat house.',
    'Each lamp comes with a spare glass and a card that tells where it was found and what was done to it.',
  ],
]

const GUIDES: Entry[] = [
  [
    'guides/',
    'All guides, from wick to glass',
    'Guides to each part of a storm lantern, ordered by how often it breaks, with the tools that are needed.',
    'Start with the wick, since most lamps that smoke need nothing else. The hinge can wait for winter.',
  ],
  [
    'guides/trim-a-wick/',
    'Trim a wick so that it burns even',
    'How to cut a wick square, how far to raise it, and what a flame looks like when both are right.',
    'Take the burner out before you cut. Scissors leave threads; a razor on a block of oak does not.',
  ],
  [
    'guides/clean-a-globe/',
    'Clean a globe without scratching',
    'Soot comes off with vinegar and newspaper; this guide shows the order of work and what never to use.',
    'Let the globe cool for an hour. Warm glass cracks under cold water, however carefully it is held.',
  ],
  [
    'guides/solder-a-tank/',
    'Solder a tank that drips at the seam',
    'Find the leak with chalk, empty and air the tank, and close the seam with a low-melting solder.',
    'A drop of water in the seam ruins the joint. Warm the whole side with a heat gun before you begin.',
  ],
  [
    'guides/straighten-a-guard/',
    'Straighten a guard after a fall',
    'Bent wires go back over a wooden former; the guide gives its diameter for the five common lamps.',
    'Mark the top wire with tape. It carries the handle, and it is the one that breaks when bent twice.',
  ],
  [
    'guides/replace-a-hinge/',
    'Replace a hinge that has rusted through',
    'Drill the old pin, fit a brass one, and leave enough play for the frame to open when it is hot.',
    'Rust hides in the lower knuckle. Tap it from below, and catch the crumbs in a tin, not in your hand.',
  ],
  [
    'guides/choose-an-oil/',
    'Choose an oil that suits your lamp',
    'Lamp oil, rapeseed and paraffin side by side: smell, price, soot, and which wick each of them needs.',
    'Rapeseed creeps up a wick slowly, so the burner has to sit low. Old lamps were built for just that.',
  ],
  [
    'guides/store-for-summer/',
    'Store lamps over the summer',
    'What to empty, what to oil and what to hang up, so that a lamp lights at once in the first dark week.',
    'Hang lamps by the bail, never by the guard. A shelf above the stove dries the leather of the pump.',
  ],
]

const NEWS: Entry[] = [
  [
    'news/',
    'News from the benches',
    'What was mended, found and given away at the boat house, told about once a month by those who did it.',
    'Most months bring some forty lamps. We write about the three or four that taught us something.',
  ],
  [
    'news/flood-lamps/',
    'Forty lamps came out of the flood',
    'After the spring flood forty lanterns reached us in a barge; thirty-one of them burn again by now.',
    'Mud had set in the burners like mortar. A week in warm water with washing soda brought most back.',
  ],
  [
    'news/new-lathe/',
    'A lathe from the closed tram depot',
    'The depot gave us its small lathe, and we can turn collars and caps here instead of sending them out.',
    'It took six people and a piano trolley. The bed was straight to a tenth of a millimetre, to our surprise.',
  ],
  [
    'news/night-market/',
    'The night market is lit by our lamps',
    'For the third year the traders on the quay borrowed lanterns from us, and two of them came back better.',
    'A fishmonger mended a globe with copper foil, the way windows were made. We have copied it ever since.',
  ],
  [
    'news/school-visit/',
    'Thirty children made a lamp each',
    'A class from the hill school spent two days at the benches and took thirty working lamps home with them.',
    'Their lamps have tin bodies and jam jars for globes. The tallest burned all night on its first evening.',
  ],
  [
    'news/lost-moulds/',
    'We found the moulds of a lost maker',
    'In a cellar by the lock stood the glass moulds of a maker whose lamps had no spare globes for decades.',
    'The glass works will cast a first hundred. Whoever owns such a lamp can put their name on the list.',
  ],
]

const PEOPLE: Entry[] = [
  [
    'people/',
    'The people at the benches',
    'Who mends what: the volunteers of the boat house, their days, and the lamps that they know best.',
    'Come on the day of the person you need. Everybody helps with wicks; tanks and glass are for three of us.',
  ],
  [
    'people/ines-marlow/',
    'Ines Marlow, tanks and seams',
    'Ines Marlow solders tanks on Tuesdays, and keeps the book in which every lamp of the house is entered.',
    'She learned on ships, where a leak is found by its smell. Her seams are flat enough to be painted over.',
  ],
  [
    'people/tom-aldery/',
    'Tom Aldery, glass and globes',
    'Tom Aldery cuts and fits globes on Thursdays, and knows which of the old moulds will fit which burner.',
    'He came with a box of broken globes and stayed. The copper foil on the market lamps was his idea too.',
  ],
  [
    'people/ruth-venn/',
    'Ruth Venn, guides and lessons',
    'Ruth Venn writes the guides, teaches on Saturdays, and answers letters from people who live far away.',
    'Every guide is tried on two beginners before it is printed. Where they stumble, the text is changed.',
  ],
]

const GERMAN: Entry[] = [
  [
    'de/',
    'Laternenwerkstatt am Fluss',
    'Wir reparieren Sturmlaternen von Hand, zeigen anderen, wie das geht, und verleihen das Werkzeug dazu.',
    'Die Werkstatt liegt in einem alten Bootshaus, und jede Lampe vom Kai lag schon auf ihren Werkbänken.',
  ],
  [
    'de/about/',
    'Wer die Werkstatt führt',
    'Elf Freiwillige führen die Laternenwerkstatt, und diese Seite sagt, wer sie sind und wie sie entscheiden.',
    'Niemand wird hier bezahlt. Die Miete kommt aus dem Verkauf von Lampen, die ein Jahr niemand geholt hat.',
  ],
  [
    'de/contact/',
    'So finden und erreichen Sie uns',
    'Der Weg zum Bootshaus mit der Bahn, dem Rad und dem Boot, dazu die Öffnungszeiten und eine Nummer.',
    'Läuten Sie an der blauen Tür neben der Rampe. Pakete nehmen wir an jedem Tag bis fünf Uhr entgegen.',
  ],
]

const ENTRIES = [...TOP, ...GUIDES, ...NEWS, ...PEOPLE, ...GERMAN]
const AUTHORS = ['Ines Marlow', 'Tom Aldery', 'Ruth Venn']

export const metaTag = (key: string, value: string): string =>
  `<meta ${/^(?:og|article|profile|product|fb):/.test(key) ? 'property' : 'name'}="${key}" content="${escapeAttribute(value)}">`
export const canonicalTag = (url: string): string => `<link rel="canonical" href="${escapeAttribute(url)}">`
export const titleTag = (title: string): string => `<title>${escapeText(title)}</title>`

const imageOf = (path: string) => `img/${path === '' ? 'home' : path.slice(0, -1).replaceAll('/', '-')}.png`
const isGerman = (path: string) => path.startsWith('de/')
const siteName = (path: string) => (isGerman(path) ? 'Laternen am Kai' : 'Quay Lanterns')
const isArticle = (path: string) => path.startsWith('news/') && path !== 'news/'
const isPerson = (path: string) => path.startsWith('people/') && path !== 'people/'

function typeOf(path: string): string {
  if (isArticle(path)) return 'article'
  if (isPerson(path)) return 'profile'
  return path.startsWith('shop/') ? 'product' : 'website'
}

/** Tags that pages of one type have, and only these. */
function tagsOfType(path: string, number: number): [string, string][] {
  if (isArticle(path)) {
    return [
      ['article:published_time', metaTag('article:published_time', `2026-0${1 + (number % 8)}-12T09:00:00+00:00`)],
      ['author', metaTag('author', AUTHORS[number % 3]!)],
    ]
  }
  if (!path.startsWith('shop/')) return []
  return [
    ['product:price:amount', metaTag('product:price:amount', '48.00')],
    ['product:price:currency', metaTag('product:price:currency', 'EUR')],
    ['product:availability', metaTag('product:availability', 'instock')],
  ]
}

/** Pages that stand in two languages: each names both, and the links that lead from one to the other. */
function twinsOf(path: string): [string, string][] {
  const english = isGerman(path) ? path.slice(3) : path
  if (!GERMAN.some(([german]) => german === `de/${english}`)) return []
  return [
    ['hreflang en', `<link rel="alternate" hreflang="en" href="${CLEAN_SITE}${english}">`],
    ['hreflang de', `<link rel="alternate" hreflang="de" href="${CLEAN_SITE}de/${english}">`],
  ]
}

function headOf([path, name, sentence]: Entry, number: number): Map<string, string> {
  const url = `${CLEAN_SITE}${path}`
  return new Map([
    ['charset', '<meta charset="utf-8">'],
    ['title', titleTag(`${name} – ${siteName(path)}`)],
    ['description', metaTag('description', sentence)],
    ['canonical', canonicalTag(url)],
    ...twinsOf(path),
    ['og:type', metaTag('og:type', typeOf(path))],
    ['og:site_name', metaTag('og:site_name', siteName(path))],
    ['og:locale', metaTag('og:locale', isGerman(path) ? 'de_DE' : 'en_GB')],
    ['og:title', metaTag('og:title', name)],
    ['og:description', metaTag('og:description', sentence)],
    ['og:url', metaTag('og:url', url)],
    ['og:image', metaTag('og:image', `${CLEAN_SITE}${imageOf(path)}`)],
    ['og:image:width', metaTag('og:image:width', '1200')],
    ['og:image:height', metaTag('og:image:height', '630')],
    ['og:image:alt', metaTag('og:image:alt', isGerman(path) ? `Bild: ${name}` : `Drawing: ${name}`)],
    ...tagsOfType(path, number),
    ['twitter:card', metaTag('twitter:card', 'summary_large_image')],
    ['icon', '<link rel="icon" href="/favicon.ico">'],
  ])
}

/** Links to every page stand on its section's first page, and in the navigation of all. */
function bodyOf([path, name, , paragraph]: Entry): string {
  const here = ENTRIES.filter(
    ([other]) => other !== path && other.startsWith(path) && (path !== '' || !isGerman(other)),
  )
  const twin = twinsOf(path).length === 0 ? [] : [isGerman(path) ? path.slice(3) : `de/${path}`]
  const list = here.map(([other, title]) => `<li><a href="/${other}">${escapeText(title)}</a></li>`).join('')
  const other = twin.map((to) => `<a href="/${to}">${isGerman(path) ? 'English' : 'Deutsch'}</a>`).join('')
  const nav = ['', 'about/', 'contact/', 'guides/', 'news/', 'people/', 'shop/storm-lamp/']
    .map((to) => `<a href="/${to}">${to === '' ? 'Home' : to.split('/')[0]}</a>`)
    .join(' ')
  return `<header><nav>${nav} ${other}</nav></header>\n<main><h1>${escapeText(name)}</h1>\n<p>${escapeText(paragraph)}</p>\n<ul>${list}</ul></main>\n<footer><p>The boat house is open from Tuesday to Saturday, from nine to six.</p></footer>`
}

function jsonLdOf([path, name]: Entry, number: number): object | null {
  if (path === '')
    return { '@context': 'https://schema.org', '@type': 'Organization', name: 'Quay Lanterns', url: CLEAN_SITE }
  if (!isArticle(path)) return null
  return {
    '@context': 'https://schema.org',
    '@type': 'Article',
    headline: name,
    author: { '@type': 'Person', name: AUTHORS[number % 3] },
    datePublished: `2026-0${1 + (number % 8)}-12`,
    image: `${CLEAN_SITE}${imageOf(path)}`,
  }
}

/** Twenty-five pages of six kinds in two languages, each with an image of its own, and nothing wrong with any. */
export function cleanSite(): CleanSite {
  const pages = ENTRIES.map((entry, number): [string, CleanPage] => {
    const [path, name, sentence] = entry
    return [
      path,
      {
        path,
        url: `${CLEAN_SITE}${path}`,
        lang: isGerman(path) ? 'de' : 'en',
        name,
        sentence,
        head: headOf(entry, number),
        body: bodyOf(entry),
        jsonLd: jsonLdOf(entry, number),
      },
    ]
  })
  const images = ENTRIES.map(([path], number): [string, Uint8Array] => [
    imageOf(path),
    pngBytes(1200, 630, 60_000 + 7 * number),
  ])
  return {
    pages: new Map(pages),
    files: {
      ...Object.fromEntries(images),
      'favicon.ico': new Uint8Array([0, 0, 1, 0, 1, 0, 16, 16, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0]),
    },
    robots: `User-agent: *\nAllow: /\n\nSitemap: ${CLEAN_SITE}sitemap.xml\n`,
    sitemap: ENTRIES.map(([path]) => `${CLEAN_SITE}${path}`),
  }
}

/** HTML of a page as it is now, one tag a line. */
export function htmlOf({ lang, head, body, jsonLd }: CleanPage): string {
  const data = jsonLd === null ? [] : [typeof jsonLd === 'string' ? jsonLd : JSON.stringify(jsonLd)]
  const scripts = data.map((text) => `<script type="application/ld+json">${text}</script>`)
  return `<!doctype html>\n<html lang="${lang}">\n<head>\n${[...head.values(), ...scripts].join('\n')}\n</head>\n<body>\n${body}\n</body>\n</html>\n`
}

/** The files of the site as it is now. */
export function buildOf({ pages, files, robots, sitemap }: CleanSite): MemoryBuild {
  const html = [...pages.values()].map((page): [string, string] => [`${page.path}index.html`, htmlOf(page)])
  const entries = sitemap.map((url) => `<url><loc>${escapeText(url)}</loc></url>`).join('')
  return {
    // A file of the site stands for the page of its name.
    ...Object.fromEntries(html),
    'robots.txt': robots,
    'sitemap.xml': `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${entries}</urlset>\n`,
    ...files,
  }
}
