import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { bundledCommand } from './testing/bundle-once'
import { commandIn, root } from './testing/command'
import { realImage, writeFiles } from './testing/real-site'
import { waysIn } from './testing/ways-in'

// What somebody sees who has never read a word of the documentation: one source, no option.

const here = mkdtempSync(join(tmpdir(), 'parrot-first-'))
const servers: Server[] = []
afterAll(() => {
  for (const server of servers) server.close()
  rmSync(here, { recursive: true })
})
const run = commandIn(here)

type Options = { base?: string; lang?: string; head?: string; body?: string; image?: string; tags?: boolean }

/** A page that nothing is wrong with, of a site that lives at a base; its links and assets name the path of the base. */
function page(
  path: string,
  title: string,
  { base = '', lang = 'en', head = '', body = '', image, tags = true }: Options = {},
) {
  const url = base + path
  const root_ = base === '' ? '/' : new URL(base).pathname
  const isGerman = lang === 'de'
  const text = isGerman
    ? `${title}: ein Satz, der sagt, worum es auf dieser Seite geht, und warum jemand sie lesen möchte.`
    : `${title}: one sentence that says what this page is about, and why somebody would read it.`
  const paragraph = isGerman
    ? `Der erste Absatz von ${title} ist lang genug, und er steht auf keiner der anderen Seiten.`
    : `The first paragraph of ${title} is long enough to be one of its own.`
  const own = tags
    ? `<link rel="canonical" href="${url}"><meta property="og:url" content="${url}"><meta property="og:image" content="${image ?? `${base}img/${title.replaceAll(' ', '-')}.png`}"><meta property="og:image:width" content="1200"><meta property="og:image:height" content="630"><meta property="og:image:alt" content="A colour of the ${title}">`
    : ''
  return `<!doctype html><html lang="${lang}"><head><meta charset="utf-8"><title>${title} of the works | Lantern Works</title><meta name="description" content="${text}"><meta property="og:type" content="website"><meta property="og:site_name" content="Lantern Works"><meta property="og:title" content="${title} of the works"><meta property="og:description" content="${text}"><meta name="twitter:card" content="summary_large_image"><link rel="stylesheet" href="${root_}site.css"><link rel="icon" href="${root_}favicon.svg" type="image/svg+xml">${own}${head}</head><body><nav><a href="#main">To the text</a><a href="${root_}">Lanterns</a><a href="${root_}about">About</a><a href="${root_}guides/">Guides</a><a href="${root_}guides/wicks">Wicks</a></nav><main id="main"><h1>${title}</h1><p>${paragraph}</p>${body}</main></body></html>`
}

const ICON = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32"><rect width="32" height="32"/></svg>'
const NAMES: [path: string, file: string, title: string][] = [
  ['', 'index.html', 'Lanterns'],
  ['about', 'about.html', 'About'],
  ['guides/', 'guides/index.html', 'Guides'],
  ['guides/wicks', 'guides/wicks.html', 'Wicks'],
]

/** A clean site of four pages below a base. */
async function site(base: string, options: Options = {}): Promise<Record<string, string | Uint8Array>> {
  const images = await Promise.all(
    NAMES.map(async ([, , title], index) => [`img/${title}.png`, await realImage(index)]),
  )
  const urls = NAMES.map(([path]) => `<url><loc>${base}${path}</loc></url>`).join('')
  return {
    ...Object.fromEntries(NAMES.map(([path, file, title]) => [file, page(path, title, { base, ...options })])),
    ...Object.fromEntries(images),
    'site.css': 'body{margin:0}',
    'favicon.svg': ICON,
    'sitemap.xml': `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${urls}</urlset>`,
  }
}

const without = <T extends object>(name: string, files: T): T => {
  const { [name as keyof T]: _gone, ...rest } = files
  return rest as T
}

type Run = {
  source: { site: string | null }
  complete: boolean
  summary: { pages: number; error: number; warning: number; note: number; verdict: string }
  pages: { url: string; findings: { rule: string; message: string; fix: string }[] }[]
  missing: { url: string; linkedFrom: string[] }[]
  findings: { rule: string; message: string }[]
  notes: { kind: string; message: string }[]
}

let count = 0
/** What each way in says of a site, without an option. */
async function seen(files: Record<string, string | Uint8Array>) {
  const folder = writeFiles(join(here, `site-${++count}`), files)
  const ways = await waysIn(folder, 'sitemap.xml' in files ? 'sitemap.xml' : null, here, servers)
  const results: { way: string; code: number | null; run: Run; text: string }[] = []
  for (const [way, args] of ways) {
    const { code, out } = await run('check', ...args, '--format', 'json', '--format', `text=text-${count}.txt`)
    results.push({ way, code, run: JSON.parse(out), text: readFileSync(join(here, `text-${count}.txt`), 'utf8') })
  }
  return results
}

