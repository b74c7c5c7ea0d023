import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { goodPage, goodSite } from '@/core/testing/good-site'
import { sourcesFrom } from './load-files'
import { commandIn } from './testing/command'
import { realImage, writeFiles } from './testing/real-site'

// What is handed in – a build, a document – may come from somebody who wants to hurt.

const here = mkdtempSync(join(tmpdir(), 'parrot-handed-'))
const run = commandIn(here)
const asked: { url: string; authorization: string | undefined; secret: string | undefined }[] = []
let server: Server
let base: string

beforeAll(async () => {
  const image = await realImage(0)
  server = createServer((request, response) => {
    const { authorization } = request.headers
    asked.push({ url: request.url ?? '', authorization, secret: request.headers['x-secret'] as string | undefined })
    response.writeHead(200, { 'content-type': 'image/png' }).end(image)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
  const images = Object.fromEntries(['Roses', 'Ferns', 'Mosses'].map((name) => [`img/${name}.png`, image]))
  const titleless = goodPage('about.html', 'Ferns', { 'og:title': null })
  writeFiles(join(here, 'dist'), { ...goodSite(), ...images, 'about.html': titleless })
})
afterAll(() => {
  server.close()
  server.closeAllConnections()
  rmSync(here, { recursive: true })
})

describe('a document', () => {
  test('has nothing asked inside the network that it is read in, with a login or without', async () => {
    await run('check', 'dist', '--format', 'json=good.json')
    const evil = JSON.parse(readFileSync(join(here, 'good.json'), 'utf8'))
    evil.source = { ...evil.source, kind: 'url', location: base, servedAt: base }
    for (const image of evil.images) image.hash = null
    writeFileSync(join(here, 'evil.json'), JSON.stringify(evil))
    const login = ['--user', 'ada:hush', '--header', 'X-Secret: hush']
    await run('cards', 'evil.json', '--out', 'evil.png', ...login)
    await run('cards', 'dist', '--changed-since', 'evil.json', '--out', 'changed.png')
    expect(asked).toEqual([])
  })
})

describe('requirements', () => {
  const allOff = JSON.stringify({ levels: { 'og-title-missing': 'off' } })
  const errorsOf = async (...args: string[]) => {
    const { out } = await run('check', ...args, '--format', 'json')
    return (JSON.parse(out) as { pages: { findings: { rule: string }[] }[] }).pages.flatMap(({ findings }) =>
      findings.filter(({ rule }) => rule === 'og-title-missing'),
    ).length
  }

  test('are never taken from what is under check', async () => {
    writeFileSync(join(here, 'dist/nimble-parrot.json'), allOff)
    expect(await errorsOf('dist')).toBe(1)
    // Nor where one stands in the build oneself.
    const inside = commandIn(join(here, 'dist'))
    const { out } = await inside('check', '.', '--format', 'json')
    expect(out).toContain('"og-title-missing"')
    rmSync(join(here, 'dist/nimble-parrot.json'))
  })

  test('are those of the working directory, or above it up to the root of the repository', async () => {
    mkdirSync(join(here, 'repository/.git'), { recursive: true })
    mkdirSync(join(here, 'repository/packages/site'), { recursive: true })
    const deep = commandIn(join(here, 'repository/packages/site'))
    const isOff = async () =>
      !(await deep('check', join(here, 'dist'), '--format', 'json')).out.includes('"og-title-missing"')
    writeFileSync(join(here, 'nimble-parrot.json'), allOff)
    expect(await isOff()).toBe(false)
    writeFileSync(join(here, 'repository/nimble-parrot.json'), allOff)
    expect(await isOff()).toBe(true)
    rmSync(join(here, 'nimble-parrot.json'))
  })
})

describe('a packed document', () => {
  test('that unpacks to far more than its size is given up while it is unpacked', async () => {
    await run('check', 'dist', '--format', 'json=run.json')
    const text = readFileSync(join(here, 'run.json'), 'utf8')
    const bomb = text.replace('"scope": []', `"scope": [${'"",'.repeat(3_000_000)}""]`)
    expect(bomb.length).toBeGreaterThan(text.length)
    writeFileSync(join(here, 'bomb.json.gz'), gzipSync(bomb))
    const { code, err } = await run('check', 'dist', '--baseline', 'bomb.json.gz')
    expect(code).toBe(2)
    expect(err).toContain('it unpacks to more than 200 times its size')
  })

  test.each([
    ['{"url":"https://site.example/x"}', /entry \d+: https:\/\/site\.example\/x stands there twice/],
    ['{}', /pages, entry \d+: It has no url\./],
  ])('of the same entry many times is given up at the first that can be none: %s', async (entry, fault) => {
    const text = readFileSync(join(here, 'run.json'), 'utf8')
    const many = text.replace('\n  "pages": [', `\n  "pages": [${`${entry},`.repeat(1000)}`)
    writeFileSync(join(here, 'many.json'), many)
    const { code, err } = await run('check', 'dist', '--baseline', 'many.json')
    expect(code).toBe(2)
    expect(err).toMatch(fault)
  })
})

describe('files that requirements name', () => {
  test('are read in their repository alone', async () => {
    const repository = join(here, 'own-repository')
    mkdirSync(join(repository, '.git'), { recursive: true })
    writeFiles(repository, { 'content/about.md': '---\ntitle: x\n---\n' })
    writeFileSync(join(here, 'outside.md'), 'title: og:title\n')
    symlinkSync(join(here, 'outside.md'), join(repository, 'content/link.md'))
    const read = sourcesFrom(repository)
    expect(await read('content/about.md')).toContain('title: x')
    for (const file of ['../outside.md', 'content/../../outside.md', join(here, 'outside.md'), 'content/link.md'])
      expect(await read(file)).toBeNull()
  })
})

describe('a sitemap in a file', () => {
  test('has nothing asked inside the network, and takes no login, unless the user says where', async () => {
    asked.length = 0
    writeFileSync(join(here, 'sitemap.xml'), `<urlset><url><loc>${base}a</loc></url></urlset>`)
    const refused = await run('check', 'sitemap.xml')
    expect(refused.code).toBe(2)
    expect(refused.err).toContain(
      `inside this network, and not the one you named. If it is yours: --ask ${base.slice(0, -1)}`,
    )
    const login = await run('check', 'sitemap.xml', '--user', 'ada:hush')
    expect(login.err).toContain('say with --ask URL which one gets the login')
    expect(asked).toEqual([])
    await run('check', 'sitemap.xml', '--ask', base, '--user', 'ada:hush')
    expect(asked.some(({ authorization }) => authorization !== undefined)).toBe(true)
  })
})
