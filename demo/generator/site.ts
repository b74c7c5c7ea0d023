import { type Entry, guides, news, people, singles, tools, workshops } from './content'
import { escapeHtml, Head } from './head'
import type { Picture } from './pictures'
import { troubles as allTroubles, type Trouble } from './troubles'

export const SITE = 'https://brasswick.example/'
const SITE_NAME = 'Brasswick Mending Hall'

type Section = { path: string; name: string; intro: string; description: string; entries: Entry[]; type: string }

const sections: Section[] = [
  {
    path: 'guides',
    name: 'Guides',
    intro: 'Written by people who did it last week, and tested by people who never had.',
    description:
      'Repairs you can do yourself, step by step: lamps, clocks, chairs, zips, tents and whatever else breaks at home.',
    entries: guides,
    type: 'article',
  },
  {
    path: 'tools',
    name: 'Tools to borrow',
    intro: 'Bring a card with your address, and take home what you need until Friday.',
    description:
      'Drills, ladders, sewing machines and a lathe: borrow good tools by the day, with a short lesson when you want one.',
    entries: tools,
    type: 'product',
  },
  {
    path: 'workshops',
    name: 'Workshops',
    intro: 'Evenings and Saturdays in the hall. Everyone starts somewhere, mostly here.',
    description:
      'Lathe nights, lamp clinics and bike Saturdays: small groups, all tools here, nothing to know beforehand.',
    entries: workshops,
    type: 'website',
  },
  {
    path: 'people',
    name: 'People',
    intro: 'Who you will meet at the benches, and what to ask them about.',
    description: 'The people of the hall: who knows about clocks, who about chairs, and who has the keys.',
    entries: people,
    type: 'profile',
  },
  {
    path: 'news',
    name: 'News',
    intro: 'What happened, what is next, and what we are saving for.',
    description: 'News of the hall: new tools, opening hours, and the repairs that made us proud.',
    entries: news,
    type: 'article',
  },
]

/** One picture is stored under another name than its page's: the page's tags mistype it. */
const CHISEL = { named: 'img/sharpen-a-chisel.jpg', stored: 'img/chisels.webp' }

/** One file of the build. */
export type BuiltPage = { file: string; url: string; html: string }

const pictureOf = (entry: Entry): Picture => ({
  file: `img/${entry.slug || 'home'}.jpg`,
  width: 1200,
  height: 630,
  motif: entry.motif,
  palette: entry.palette,
})

const absolute = (path: string) => new URL(path, SITE).href

type PageParts = {
  file: string
  path: string
  entry: Entry
  type: string
  section: Section | null
  picture: Picture
  body: string
}

function jsonLd(parts: PageParts): string | null {
  const { entry, type, path, section, picture } = parts
  const common = {
    '@context': 'https://schema.org',
    name: entry.title,
    url: absolute(path),
    image: absolute(picture.file),
  }
  const organization = { '@type': 'Organization', name: SITE_NAME, url: SITE }
  const data =
    path === ''
      ? { ...common, ...organization }
      : type === 'article'
        ? {
            ...common,
            '@type': 'Article',
            headline: entry.title,
            author: { '@type': 'Person', name: 'Ada Quillfeather' },
            datePublished: '2026-11-02',
            publisher: organization,
          }
        : type === 'product' && entry.facts
          ? {
              ...common,
              '@type': 'Product',
              offers: {
                '@type': 'Offer',
                price: entry.facts[0]?.[1],
                priceCurrency: 'EUR',
                availability: 'https://schema.org/InStock',
              },
            }
          : section?.path === 'workshops' && entry.facts
            ? {
                ...common,
                '@type': 'Event',
                startDate: entry.facts[0]?.[1],
                location: { '@type': 'Place', name: SITE_NAME, address: 'Cooper’s Wharf 4, Brasswick' },
              }
            : type === 'profile'
              ? { ...common, '@type': 'Person' }
              : null
  return data && `<script type="application/ld+json">\n${JSON.stringify(data).replaceAll('<', '\\u003c')}\n</script>`
}

function rightHead(parts: PageParts): Head {
  const { entry, path, type, picture } = parts
  const title = path === '' ? entry.title : `${entry.title} | ${SITE_NAME}`
  const head = new Head()
    .raw('charset', '<meta charset="utf-8">')
    .meta('viewport', 'width=device-width, initial-scale=1')
    .raw('title', `<title>${escapeHtml(title)}</title>`)
    .meta('description', entry.description)
    .raw('icon', '<link rel="icon" href="/favicon.svg" type="image/svg+xml">')
    .raw('style', '<link rel="stylesheet" href="/style.css">')
    .raw('canonical', `<link rel="canonical" href="${absolute(path)}">`)
    .meta('og:type', type)
    .meta('og:site_name', SITE_NAME)
    .meta('og:title', entry.title)
    .meta('og:description', entry.description)
    .meta('og:url', absolute(path))
    .meta('og:locale', 'en_GB')
    .meta('og:image', absolute(picture.file))
    .meta('og:image:width', '1200')
    .meta('og:image:height', '630')
    .meta('og:image:alt', entry.alt)
    .meta('twitter:card', 'summary_large_image')
    .meta('twitter:site', '@brasswickhall')
  if (type === 'article')
    head
      .meta('article:published_time', '2026-11-02T09:00:00+00:00')
      .meta('article:author', absolute('people/ada-quillfeather'))
  const data = jsonLd(parts)
  return data ? head.raw('json-ld', data) : head
}

const NAV = [...sections.map(({ path, name }) => [`/${path}/`, name] as const), ['/visit', 'Visit'] as const]

