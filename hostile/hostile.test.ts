import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { runChecks } from '@/core/check'
import { CrawlRequest, GatheringBuilder, oneByOne } from '@/core/crawl'
import type { GatheredPage, Gathering } from '@/core/model'
import { runCrawl } from '@/io/run-crawl'
import { createHostileServer } from './server.mjs'

type Hostile = ReturnType<typeof createHostileServer>

async function start() {
  const hostile = createHostileServer({ hugeBytes: 30_000_000 })
  await new Promise<void>((resolve) => hostile.server.listen(0, '127.0.0.1', resolve))
  return { ...hostile, base: `http://127.0.0.1:${(hostile.server.address() as AddressInfo).port}/` }
}

async function gather(request: CrawlRequest, concurrency = 6): Promise<Gathering> {
  const builder = new GatheringBuilder()
  // Deep enough that only the traps' own marks end them.
  // Time enough that an honest answer is never late, however busy the machine: only what hangs runs into it.
  const tuning = { concurrency, timeoutMs: 12_000, maxDepth: 200 }
  const batches = runCrawl(CrawlRequest.parse(request), tuning, new AbortController().signal)
  for await (const event of oneByOne(batches)) builder.add(event)
  return builder.gathering()!
}

const running: Hostile[] = []
afterAll(() => {
  for (const { server } of running) {
    server.closeAllConnections()
    server.close()
  }
})

