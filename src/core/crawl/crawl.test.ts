import { describe, expect, test } from 'vitest'
import { testOutside } from '../testing/build-run'
import { crawl, crawlGiven } from './crawl'
import { type CrawlOptions, defaultCrawlOptions } from './crawl-options'
import { type CrawlEvent, GatheringBuilder, oneByOne } from './events'
import { NothingAnswered } from './nothing-answered'
import type { FetchResult, ReadRequest } from './read-address'

type Answer = { status?: number; headers?: Record<string, string>; body?: string } | 'refused'
type Server = Record<string, Answer>

const START = 'http://127.0.0.1:4000/'

/** A server in memory that keeps a log of what it was asked. */
function serve(pages: Server) {
  const log: string[] = []
  let running = 0
  let most = 0
  const read = async ({ url }: { url: string }): Promise<FetchResult> => {
    log.push(url)
    running++
    most = Math.max(most, running)
    await new Promise((resolve) => setTimeout(resolve, 1))
    running--
    const answer = pages[url.replace(START, '/')] ?? pages[url] ?? { status: 404, body: 'nothing' }
    if (answer === 'refused') return { kind: 'failed', code: 'refused', message: 'refused', ms: 1 }
    const headers = { 'content-type': 'text/html', ...answer.headers }
    return {
      kind: 'answered',
      status: answer.status ?? 200,
      headers,
      body: new TextEncoder().encode(answer.body ?? ''),
      isCut: false,
      ms: 1,
    }
  }
  return { read, log, most: () => most }
}

/** A redirect. */
const to = (location: string, status = 301) => ({ status, headers: { location } })

const links = (...hrefs: string[]) => ({ body: hrefs.map((href) => `<a href="${href}">x</a>`).join('') })

async function run(pages: Server, options: Partial<CrawlOptions> = {}) {
  const server = serve(pages)
  const builder = new GatheringBuilder()
  const events: CrawlEvent[] = []
  const batches = crawl({ ...defaultCrawlOptions, start: START, site: START, ...options }, testOutside(server.read))
  for await (const event of oneByOne(batches)) {
    builder.add(event)
    events.push(event)
  }
  const gathering = builder.gathering()!
  const paths = gathering.pages.map(({ url }) => url.replace(START, '/'))
  return { gathering, paths, events, ...server }
}

describe('what is asked for', () => {
  test('links are followed, each address once, other sites never', async () => {
    const { paths, log } = await run({
      '/': links('/a', 'b', '/a#part', 'https://elsewhere.example/', 'mailto:x@y.example'),
      '/a': links('/', '/b'),
      '/b': links('/a?utm_source=x'),
    })
    expect(paths.sort()).toEqual(['/', '/a', '/b'])
    expect(new Set(log).size).toBe(log.length)
    expect(log.filter((url) => url.includes('elsewhere'))).toEqual([])
  })

  test('files that are no pages are not asked for; answers that are none are left out', async () => {
    const { paths, log } = await run({
      '/': links('/a.pdf', '/data'),
      '/data': { headers: { 'content-type': 'application/json' }, body: '{}' },
    })
    expect(paths).toEqual(['/'])
    expect(log).not.toContain(`${START}a.pdf`)
  })

  test('no more at a time than allowed', async () => {
    const pages: Server = { '/': links(...Array.from({ length: 40 }, (_, index) => `/p${index}`)) }
    for (let index = 0; index < 40; index++) pages[`/p${index}`] = { body: 'x' }
    const { most, paths } = await run(pages, { concurrency: 3 })
    expect(paths).toHaveLength(41)
    expect(most()).toBeLessThanOrEqual(3)
    expect(most()).toBeGreaterThan(1)
  })

  test('bounded by pages, and the rest is told', async () => {
    const pages: Server = { '/': links('/1', '/2', '/3', '/4'), '/1': {}, '/2': {}, '/3': {}, '/4': {} }
    const { gathering } = await run(pages, { maxPages: 3 })
    expect(gathering.pages).toHaveLength(3)
    expect(gathering.notes).toContainEqual(
      expect.objectContaining({ kind: 'bounded', message: expect.stringContaining('2 more') }),
    )
  })

  test('bounded by depth: the start has depth 0', async () => {
    const { paths } = await run({ '/': links('/1'), '/1': links('/2'), '/2': links('/3') }, { maxDepth: 1 })
    expect(paths).toEqual(['/', '/1'])
  })
})