function pageHtml(head: Head, body: string, isShell: boolean): string {
  const nav = NAV.map(([href, name]) => `<a href="${href}">${name}</a>`).join(' ')
  const frame = isShell
    ? '<div id="app"></div>'
    : `<header class="top"><a class="mark" href="/">${SITE_NAME}</a><nav>${nav}</nav></header>\n${body}\n<footer><p>${SITE_NAME}, Cooper’s Wharf 4, Brasswick. <a href="/about">About the hall</a></p></footer>`
  return `<!doctype html>\n<html lang="en">\n<head>\n${head.lines().join('\n')}\n</head>\n<body>\n${frame}\n</body>\n</html>\n`
}

function entryBody(entry: Entry, picture: Picture, extra = ''): string {
  const facts = entry.facts?.map(([name, value]) => `<dt>${name}</dt><dd>${value}</dd>`).join('')
  return `<main>\n<h1>${escapeHtml(entry.title)}</h1>\n<p>${escapeHtml(entry.lead)}</p>\n<img src="/${picture.file}" alt="${escapeHtml(entry.alt)}" width="${picture.width}" height="${picture.height}">\n${facts ? `<dl>${facts}</dl>\n` : ''}<p>${escapeHtml(entry.description)}</p>\n${extra}</main>`
}

const listBody = (section: Section) =>
  `<main>\n<h1>${section.name}</h1>\n<p>${section.intro}</p>\n<ul class="cards">\n${section.entries
    .map(
      ({ slug, title, description }) =>
        `<li><a href="/${section.path}/${slug}"><strong>${escapeHtml(title)}</strong><span>${escapeHtml(description)}</span></a></li>`,
    )
    .join('\n')}\n</ul>\n</main>`

const SHARE_BUTTON =
  '<p><a href="https://feed.example/share?url=https%3A%2F%2Fbrasswick.example%2Fnews%2F&amp;via=oldaccount">Share this</a></p>\n'

function partsOf(edit: NonNullable<Variation['edit']>): PageParts[] {
  const { home, visit, about } = singles
  const edited = sections.map((section) => ({ ...section, entries: edit(section.path, section.entries) }))
  const single = (entry: Entry, path: string): PageParts => {
    const picture = pictureOf(entry)
    return {
      file: path === '' ? 'index.html' : `${path}.html`,
      path,
      entry,
      type: 'website',
      section: null,
      picture,
      body: entryBody(entry, picture),
    }
  }
  const lists = edited.map((section): PageParts => {
    const entry: Entry = {
      ...home,
      slug: section.path,
      title: section.name,
      description: section.description,
      lead: section.intro,
    }
    const picture = { ...pictureOf(home), file: 'img/default.png' }
    return {
      file: `${section.path}/index.html`,
      path: `${section.path}/`,
      entry: { ...entry, alt: SITE_NAME },
      type: 'website',
      section,
      picture,
      body: listBody(section),
    }
  })
  const entries = edited.flatMap((section) =>
    section.entries.map((entry): PageParts => {
      const picture = pictureOf(entry)
      const extra = entry.slug === 'winter-hours' ? SHARE_BUTTON : ''
      return {
        file: `${section.path}/${entry.slug}.html`,
        path: `${section.path}/${entry.slug}`,
        entry,
        type: section.type,
        section,
        picture,
        body: entryBody(entry, picture, extra),
      }
    }),
  )
  return [single(home, ''), single(visit, 'visit'), single(about, 'about'), ...lists, ...entries]
}

/** A variation of the site: which troubles it has, and what else was edited. */
export type Variation = {
  troubles: readonly Trouble[]
  /** Entries of a section, by its path, in place of those it was built with. */
  edit?: (section: string, entries: Entry[]) => Entry[]
}

const asTheyAre = (_section: string, entries: Entry[]) => entries

export const asBuilt: Variation = { troubles: allTroubles }

/** Every page and picture of a variation of the site. */
export function buildSite(variation: Variation = asBuilt): { pages: BuiltPage[]; pictures: Picture[] } {
  const troubleOf = new Map(variation.troubles.map((trouble) => [trouble.file, trouble]))
  const pictures = new Map<string, Picture>()
  const pages = partsOf(variation.edit ?? asTheyAre).map((parts): BuiltPage => {
    const trouble = troubleOf.get(parts.file)
    const picture = trouble?.picture ? { ...parts.picture, ...trouble.picture } : parts.picture
    const head = rightHead({ ...parts, picture })
    trouble?.edit(head, SITE)
    const isShell = parts.file === 'tools/booking.html' && trouble !== undefined
    const shownFile = picture.file === CHISEL.named ? CHISEL.stored : picture.file
    const body = parts.body.replace(`src="/${parts.picture.file}"`, `src="/${shownFile}"`)
    const shown = trouble?.withoutContentPicture ? body.replace(/<img [^>]*>\n/, '') : body
    if (picture.file !== 'img/default.png') pictures.set(picture.file, picture)
    return { file: parts.file, url: absolute(parts.path), html: pageHtml(head, shown, isShell) }
  })
  pictures.set('img/default.png', {
    ...pictureOf(singles.home),
    file: 'img/default.png',
    at: [0.5, 0.42],
    scale: 0.6,
    words: [{ text: SITE_NAME, x: 0.2, y: 0.93, size: 0.1 }],
  })
  const chisel = pictures.get(CHISEL.named)
  if (chisel) {
    pictures.delete(CHISEL.named)
    pictures.set(CHISEL.stored, { ...chisel, file: CHISEL.stored })
  }
  return { pages, pictures: [...pictures.values()] }
}