/** What of a run has to be the same by every way in. */
const said = ({
  code,
  run: { source, summary, pages, missing, findings },
}: Awaited<ReturnType<typeof seen>>[number]) => ({
  code,
  site: source.site,
  summary: { ...summary, unseen: undefined },
  pages: pages.map(({ url, findings: own }) => `${url} ${own.map(({ rule }) => rule).join(' ')}`).sort(),
  missing: missing.map(({ url }) => url),
  findings: findings.map(({ rule }) => rule).sort(),
})

async function expectAlike(files: Record<string, string | Uint8Array>) {
  const results = await seen(files)
  for (const one of results) expect(said(one), one.way).toEqual(said(results[0]!))
  return results[0]!
}

describe('one source, no option', { timeout: 60_000 }, () => {
  test.each(['https://lanterns.example/', 'https://lanterns.example/bench/', 'https://lanterns.example/a/b/'])(
    'a clean site at %s is clear by every way in, and it is said where it lives',
    async (base) => {
      const { code, run: found, text } = await expectAlike(await site(base))
      expect(found.source.site).toBe(base)
      expect(found.summary).toMatchObject({ pages: 4, error: 0, warning: 0, verdict: 'clear' })
      expect(found.missing).toEqual([])
      expect(code).toBe(0)
      expect(text.split('\n').slice(0, 2)).toEqual([
        expect.stringMatching(/^Clear for launch: 0 errors, 0 warnings/),
        `Site: ${base}, from 4 canonicals and 4 og:urls.`,
      ])
    },
  )

  test('a site that names no production URL has paths for URLs, and none is invented', async () => {
    const files = await site('', { tags: false })
    const { run: found, text } = await expectAlike(without('sitemap.xml', files))
    expect(found.source.site).toBeNull()
    expect(found.pages.map(({ url }) => url).sort()).toEqual(['/', '/about', '/guides/', '/guides/wicks'])
    const all = JSON.stringify(found)
    for (const invented of ['invalid', '127.0.0.1:', 'localhost/'])
      expect(all.replace(/"location":"[^"]*"|"servedAt":"[^"]*"/g, '')).not.toContain(invented)
    expect(text).toContain('The pages name no production URL')
    const fixes = found.pages.flatMap(({ findings }) => findings).filter(({ rule }) => rule === 'canonical-missing')
    expect(fixes.map(({ fix }) => fix)[0]).toContain('Needs the production URL')
  })

  test('two languages under a path, in one line each', async () => {
    const base = 'https://lanterns.example/docs/'
    const pairs = NAMES.flatMap(([path, file, title]) => {
      const both = `<link rel="alternate" hreflang="en" href="${base}${path}"><link rel="alternate" hreflang="de" href="${base}de/${path}">`
      const german = {
        base,
        lang: 'de',
        head: `${both}<meta property="og:locale" content="de_DE">`,
        image: `${base}img/${title}.png`,
      }
      const english = {
        base,
        head: `${both}<meta property="og:locale" content="en_GB">`,
        body: `<a href="/docs/de/${path}">Deutsch</a>`,
      }
      return [
        [file, page(path, title, english)],
        [`de/${file}`, page(`de/${path}`, `Deutsch ${title}`, german)],
      ]
    })
    const { run: found } = await expectAlike({
      ...(await site(base)),
      ...Object.fromEntries(pairs),
      'sitemap.xml': `<urlset>${NAMES.flatMap(([path]) => ['', 'de/'].map((folder) => `<url><loc>${base}${folder}${path}</loc></url>`)).join('')}</urlset>`,
    })
    expect(found.source.site).toBe(base)
    expect(found.summary).toMatchObject({ pages: 8, error: 0 })
    expect(found.pages.flatMap(({ findings }) => findings.map(({ rule }) => rule))).toEqual([])
  })

  test('an image that could not be seen is not called clear, whatever way, and it is listed', async () => {
    const {
      code,
      run: found,
      text,
    } = await expectAlike(await site('https://lanterns.example/', { image: 'https://cdn.elsewhere.invalid/card.png' }))
    expect(code).toBe(2)
    expect(found.summary).toMatchObject({ error: 0, verdict: 'not-known' })
    expect(text).toMatch(/^Not known: not everything was seen/)
    expect(text).toContain('Not seen: https://cdn.elsewhere.invalid/card.png, which decides the cards of 4 pages.')
  })

  test('tags that all name a preview host are no production, and never clear', async () => {
    const { code, run: found, text } = await expectAlike(await site('https://staging.lanterns.invalid/'))
    expect(code).not.toBe(0)
    expect(found.source.site).toBeNull()
    expect(text).toContain('https://staging.lanterns.invalid is named, but looks like a preview.')
  })

  test('one URL that stands on every page is a fault of theirs, and not where the site lives', async () => {
    const foreign = '<link rel="canonical" href="https://theme.example/demo/">'
    const files = Object.fromEntries(
      NAMES.map(([path, file, title]) => [file, page(path, title, { tags: false, head: foreign })]),
    )
    const all = { ...(await site('', { tags: false })), ...files }
    const { run: found } = await expectAlike(without('sitemap.xml', all))
    expect(found.source.site).toBeNull()
  })

  test('what links name and is not there is listed apart, and is one error', async () => {
    const base = 'https://lanterns.example/bench/'
    const files = await site(base)
    const gone = ['one', 'two', 'three'].map((name) => `<a href="/bench/${name}">x</a>`).join('')
    const { run: found, text } = await expectAlike({
      ...files,
      'about.html': page('about', 'About', { base, body: gone }),
    })
    expect(found.summary).toMatchObject({ pages: 4, error: 1, missing: 3 })
    expect(found.missing).toMatchObject(
      ['one', 'three', 'two'].map((name) => ({ url: base + name, linkedFrom: [`${base}about`] })),
    )
    expect(found.findings.filter(({ rule }) => rule === 'page-unreachable')).toHaveLength(1)
    expect(text).toMatch(/^Not clear: 1 error, .*, 3 URLs missing\./)
  })

  test('globs, pages and sections are named with the path of the site, or without', async () => {
    const folder = writeFiles(join(here, 'paths'), await site('https://lanterns.example/bench/'))
    const pagesOf = async (...args: string[]) => {
      const { code, out, err } = await run('check', folder, '--format', 'json', ...args)
      return {
        code,
        err,
        urls: code === 2 ? [] : (JSON.parse(out) as Run).pages.map(({ url }) => new URL(url).pathname),
      }
    }
    for (const glob of ['/guides/**', '/bench/guides/**', 'guides/**'])
      expect((await pagesOf('--include', glob)).urls).toEqual(['/bench/guides/', '/bench/guides/wicks'])
    expect(await pagesOf('--include', '/giudes/**')).toMatchObject({
      code: 2,
      err: expect.stringContaining('Is /guides/** meant?'),
    })
    expect(await pagesOf('--include', '/guides/**', '--include', '/abuot')).toMatchObject({
      code: 2,
      err: expect.stringContaining('--include /abuot matches no page. Is /about meant?'),
    })
    for (const path of ['/guides/wicks', '/bench/guides/wicks', 'guides/wicks'])
      expect((await run('cards', folder, '--page', path, '--surface', 'tab', '--out', 'card.svg')).code).toBe(0)
    writeFileSync(join(here, 'nimble.json'), JSON.stringify({ sections: { '/guides/*': { kind: 'not-shared' } } }))
    const ruled = JSON.parse((await run('check', folder, '--rules', 'nimble.json', '--format', 'json')).out)
    expect(ruled.pages.filter(({ section }: { section: string }) => section === '/guides/*')).toHaveLength(2)
  })
})