describe('robots.txt', () => {
  const robots = (text: string) => ({ headers: { 'content-type': 'text/plain' }, body: text })
  const pages: Server = {
    '/robots.txt': robots('User-agent: NimbleParrot\nDisallow: /private'),
    '/': links('/private/a', '/b'),
    '/private/a': {},
    '/b': {},
  }

  test('is kept, and what it kept us from is told', async () => {
    const { paths, log, gathering } = await run(pages)
    expect(paths).toEqual(['/', '/b'])
    expect(log.filter((url) => url.includes('private'))).toEqual([])
    expect(gathering).toMatchObject({ view: 'standing', notes: [{ kind: 'bounded' }] })
  })

  test('is passed over when asked, and cards are then shown as launched', async () => {
    const { paths, gathering } = await run(pages, { ignoreRobots: true })
    expect(paths.sort()).toEqual(['/', '/b', '/private/a'])
    expect(gathering).toMatchObject({ view: 'launched', notes: [{ kind: 'robots-passed' }] })
  })

  test('an error of the server closes everything but the start', async () => {
    const { paths, gathering } = await run({ ...pages, '/robots.txt': { status: 500 } })
    expect(paths).toEqual(['/'])
    expect(gathering.notes[0]).toMatchObject({ kind: 'robots-unknown' })
  })
})

describe('redirects', () => {
  test('a page is its final address, with the way and its aliases', async () => {
    const { gathering, paths } = await run({
      '/': links('/old'),
      '/old': to('/older', 302),
      '/older': to('/new'),
      '/new': { body: 'x' },
    })
    expect(paths).toEqual(['/', '/new'])
    expect(gathering.pages[1]?.fetch).toMatchObject({
      redirects: [
        { status: 302, url: `${START}older` },
        { status: 301, url: `${START}new` },
      ],
      aliases: [`${START}old`, `${START}older`],
    })
  })

  test('an address that leads to a page already known becomes its alias', async () => {
    const { gathering, paths } = await run(
      { '/': links('/new', '/old'), '/old': to('/new'), '/new': { body: 'x' } },
      { concurrency: 1 },
    )
    expect(paths).toEqual(['/', '/new'])
    expect(gathering.pages[1]?.fetch.aliases).toEqual([`${START}old`])
  })

  test('a loop ends, and is the page’s error', async () => {
    const { gathering } = await run({ '/': links('/x'), '/x': to('/y'), '/y': to('/x') })
    expect(gathering.pages[1]).toMatchObject({ url: `${START}x`, facts: null, fetch: { errorCode: 'redirect-loop' } })
  })

  test('an endless chain is cut after ten', async () => {
    const pages: Server = { '/': links('/0') }
    for (let index = 0; index < 20; index++) pages[`/${index}`] = to(`/${index + 1}`)
    const { gathering, log } = await run(pages)
    expect(gathering.pages[1]?.fetch.errorCode).toBe('too-many-redirects')
    expect(log.filter((url) => /\/\d+$/.test(url))).toHaveLength(11)
  })

  test('one that leaves the site is not followed', async () => {
    const { paths, log } = await run({ '/': links('/out'), '/out': to('https://elsewhere.example/') })
    expect(paths).toEqual(['/'])
    expect(log.some((url) => url.includes('elsewhere'))).toBe(false)
  })

  test('a page that only refreshes elsewhere is none', async () => {
    const { paths, gathering } = await run({
      '/': links('/moved'),
      '/moved': { body: '<meta http-equiv=refresh content="0; url=/here">' },
      '/here': { body: 'x' },
    })
    expect(paths).toEqual(['/', '/here'])
    expect(gathering.pages[1]!.fetch).toMatchObject({
      aliases: [`${START}moved`],
      ledHereBy: [
        {
          address: `${START}moved`,
          chain: [{ status: 200, url: `${START}here` }],
          linkers: { count: 1, first: [{ page: START, line: 1, column: 1 }] },
        },
      ],
    })
  })

  test('pages that refresh in a circle are an error each, and no run without an end', async () => {
    const refresh = (to: string) => ({ body: `<meta http-equiv=refresh content="0; url=${to}">` })
    const { gathering } = await run({ '/': links('/a'), '/a': refresh('/b'), '/b': refresh('/a') })
    expect(gathering.pages.map(({ url, fetch }) => [url, fetch.errorCode])).toEqual([
      [START, null],
      [`${START}a`, 'redirect-loop'],
      [`${START}b`, 'redirect-loop'],
    ])
  })

  test('a page behind a redirect and a refresh knows the whole way', async () => {
    const { gathering } = await run({
      '/': links('/first'),
      '/first': to('/second'),
      '/second': { body: '<meta http-equiv=refresh content="0; url=/third">' },
      '/third': { body: 'x' },
    })
    expect(gathering.pages[1]!.fetch.ledHereBy).toEqual([
      { address: `${START}second`, chain: [{ status: 200, url: `${START}third` }], linkers: { count: 0, first: [] } },
      {
        address: `${START}first`,
        chain: [
          { status: 301, url: `${START}second` },
          { status: 200, url: `${START}third` },
        ],
        linkers: { count: 1, first: [{ page: START, line: 1, column: 1 }] },
      },
    ])
  })
})