describe('a crawl of a server that does everything wrong', { timeout: 180_000 }, () => {
  let hostile: Awaited<ReturnType<typeof start>>
  let gathering: Gathering
  const page = (path: string): GatheredPage | undefined =>
    gathering.pages.find(({ url }) => url === new URL(path, hostile.base).href)
  const asked = (path: string) => hostile.log.filter((entry: { path: string }) => entry.path === path).length

  beforeAll(async () => {
    hostile = await start()
    running.push(hostile)
    gathering = await gather({ from: { kind: 'url', start: hostile.base }, site: hostile.base })
  }, 180_000)

  test('ends, and the good pages are there', () => {
    expect(gathering.finishedAt).not.toBe('')
    expect(page('/plain')?.facts?.title).toBe('Plain')
    expect(gathering.pages.length).toBeLessThan(150)
  })

  test('nothing disallowed was asked for, and that is told', () => {
    expect(asked('/private/secret')).toBe(0)
    expect(gathering.notes.some(({ message }) => message.includes('/private/secret'))).toBe(true)
  })

  test('nothing was asked for twice, but what failed in passing', () => {
    const counts = new Map<string, number>()
    for (const { path } of hostile.log) counts.set(path, (counts.get(path) ?? 0) + 1)
    const twice = [...counts].filter(([, count]) => count > 1).map(([path]) => path)
    expect(twice.sort()).toEqual(['/always-500', '/busy', '/drops', '/flaky', '/hangs'])
    expect(Math.max(...counts.values())).toBeLessThanOrEqual(3)
  })

  test('never more at once than allowed', () => {
    expect(hostile.most()).toBeLessThanOrEqual(6)
    expect(hostile.most()).toBeGreaterThan(2)
  })

  test('campaign and session parameters lead to one page', () => {
    expect(asked('/plain')).toBe(1)
    expect(hostile.log.some(({ path }: { path: string }) => path.includes('PHPSESSID') || path.includes('utm_'))).toBe(
      false,
    )
  })

  test('traps are cut and told', () => {
    const traps = gathering.notes.filter(({ kind }) => kind === 'trap').map(({ message }) => message)
    expect(traps.join(' ')).toContain('calendar without end')
    expect(traps.join(' ')).toContain('repeating itself')
    expect(traps.join(' ')).toContain('order or filter')
    expect(hostile.log.filter(({ path }: { path: string }) => path.startsWith('/calendar')).length).toBeLessThan(30)
  })

  test.each([
    ['/loop-a', 'redirect-loop'],
    ['/chain/0', 'too-many-redirects'],
    ['/hangs', 'timeout'],
    ['/drops', 'reset'],
  ])('%s is a page with its fault: %s', (path, code) => {
    expect(page(path)).toMatchObject({ facts: null, fetch: { errorCode: code } })
  })

  test('what failed in passing is asked for again, as politely as wished', () => {
    expect(page('/flaky')?.facts?.title).toBe('Flaky, then fine')
    expect(page('/busy')?.facts?.title).toBe('No longer busy')
    expect(page('/always-500')).toMatchObject({ facts: null, fetch: { status: 500 } })
  })

  test('links of error pages are not followed; other sites are not asked', () => {
    expect(asked('/linked-from-an-error')).toBe(0)
    expect(gathering.pages.every(({ url }) => url.startsWith(hostile.base))).toBe(true)
  })

  test('an endless page is read up to its limit; a bomb never fills memory', () => {
    expect(page('/huge')?.facts?.title).toBe('Huge')
    expect(page('/huge')?.fetch.bytes).toBe(10_000_000)
    expect(page('/bomb')?.fetch.bytes).toBeLessThanOrEqual(10_000_000)
  })

  test('named as HTML or served as HTML is a page, anything else is none; what only refreshes is its target', () => {
    expect(page('/no-type.html')?.facts?.title).toBe('No type')
    expect(page('/not-html')).toBeUndefined()
    expect(page('/moved')).toBeUndefined()
  })

  test('encodings', () => {
    expect(page('/latin1')?.facts?.title).toBe('Café')
    expect(page('/wrong-charset')?.facts?.title).toBe('Wrong')
  })

  test('sitemaps from robots.txt are read, index and gzip, and only this site’s pages are taken', () => {
    expect(page('/only-in-sitemap')?.facts?.title).toBe('Only in the sitemap')
  })

  test('what caches said is kept', () => {
    expect(page('/plain')?.fetch.cache).toEqual({ ageSeconds: 12, etag: '"abc"', cacheControl: 'max-age=60' })
  })

  test('of hundreds of pictures that a page names so many are asked for, and that is a finding', () => {
    const pictures = new Set(
      hostile.log.map(({ path }: { path: string }) => path).filter((path: string) => path.startsWith('/pictures/')),
    )
    expect(pictures.size).toBe(20)
    const { pages } = runChecks(gathering)
    const many = pages.find(({ url }) => url.endsWith('/many-pictures'))!
    expect(many.findings.map(({ rule }) => rule)).toContain('image-many')
  })

  test('pictures that unpack to a hundred times what a page has are decoded as far as its budget goes', () => {
    const bombs = gathering.images.filter(({ url }) => url.includes('/bombs/'))
    expect(bombs).toHaveLength(20)
    expect(bombs.filter(({ look }) => look)).toHaveLength(4)
    expect(gathering.notes.some(({ message }) => message.startsWith('16 pictures were not decoded'))).toBe(true)
  })

  test('a drawing is known by its size, and never rendered', () => {
    expect(gathering.images.find(({ url }) => url.endsWith('/drawing.svg'))).toMatchObject({
      format: 'svg',
      width: 12000,
      alpha: null,
      look: null,
    })
  })

  test('a page can’t make us ask inside the network', () => {
    const inner = gathering.images.filter(({ url }) => /169\.254|127\.0\.0\.1:1\//.test(url))
    expect(inner.map(({ errorCode }) => errorCode)).toEqual(['forbidden', 'forbidden'])
  })
})

describe('staging behind a login', () => {
  test('the login goes to that host only, and the cards are shown as launched', async () => {
    const staging = await start()
    const elsewhere = await start()
    running.push(staging, elsewhere)
    const login = { user: 'ada', password: 'secret', headers: [{ name: 'X-Preview', value: 'yes' }] }
    const gathering = await gather({
      from: { kind: 'list', addresses: [`${staging.base}behind-login`, `${elsewhere.base}plain`] },
      site: null,
      login,
    })
    expect(gathering.pages.map(({ facts }) => facts?.title).sort()).toEqual(['Behind the login', 'Plain'])
    expect(gathering.view).toBe('launched')
    expect(gathering.notes.some(({ kind }) => kind === 'login-passed')).toBe(true)
    expect(
      staging.log.every(({ headers }: { headers: Record<string, string> }) => headers['x-preview'] === 'yes'),
    ).toBe(true)
    expect(elsewhere.log.length).toBeGreaterThan(0)
    expect(
      elsewhere.log.some(
        ({ headers }: { headers: Record<string, string> }) => headers['authorization'] || headers['x-preview'],
      ),
    ).toBe(false)
    expect(JSON.stringify(gathering)).not.toContain('secret')
  })

  test('without it, the page is behind a login, and that is a finding', async () => {
    const staging = await start()
    running.push(staging)
    const gathering = await gather({ from: { kind: 'url', start: `${staging.base}behind-login` }, site: null })
    expect(gathering.pages.find(({ url }) => url.endsWith('behind-login'))).toMatchObject({
      facts: null,
      fetch: { status: 401 },
    })
  })
})

describe('lists, samples and paths', () => {
  test('a list is not crawled beyond its addresses, unless told to follow', async () => {
    const hostile = await start()
    running.push(hostile)
    const from = { kind: 'list' as const, addresses: [`${hostile.base}plain`, `${hostile.base}plain`, 'no address'] }
    const alone = await gather({ from, site: null })
    expect(alone.pages).toHaveLength(1)
    expect(alone.notes.some(({ message }) => message.startsWith('2 lines'))).toBe(true)
    const followed = await gather({ from: { ...from, follow: true }, site: null, include: ['/plain', '/latin1', '/'] })
    expect(followed.pages.map(({ url }) => new URL(url).pathname).sort()).toEqual(['/', '/latin1', '/plain'])
  })

  test('a sitemap as the source', async () => {
    const hostile = await start()
    running.push(hostile)
    const { pages, source } = await gather({
      from: { kind: 'sitemap', address: `${hostile.base}sitemap-index.xml` },
      site: null,
      maxPages: 1,
    })
    expect(source.kind).toBe('sitemap')
    expect(pages.map(({ facts }) => facts?.title)).toEqual(['Only in the sitemap'])
  })

  test('a sitemap on a preview server that names production is read there, pages and all', async () => {
    const hostile = await start()
    running.push(hostile)
    const { pages, source } = await gather({
      from: { kind: 'sitemap', address: `${hostile.base}sitemap-production.xml` },
      site: null,
    })
    expect(source.site).toBe('https://garden.example/')
    expect(pages.map(({ url, facts }) => [url, facts?.title])).toEqual([['https://garden.example/plain', 'Plain']])
  })

  test('a server that is meant for others fetches no inner address, not even the one named', async () => {
    const hostile = await start()
    running.push(hostile)
    process.env['NIMBLE_PARROT_PUBLIC'] = '1'
    try {
      await expect(gather({ from: { kind: 'url', start: hostile.base }, site: hostile.base })).rejects.toThrow(
        /inside this network/,
      )
    } finally {
      delete process.env['NIMBLE_PARROT_PUBLIC']
    }
    expect(hostile.log).toEqual([])
  })
})
