import type { MemoryBuild } from './build-run'

export const GOOD_SITE = 'https://site.example/'

const SITEMAP = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${['', 'about.html', 'visit.html'].map((path) => `<url><loc>${GOOD_SITE}${path}</loc></url>`).join('')}</urlset>\n`

/** A PNG file with these sides: what its size is read from, and an end. `bytes` pads it to a weight. */
export function pngBytes(width: number, height: number, bytes = 80_000): Uint8Array {
  const png = new Uint8Array(Math.max(bytes, 57))
  png.set([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52])
  const view = new DataView(png.buffer)
  view.setUint32(16, width)
  view.setUint32(20, height)
  png.set([8, 2, 0, 0, 0], 24)
  view.setUint32(33, png.length - 57)
  png.set([0x49, 0x44, 0x41, 0x54], 37)
  png.set([0x49, 0x45, 0x4e, 0x44], png.length - 8)
  return png
}

export type HeadChange = Record<string, string | null>

/** Tags of an impeccable head, in order, by key. */
const goodTags = (path: string, name: string): [string, string][] => [
  ['charset', '<meta charset="utf-8">'],
  ['title', `<title>${name} of the garden | Good Site</title>`],
  [
    'description',
    `<meta name="description" content="${name}: one sentence that says what this page is about, and why.">`,
  ],
  ['canonical', `<link rel="canonical" href="${GOOD_SITE}${path}">`],
  ['og:type', '<meta property="og:type" content="website">'],
  ['og:site_name', '<meta property="og:site_name" content="Good Site">'],
  ['og:title', `<meta property="og:title" content="${name} of the garden">`],
  [
    'og:description',
    `<meta property="og:description" content="${name}: one sentence that says what this page is about, and why.">`,
  ],
  ['og:url', `<meta property="og:url" content="${GOOD_SITE}${path}">`],
  ['og:image', `<meta property="og:image" content="${GOOD_SITE}img/${name}.png">`],
  ['og:image:width', '<meta property="og:image:width" content="1200">'],
  ['og:image:height', '<meta property="og:image:height" content="630">'],
  ['og:image:alt', `<meta property="og:image:alt" content="A picture of ${name}">`],
  ['twitter:card', '<meta name="twitter:card" content="summary_large_image">'],
]

/**
 * An impeccable page, one tag a line from line 4 on, with changes: a key's tag is replaced by other HTML, or left out
 * (null). Keys that it does not have are added at the end of the head.
 */
export function goodPage(path: string, name: string, change: HeadChange = {}, body = ''): string {
  const tags = goodTags(path, name)
  const known = new Set(tags.map(([key]) => key))
  const lines = tags.flatMap(([key, html]) => {
    const changed = change[key]
    return changed === null ? [] : [changed ?? html]
  })
  const added = Object.entries(change).flatMap(([key, html]) => (known.has(key) || html === null ? [] : [html]))
  const content = body || `<h1>${name}</h1><p>The first paragraph of ${name} is long enough to be one.</p>`
  return `<!doctype html>\n<html lang="en">\n<head>\n${[...lines, ...added].join('\n')}\n</head>\n<body>\n<main>${content}</main>\n${NAV}\n</body>\n</html>\n`
}

/** Every page of the site is linked from every other. */
const NAV = '<nav><a href="/">Roses</a> <a href="/about.html">Ferns</a> <a href="/visit.html">Mosses</a></nav>'

/** An impeccable site of three pages, each with a picture of its own; files are replaced or added by name. */
export function goodSite(files: MemoryBuild = {}): MemoryBuild {
  return {
    'index.html': goodPage('', 'Roses'),
    'about.html': goodPage('about.html', 'Ferns'),
    'visit.html': goodPage('visit.html', 'Mosses'),
    'img/Roses.png': pngBytes(1200, 630),
    'img/Ferns.png': pngBytes(1200, 630, 80_001),
    'img/Mosses.png': pngBytes(1200, 630, 80_002),
    'favicon.ico': new Uint8Array([0, 0, 1, 0, 1, 0, 16, 16, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0]),
    'sitemap.xml': SITEMAP,
    ...files,
  }
}