describe('a run that read nothing, or not all, says so', () => {
  const lack = async (pages: Server, options: Partial<CrawlOptions> = {}) => (await run(pages, options)).gathering

  test.each([
    ['a PDF', { headers: { 'content-type': 'application/pdf' } }, /127\.0\.0\.1:4000\/ is application\/pdf/],
    [
      'HTML under a wrong type',
      { headers: { 'content-type': 'text/plain' }, body: '<!doctype html><title>x</title>' },
      /is text\/plain – its bytes are HTML.*Content-Type: text\/html/,
    ],
    ['a redirect to another site', to('https://elsewhere.example/'), /redirects to another site, https:\/\/elsewhere/],
  ] as const)('%s as start', async (_name, answer, words) => {
    const { incomplete, pages } = await lack({ '/': answer as Answer })
    expect(pages).toEqual([])
    expect(incomplete).toEqual([{ why: 'nothing-read', message: expect.stringMatching(words) }])
  })

  test('globs that leave only the start page, which is read whatever they say', async () => {
    const { incomplete } = await lack({ '/': links('/a'), '/a': {} }, { include: ['/none/**'] })
    expect(incomplete).toMatchObject([{ why: 'nothing-read', message: expect.stringContaining('--include /none/**') }])
    expect((await lack({ '/': links('/a'), '/a': {} }, { include: ['/a'] })).incomplete).toEqual([])
  })

  test('a default bound makes it incomplete, one that was asked for is its scope', async () => {
    const deep = Object.fromEntries(Array.from({ length: 25 }, (_, at) => [`/${at || ''}`, links(`/${at + 1}`)]))
    expect((await lack(deep)).incomplete).toMatchObject([{ why: 'depth' }])
    const asked = await lack(deep, { maxDepth: 3, maxPages: 2 })
    expect(asked).toMatchObject({ incomplete: [], scope: ['at most 2 pages', 'at most 3 steps from the start'] })
    expect(asked.notes).toMatchObject([{ kind: 'bounded' }])
  })

  test('robots.txt that keeps out us alone leaves pages unread that places read', async () => {
    const site = { '/': links('/a'), '/a': {} }
    const closed = { ...site, '/robots.txt': { body: 'User-agent: NimbleParrot\nDisallow: /a' } }
    expect((await lack(closed)).incomplete).toMatchObject([{ why: 'pages', message: expect.stringContaining('/a') }])
    const toAll = { ...site, '/robots.txt': { body: 'User-agent: *\nDisallow: /a' } }
    expect((await lack(toAll)).incomplete).toEqual([])
  })
})

describe('when things fail', () => {
  test('a start that does not answer is no run, and says what to try', async () => {
    await expect(run({ '/': 'refused' })).rejects.toThrow(NothingAnswered)
    await expect(run({ '/': 'refused' })).rejects.toThrow(
      /Nothing answered at http:\/\/127\.0\.0\.1:4000\/.*Is the server running/,
    )
  })

  test.each([401, 404, 500])(
    'a start that answers %i is a run with one page that could not be read',
    async (status) => {
      const { gathering } = await run({ '/': { status } })
      expect(gathering.pages).toMatchObject([{ facts: null, fetch: { status } }])
    },
  )

  test('one dead page does not end the run', async () => {
    const { gathering } = await run({ '/': links('/dead', '/b'), '/dead': 'refused', '/b': {} })
    expect(gathering.pages.map(({ fetch }) => fetch.errorCode).sort()).toEqual([null, null, 'refused'].sort())
  })

  test('aborted, it ends with what it has', async () => {
    const server = serve({ '/': links('/1', '/2', '/3'), '/1': {}, '/2': {}, '/3': {} })
    const stop = new AbortController()
    const events: CrawlEvent[] = []
    const outside = { ...testOutside(server.read), signal: stop.signal }
    for await (const event of oneByOne(crawl({ ...defaultCrawlOptions, start: START, concurrency: 1 }, outside))) {
      events.push(event)
      if (event.kind === 'page') stop.abort()
    }
    expect(events.filter(({ kind }) => kind === 'page')).toHaveLength(1)
    expect(events.at(-1)).toMatchObject({ kind: 'finished', stopped: true })
    expect(events).toContainEqual({
      kind: 'incomplete',
      incomplete: { why: 'stopped', message: 'Stopped at 1 of about 4 pages.' },
    })
  })
})