describe('ends of pipes and disks', { timeout: 60_000 }, () => {
  const shell = (line: string) =>
    spawnSync('bash', ['-o', 'pipefail', '-c', line], {
      cwd: here,
      encoding: 'utf8',
      env: { ...process.env, INIT_CWD: here, NP: bundledCommand(root), DEMO: join(root, 'demo/site') },
    })

  test.each(['json', 'jsonl', 'csv', 'sarif', 'junit', 'html'])(
    'a reader of %s that has had enough is no fault',
    (format) => {
      const { status, stderr } = shell(`node $NP check $DEMO --format ${format} | head -c 100 > /dev/null`)
      expect({ status, stderr }).toEqual({ status: 1, stderr: '' })
    },
  )

  test('nor is one of a list', () => {
    expect(shell('node $NP list $DEMO | head -n 1')).toMatchObject({
      status: 0,
      stdout: 'https://brasswick.example/\n',
      stderr: '',
    })
  })

  test('a full disk is one line and exit 2', () => {
    const { status, stderr } = shell('node $NP check $DEMO --format json > /dev/full')
    expect(status).toBe(2)
    expect(stderr).toMatch(/^nimble-parrot: Standard output can’t be written: ENOSPC[^\n]*\n$/)
  })

  test('a folder without pages says so, and not that a server is down', async () => {
    writeFiles(join(here, 'no-pages'), { 'style.css': '' })
    const { code, err } = await run('check', 'no-pages')
    expect(code).toBe(2)
    expect(err).toBe(
      'nimble-parrot: The folder no-pages has no HTML file in it, among one file. Give the folder that the build writes its pages to.\n',
    )
  })
})
