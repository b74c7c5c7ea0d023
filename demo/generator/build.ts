// Writes demo/site and demo/README.md: npm run demo:build
import { mkdir, rm, writeFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { encodePicture } from './pictures'
import { readme } from './readme'
import { buildSite, SITE } from './site'
import { styleSheet } from './style'

const demo = dirname(dirname(fileURLToPath(import.meta.url)))
const out = join(demo, 'site')

async function write(file: string, content: string | Uint8Array): Promise<void> {
  const path = join(out, file)
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

await rm(out, { recursive: true, force: true })
const { pages, pictures } = buildSite()
for (const page of pages) await write(page.file, page.html)
for (const picture of pictures) await write(picture.file, await encodePicture(picture))
await write('style.css', styleSheet)
await write('favicon.svg', MARK)
await write('robots.txt', ROBOTS)
const urls = pages.map(({ url }) => `  <url><loc>${url}</loc></url>`).join('\n')
await write(
  'sitemap.xml',
  `<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${urls}\n</urlset>\n`,
)
await write('booking.js', "document.title = 'Book a tool'\n")
await writeFile(join(demo, 'README.md'), readme(pages.length))
console.log(`${pages.length} pages and ${pictures.length} pictures written to demo/site`)