describe('the production site', () => {
  const named =
    '<link rel=canonical href="https://site.example/"><meta property=og:image content="https://site.example/a.png">'

  test('pages have public addresses, and its pictures are asked of the build', async () => {
    const { gathering, log } = await run(
      { '/': { body: `${named}<a href="https://site.example/b">b</a>` }, '/b': {} },
      { site: 'https://site.example' },
    )
    expect(gathering.pages.map(({ url }) => url)).toEqual(['https://site.example/', 'https://site.example/b'])
    expect(log).toContain(`${START}a.png`)
    expect(log.every((url) => url.startsWith(START))).toBe(true)
    expect(gathering.images.find(({ url }) => url === 'https://site.example/a.png')).toMatchObject({
      status: 404,
      errorCode: 'status',
    })
  })

  test('is inferred from what pages name, and never the machine that they are on', async () => {
    const { gathering } = await run({ '/': { body: named } }, { site: null })
    expect(gathering.source).toMatchObject({ site: 'https://site.example/', siteFrom: '1 canonical', servedAt: START })
    expect(gathering.notes[0]).toMatchObject({ kind: 'site-guessed' })
    const unnamed = (await run({ '/': links('/a'), '/a': links('/') }, { site: null })).gathering
    expect(unnamed.source).toMatchObject({ site: 'https://site.invalid/', servedAt: START })
    expect(unnamed.pages.map(({ url }) => url)).toEqual(['https://site.invalid/', 'https://site.invalid/a'])
  })

  test('an address on its host but outside its path is not in the build, and not asked for', async () => {
    const body = '<meta property=og:image content="https://site.example/img/a.png">'
    const { gathering, log } = await run({ '/': { body } }, { site: 'https://site.example/docs/' })
    expect(gathering.images.find(({ iconOnly }) => !iconOnly)).toMatchObject({ errorCode: 'not-in-build' })
    expect(log).not.toContain('https://site.example/img/a.png')
  })

  test('content pictures are asked for only where no declared one can be used', async () => {
    const { log } = await run({
      '/': { body: '<a href=/b>b</a><img src=/one.jpg width=60 height=60><img src=/two.jpg>' },
      '/b': { body: '<meta property=og:image content=/none.png><img src=/three.jpg>' },
    })
    expect(log.map((url) => url.replace(START, '/')).filter((url) => url.endsWith('.jpg'))).toEqual([
      '/two.jpg',
      '/three.jpg',
    ])
  })
})

describe('a sitemap that can’t be read', () => {
  const home = links('/a')
  const index = {
    body: `<sitemapindex><sitemap><loc>${START}part.xml</loc></sitemap></sitemapindex>`,
    headers: { 'content-type': 'application/xml' },
  }

  test.each<[string, Answer, 'lost' | null]>([
    ['by a fault of the server', { status: 500 }, 'lost'],
    ['that is not answered', 'refused', 'lost'],
    ['that is not there', { status: 404 }, null],
    ['that is closed to all', { status: 403 }, null],
  ])('%s: pages that only it names', async (_name, part, why) => {
    const { gathering } = await run({ '/': home, '/a': links('/'), '/sitemap.xml': index, '/part.xml': part })
    expect(gathering.incomplete.map((lack) => lack.why)).toEqual(why === null ? [] : [why])
    if (why) expect(gathering.incomplete[0]!.message).toContain(`${START}part.xml could not be read`)
  })
})

test('pages of a list are asked for wherever they lie, and so are pictures on their hosts', async () => {
  const clock = { ms: 1_000_000 }
  const read = async ({ url, accept }: ReadRequest): Promise<FetchResult> => ({
    kind: 'answered',
    status: accept === 'image' ? 404 : 200,
    headers: { 'content-type': 'text/html' },
    body: new TextEncoder().encode(`<title>${url}</title><meta property="og:image" content="${url}.png">`),
    isCut: false,
    ms: 0,
  })
  const outside = {
    ...testOutside(read),
    now: () => new Date(clock.ms),
    sleep: async (ms: number) => {
      clock.ms += ms
    },
  }
  const addresses = Array.from({ length: 240 }, (_, index) => `https://${index % 2 ? 'one.com' : 'other.net'}/${index}`)
  const given = { kind: 'list' as const, location: 'x.txt', addresses, follow: false, servedFrom: null }
  const builder = new GatheringBuilder()
  const batches = crawlGiven(given, { ...defaultCrawlOptions, start: '', concurrency: 8 }, outside)
  for await (const event of oneByOne(batches)) builder.add(event)
  const { pages, images, incomplete } = builder.gathering()!
  expect([pages.length, incomplete]).toEqual([240, []])
  expect(images.filter(({ errorCode }) => errorCode === 'not-looked-at')).toEqual([])
  expect(clock.ms).toBe(1_000_000)
})
