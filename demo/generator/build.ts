// Writes demo/site, what an edit changes of it (demo/edited), and demo/README.md: npm run demo:build
import { mkdir, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { encodePicture } from './pictures'
import { readme } from './readme'
import { asBuilt, type BuiltPage, buildSite, SITE, type Variation } from './site'
import { styleSheet } from './style'
import { weekLater } from './week-later'

const demo = dirname(dirname(fileURLToPath(import.meta.url)))

async function write(path: string, content: string | Uint8Array): Promise<void> {
  await mkdir(dirname(path), { recursive: true })
  await writeFile(path, content)
}

const MARK =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 64 64"><rect width="64" height="64" rx="14" fill="#173f45"/><path d="M10 50V28l14-9v9l14-9v9l14-9v31z" fill="#e07a4b"/><path d="M20 36h6v6h-6zm12 0h6v6h-6zm12 0h6v6h-6z" fill="#eaf6f3"/></svg>\n'

const ROBOTS = `User-agent: *
Allow: /

User-agent: facebookexternalhit
Disallow: /news/lathe-appeal

Sitemap: ${SITE}sitemap.xml
`

const sitemapOf = (pages: readonly BuiltPage[]) =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${pages
    .map(({ url }) => `  <url><loc>${url}</loc></url>`)
    .join('\n')}\n</urlset>\n`

/** Every file of a variation of the site, by its path. */
async function filesOf(variation: Variation): Promise<Map<string, string | Uint8Array>> {
  const { pages, pictures } = buildSite(variation)
  const files = new Map<string, string | Uint8Array>(pages.map(({ file, html }) => [file, html]))
  for (const picture of pictures) files.set(picture.file, await encodePicture(picture))
  return files
    .set('style.css', styleSheet)
    .set('favicon.svg', MARK)
    .set('robots.txt', ROBOTS)
    .set('sitemap.xml', sitemapOf(pages))
    .set('booking.js', "document.title = 'Book a tool'\n")
}

const isSame = (a: string | Uint8Array, b: string | Uint8Array | undefined) =>
  b !== undefined && Buffer.compare(Buffer.from(a), Buffer.from(b)) === 0

for (const folder of ['site', 'edited']) await rm(join(demo, folder), { recursive: true, force: true })
const built = await filesOf(asBuilt)
const edited = await filesOf(weekLater)
for (const [file, content] of built) await write(join(demo, 'site', file), content)
for (const [file, content] of edited) {
  if (!isSame(content, built.get(file))) await write(join(demo, 'edited', file), content)
}
const gone = [...built.keys()].filter((file) => !edited.has(file))
await write(join(demo, 'edited', 'gone.txt'), `${gone.join('\n')}\n`)
const { length } = buildSite().pages
await writeFile(join(demo, 'README.md'), readme(length))
console.log(`${length} pages written to demo/site, and what an edit changes of them to demo/edited`)
