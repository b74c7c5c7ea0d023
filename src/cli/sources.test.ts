import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { zipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { listen, serveFolder } from '../../demo/server.mjs'
import { commandIn } from './testing/command'

const here = mkdtempSync(join(tmpdir(), 'parrot-sources-'))
const site = join(here, 'site')
const page = (title: string, ...links: string[]) =>
  `<!doctype html><title>${title}</title><h1>${title}</h1>${links.map((href) => `<a href="${href}">${href}</a>`).join('')}`
const PAGES = {
  'index.html': page('Home', '/a', '/b'),
  'a.html': page('A', '/b'),
  'b.html': page('B', '/a', '/c'),
  'c.html': page('C'),
}

let server: Server
let base: string
const map = (...paths: string[]) =>
  `<urlset>${paths.map((path) => `<url><loc>${base}${path}</loc></url>`).join('')}</urlset>`

beforeAll(async () => {
  mkdirSync(site)
  for (const [name, text] of Object.entries(PAGES)) writeFileSync(join(site, name), text)
  server = serveFolder(site)
  base = await listen(server, 0)
  writeFileSync(join(site, 'map.xml'), map('a', 'b'))
  const files = Object.fromEntries(Object.entries(PAGES).map(([name, text]) => [name, new TextEncoder().encode(text)]))
  writeFileSync(join(here, 'site.zip'), zipSync(files))
  writeFileSync(join(here, 'map.xml'), map('a'))
  writeFileSync(join(here, 'map.xml.gz'), gzipSync(map('a', 'c')))
  writeFileSync(join(here, 'index.xml'), `<sitemapindex><sitemap><loc>${base}map.xml</loc></sitemap></sitemapindex>`)
  writeFileSync(join(here, 'cut.xml.gz'), gzipSync(map('a', 'c')).subarray(0, 50))
  writeFileSync(join(here, 'pages.txt'), `# ours\n${base}b\n`)
})
afterAll(() => {
  server.close()
  rmSync(here, { recursive: true })
})

const command = commandIn(here)

describe('URLs of production, read out of the build', { timeout: 30_000 }, () => {
  const production = (...paths: string[]) => paths.map((path) => `https://lanterns.example/${path}`)
  const files = {
    'live.txt': `${production('', 'a', 'none').join('\n')}\n`,
    'live.xml': `<urlset>${production('', 'a')
      .map((url) => `<url><loc>${url}</loc></url>`)
      .join('')}</urlset>`,
    'two.txt': 'https://lanterns.example/\nhttps://other.example/\n',
  }
  const asked = async (...args: string[]) => {
    for (const [name, text] of Object.entries(files)) writeFileSync(join(here, name), text)
    return command('check', ...args, '--format', 'json', '--fail-on', 'never')
  }
  const pagesIn = (out: string) =>
    JSON.parse(out).pages.map(({ url, facts }: { url: string; facts: { title: string } | null }) => [
      url,
      facts?.title ?? null,
    ])

  test('a list', async () => {
    const { out, err } = await asked('live.txt', '--build', 'site')
    expect(err).toBe('')
    expect(pagesIn(out)).toEqual([
      ['https://lanterns.example/', 'Home'],
      ['https://lanterns.example/a', 'A'],
      ['https://lanterns.example/none', null],
    ])
  })

  test('a sitemap file', async () => {
    const { out } = await asked('live.xml', '--build', 'site')
    expect(pagesIn(out)).toEqual([
      ['https://lanterns.example/', 'Home'],
      ['https://lanterns.example/a', 'A'],
    ])
  })

  test.each([
    ['several sites', ['two.txt', '--build', 'site'], /--build needs one site/],
    ['no folder', ['live.txt', '--build', 'map.xml'], /--build “map.xml” is no folder/],
    ['a folder by itself', ['site', '--build', 'site'], /--build has no meaning for a folder/],
  ])('%s is refused', async (_name, args, words) => {
    expect(await asked(...args)).toMatchObject({ code: 2, err: expect.stringMatching(words) })
  })
})

describe('every way in, on the command line', { timeout: 30_000 }, () => {
  const everything = ['A', 'B', 'C', 'Home']
  test.each([
    ['a running address', () => [base], 'url', everything],
    ['a folder', () => ['site', '--site', 'https://brasswick.example'], 'folder', everything],
    ['a zip', () => ['site.zip', '--site', 'https://brasswick.example'], 'zip', everything],
    ['a sitemap where it is served', () => [`${base}map.xml`], 'sitemap', ['A', 'B']],
    ['a sitemap file', () => ['map.xml', '--ask', base], 'sitemap', ['A']],
    ['a packed one', () => ['map.xml.gz', '--ask', base], 'sitemap', ['A', 'C']],
    ['a list', () => ['pages.txt'], 'list', ['B']],
    ['a list whose links are followed', () => ['pages.txt', '--follow'], 'list', ['A', 'B', 'C']],
  ])('%s', async (_name, args, kind, titles) => {
    const { out, err } = await command('check', ...args(), '--format', 'json', '--fail-on', 'never')
    expect(err).toBe('')
    const run = JSON.parse(out) as { source: { kind: string }; pages: { facts: { title: string } }[] }
    expect(run.source.kind).toBe(kind)
    expect(run.pages.map(({ facts }) => facts.title).sort()).toEqual(titles)
  })

  test.each([
    ['index.xml', /names no page but http:\/\/127\.0\.0\.1:\d+\/map\.xml\. Give the address/],
    ['cut.xml.gz', /can’t be unpacked: it is broken, or cut off/],
  ])('%s: exit 2, and what to do', async (name, words) => {
    const { code, out, err } = await command('check', name)
    expect([code, out]).toEqual([2, ''])
    expect(err).toMatch(words)
  })
})
