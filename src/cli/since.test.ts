import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { zipSync } from 'fflate'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { VERSION } from '@/core/model'
import { sha256Of } from '@/io/sha256'
import { commandIn } from './testing/command'
import { writtenRun } from './testing/written-run'

const here = mkdtempSync(join(tmpdir(), 'parrot-since-'))
const command = commandIn(here)
const text = (title: string, ...links: string[]) =>
  `<!doctype html><html lang="en"><title>${title}</title><meta property="og:image" content="/a.png"><h1>${title}</h1>${links.map((href) => `<a href="${href}">x</a>`).join('')}`

/** What the server has; a test edits it. */
const things = new Map<string, string | Buffer>()
const asked: { path: string; status: number }[] = []
let server: Server
let base: string

beforeAll(async () => {
  const picture = await sharp({ create: { width: 1200, height: 630, channels: 3, background: '#136' } })
    .png()
    .toBuffer()
  things
    .set('/', text('Home', '/a', '/b'))
    .set('/a', text('A', '/b'))
    .set('/b', text('B'))
    .set('/a.png', picture)
  server = createServer((request, response) => {
    const path = request.url ?? ''
    const thing = things.get(path)
    const etag = `"${createHash('sha256')
      .update(thing ?? '')
      .digest('hex')}"`
    const status = thing === undefined ? 404 : request.headers['if-none-match'] === etag ? 304 : 200
    asked.push({ path, status })
    const type = path.endsWith('.png') ? 'image/png' : 'text/html'
    response.writeHead(status, status === 200 ? { 'content-type': type, etag } : { etag })
    response.end(status === 200 ? thing : undefined)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const address = server.address()
  base = `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}/`
  mkdirSync(join(here, 'site'))
  for (const [path, thing] of things)
    writeFileSync(
      join(here, 'site', path === '/' ? 'index.html' : path.endsWith('.png') ? path : `${path}.html`),
      thing,
    )
})
afterAll(() => {
  server.close()
  rmSync(here, { recursive: true })
})

/** A document without times, and without what it says of the earlier run. */
const timeless = (file: string) =>
  JSON.parse(readFileSync(join(here, file), 'utf8'), (key, value) =>
    ['startedAt', 'finishedAt', 'fetchedAt', 'ms', 'reusable'].includes(key)
      ? undefined
      : key === 'notes'
        ? value.filter(({ kind }: { kind: string }) => kind !== 'taken-over')
        : value,
  )
const notesOf = (file: string): string[] =>
  JSON.parse(readFileSync(join(here, file), 'utf8')).notes.map(({ message }: { message: string }) => message)

describe('--since', { timeout: 60_000 }, () => {
  test('a crawl asks for what has changed, and says the same as a whole one', async () => {
    await command('check', base, '--format', 'json=first.json', '--fail-on', 'never')
    asked.length = 0
    await command('check', base, '--since', 'first.json', '--format', 'json=second.json', '--fail-on', 'never')
    expect(
      asked
        .filter(({ status }) => status === 304)
        .map(({ path }) => path)
        .sort(),
    ).toEqual(['/a', '/a.png', '/b'])
    expect(timeless('second.json')).toEqual(timeless('first.json'))

    things.set('/b', text('B, edited', '/c')).set('/c', text('C'))
    asked.length = 0
    await command('check', base, '--since', 'second.json', '--format', 'jsonl=third.jsonl.gz', '--fail-on', 'never')
    expect(
      asked
        .filter(({ status }) => status === 304)
        .map(({ path }) => path)
        .sort(),
    ).toEqual(['/a', '/a.png'])
    await command('check', base, '--since', 'third.jsonl.gz', '--format', 'json=fourth.json', '--fail-on', 'never')
    await command('check', base, '--format', 'json=whole.json', '--fail-on', 'never')
    expect(timeless('fourth.json')).toEqual(timeless('whole.json'))
    expect(readFileSync(join(here, 'fourth.json'), 'utf8')).toContain('B, edited')
    const { reusable } = writtenRun(join(here, 'fourth.json'))
    expect(reusable?.pages).toBeGreaterThan(0)
  })

  test('a folder says the same as well, its pictures known by their bytes', async () => {
    const site = ['site', '--site', 'https://brasswick.example', '--fail-on', 'never']
    await command('check', ...site, '--format', 'json=folder.json')
    await command('check', ...site, '--since', 'folder.json', '--format', 'json=again.json')
    expect(timeless('again.json')).toEqual(timeless('folder.json'))
    expect(notesOf('again.json').join()).toMatch(/^Reused from folder\.json, unchanged since: 0 pages, 1 image\.$/)
  })

  test.each([
    ['an image that is said to be another', '"alpha": false', '"alpha": true', /its digest does not match/],
    ['no digest', '"reusable"', '"used"', /has no digest of what it read/],
  ])('%s: an earlier run that was changed is refused', async (_name, from, to, fault) => {
    const site = ['site', '--site', 'https://brasswick.example', '--fail-on', 'never']
    await command('check', ...site, '--format', 'json=written.json')
    writeFileSync(join(here, 'told.json'), readFileSync(join(here, 'written.json'), 'utf8').replaceAll(from, to))
    const { code, err } = await command('check', ...site, '--since', 'told.json', '--format', 'json=taken.json')
    expect(code).toBe(2)
    expect(err).toMatch(fault)
    expect(existsSync(join(here, 'taken.json'))).toBe(false)
  })

  test('a page of a crawl that is said to have said something else is refused', async () => {
    await command('check', base, '--format', 'json=crawled.json', '--fail-on', 'never')
    const forged = readFileSync(join(here, 'crawled.json'), 'utf8').replaceAll('"title": "A"', '"title": "Forged"')
    writeFileSync(join(here, 'forged.json'), forged)
    const { code, err } = await command('check', base, '--since', 'forged.json', '--fail-on', 'never')
    expect(code).toBe(2)
    expect(err).toContain('The earlier run forged.json can’t be used. It was changed after it was written')
  })

  test('an archive gives its pictures, and one that was changed is refused', async () => {
    await command(
      'check',
      'site',
      '--site',
      'https://brasswick.example',
      '--format',
      'json=for-archive.json',
      '--fail-on',
      'never',
    )
    const { images } = timeless('for-archive.json')
    const told = images.map((image: object) => ({ ...image, alpha: true, iconOnly: false }))
    const run = { id: 'r1', startedAt: '2026-11-01', source: { site: 'https://brasswick.example/' } }
    const text = JSON.stringify({ order: [], images: told })
    const since = async (digests: Record<string, string>) => {
      const list = { format: 'nimble-parrot-project', version: 1, program: VERSION, runs: [run], digests }
      const files = { 'nimble-parrot-project.json': JSON.stringify(list), 'runs/r1.json': text }
      const packed = Object.entries(files).map(([name, content]) => [name, new TextEncoder().encode(content)])
      writeFileSync(join(here, 'project.zip'), zipSync(Object.fromEntries(packed)))
      const site = ['site', '--site', 'https://brasswick.example']
      return command('check', ...site, '--since', 'project.zip', '--format', 'json')
    }
    expect((await since({ 'runs/r1.json': sha256Of(text) })).out).toContain('image-transparent')
    const changed = await since({ 'runs/r1.json': sha256Of('other') })
    expect([changed.code, changed.err]).toEqual([2, expect.stringContaining('its digest does not match')])
    expect((await since({})).err).toContain('It has no digest of runs/r1.json.')
  })

  test.each([
    [
      ['site', '--site', 'https://other.example', '--since', 'first.json'],
      /--since first\.json can’t be used\. It is a run of a site without a production URL/,
    ],
    [['site', '--since', 'none.json'], /The earlier run none\.json can’t be read/],
    [['site', '--since', 'site/index.html'], /The earlier run site\/index\.html can’t be used/],
    [['site', '--since', 'first.json', '--shard', '1/2', '--format', 'json'], /--since has no meaning for a part/],
  ])('%j is refused with the reason', async (args, words) => {
    const { code, err } = await command('check', ...args)
    expect(code).toBe(2)
    expect(err).toMatch(words)
  })
})
