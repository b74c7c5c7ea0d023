import { mkdtempSync, rmSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { manualSite, templateCollection } from './testing/built-sites'
import { commandIn, root } from './testing/command'
import { writeFiles } from './testing/real-site'
import { waysIn } from './testing/ways-in'

const here = mkdtempSync(join(tmpdir(), 'parrot-ways-'))
const servers: Server[] = []
afterAll(() => {
  for (const server of servers) server.close()
  rmSync(here, { recursive: true })
})

const run = commandIn(here)

type Found = { level: string; rule: string; line: number | null; image?: string; pages: string[] }
type Page = { url: string; fetch: { status: number }; section: string; findings: Found[] }
type Run = {
  source: { site: string }
  summary: object
  complete: boolean
  pages: Page[]
  missing: { url: string }[]
  findings: Found[]
}

/** What a run says, without what depends on the way in: words of findings, times, forms of an address. */
function saidBy({ source, summary, complete, pages, missing, findings }: Run) {
  const path = (url: string) => url.replace(source.site, '/')
  const said = ({ level, rule, line, image }: Found) => `${level} ${rule} line ${line ?? '–'} ${path(image ?? '')}`
  return {
    summary,
    complete,
    missing: missing.map(({ url }) => path(url)),
    pages: pages.map(({ url, fetch, section }) => `${path(url)} ${fetch.status} in ${section}`).sort(),
    findings: [
      ...pages.flatMap(({ url, findings: own }) => own.map((one) => `${path(url)}: ${said(one)}`)),
      ...findings.map((one) => `${said(one)} on ${one.pages.map(path).sort().join(' ')}`),
    ].sort(),
  }
}

async function expectSame(folder: string, site: string, sitemap: string | null) {
  const results = new Map<string, ReturnType<typeof saidBy>>()
  const codes: (number | null)[] = []
  for (const [way, args] of await waysIn(folder, sitemap, here, servers)) {
    const { code, out, err } = await run('check', ...args, '--site', site, '--format', 'json')
    expect(err).toBe('')
    codes.push(code)
    results.set(way, saidBy(JSON.parse(out)))
  }
  const expected = results.get('folder')!
  for (const result of results.values()) expect(result).toEqual(expected)
  expect(new Set(codes).size).toBe(1)
  return expected
}

const SITE = 'https://lanterns.example/'

/** A page that would be clear, with what is added to its head and its body. */
function page(path: string, title: string, { head = '', body = '', lang = 'en', url = SITE + path } = {}): string {
  const text = `${title}: one sentence that says what this page is about, and why.`
  return `<!doctype html>
<html lang="${lang}">
<head>
<meta charset="utf-8">
<title>${title} of the works | Lantern Works</title>
<meta name="description" content="${text}">
<link rel="canonical" href="${url}">
<meta property="og:type" content="website">
<meta property="og:site_name" content="Lantern Works">
<meta property="og:title" content="${title} of the works">
<meta property="og:description" content="${text}">
<meta property="og:url" content="${url}">
<meta property="og:image" content="${SITE}img/${path.replace(/\W/g, '-')}.png">
<meta name="twitter:card" content="summary_large_image">
${head}
</head>
<body><main><h1>${title}</h1><p>The first paragraph of ${title} is long enough to be one.</p>
${body}
</main></body>
</html>
`
}

const refresh = (to: string) => `<!doctype html><title>Moved</title><meta http-equiv="refresh" content="0; url=${to}">`
const link = (...hrefs: string[]) => hrefs.map((href) => `<a href="${href}">x</a>`).join('\n')
const both = (path: string) =>
  `<link rel="alternate" hreflang="en" href="${SITE}${path}"><link rel="alternate" hreflang="de" href="${SITE}de/${path}">`

/** A site with everything by which the ways in could differ. */
const FILES: Record<string, string> = {
  'index.html': page('', 'Lanterns', {
    head: `${both('')}<link rel="sitemap" href="/pages.xml">`,
    body: link(
      '/repairs',
      '/about',
      '/gone',
      '/series/1',
      '/old',
      '/guides',
      '/circle-a',
      '/missing/deep/',
      '/x',
      '/x?y=1',
    ),
  }),
  'de/index.html': page('de/', 'Laternen', { lang: 'de', head: both(''), body: link('/de/team', '/de/weg') }),
  'de/team.html': page('de/team', 'Mannschaft', { lang: 'de' }),
  'about.html': page('about', 'About', { body: link('/gone', '/', 'repairs', '/about?from=nav') }),
  'repairs.html': page('repairs', 'Repairs', { body: link('/', '/hop', '/index.html') }),
  // Addresses without a slash at the end: what most of the site writes is what counts.
  'guides/index.html': page('guides', 'Guides', { body: link('/guides/wicks', '/guides/glass') }),
  'guides/wicks.html': page('guides/wicks', 'Wicks', { body: link('/guides') }),
  'guides/glass.html': page('guides/glass', 'Glass', { body: link('/guides', '/guides/oil') }),
  // Named by a tag alone.
  'series/1.html': page('series/1', 'Part one', { head: '<link rel="next" href="/series/2">' }),
  'series/2.html': page('series/2', 'Part two', {
    head: '<link rel="prev" href="/series/1"><link rel="next" href="/series/3">',
  }),
  'x.html': page('x', 'Canonical', { url: `${SITE}y` }),
  'y.html': page('y', 'The one meant'),
  // Pages that only send on: once, twice, in a circle.
  'old.html': refresh('/about'),
  'hop.html': refresh('/old'),
  'circle-a.html': refresh('/circle-b'),
  'circle-b.html': refresh('/circle-a'),
  // Not linked, but listed; and one that is listed and not there.
  'lonely.html': page('lonely', 'Lonely'),
  'pages.xml': `<urlset>${['', 'about', 'lonely', 'never-built'].map((path) => `<url><loc>${SITE}${path}</loc></url>`).join('')}</urlset>`,
  // Shells, which are no pages; the last is linked, and is one.
  '404.html': page('404', 'Not found'),
  '404/index.html': page('404/', 'Not found'),
  '_not-found/index.html': page('_not-found/', 'Not found'),
  'app/200.html': page('app/200', 'Shell'),
  'robots.txt': `User-agent: *\nAllow: /\nSitemap: ${SITE}map.xml\n`,
  'map.xml': `<urlset><url><loc>${SITE}repairs</loc></url></urlset>`,
}

describe('the same site gives the same verdict, whichever way it comes in', { timeout: 120_000 }, () => {
  test('the demo', async () => {
    const { pages } = await expectSame(join(root, 'demo/site'), 'https://brasswick.example', 'sitemap.xml')
    expect(pages).toHaveLength(48)
  })

  test('a site with all by which the ways could differ', async () => {
    const { pages, missing, findings } = await expectSame(writeFiles(join(here, 'lanterns'), FILES), SITE, 'pages.xml')
    const status = (wanted: number) => pages.flatMap((one) => (one.includes(` ${wanted} `) ? one.split(' ')[0]! : []))
    expect(status(404)).toEqual([])
    expect(missing).toEqual(['/de/weg', '/gone', '/guides/oil', '/missing/deep/', '/never-built', '/series/3'])
    expect(status(200)).toEqual([
      '/',
      '/about',
      '/de/',
      '/de/team',
      '/guides',
      '/guides/glass',
      '/guides/wicks',
      '/lonely',
      '/repairs',
      '/series/1',
      '/series/2',
      '/x',
      '/y',
    ])
    const ids = (path: string) => findings.filter((one) => one.startsWith(`${path}: `)).map((one) => one.split(' ')[2])
    expect(ids('/about')).toContain('page-redirected')
    expect(findings.filter((one) => one.includes('error page-redirected'))).toHaveLength(2)
    expect(findings.some((one) => one.includes('page-orphan') && one.includes('/lonely'))).toBe(true)
    expect(ids('/guides')).not.toContain('address-differs')
    expect(ids('/x')).toContain('address-differs')
  })

  test.each([
    ['a manual in two languages', manualSite],
    ['templates from several hands', templateCollection],
  ])('a built site of another shape: %s', async (_what, make) => {
    const { name, site, sitemap, files } = await make()
    const folder = join(here, name)
    writeFiles(folder, files)
    const { pages } = await expectSame(folder, site, sitemap)
    expect(pages.length).toBeGreaterThan(30)
  })
})
