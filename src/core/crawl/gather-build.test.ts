import { describe, expect, test } from 'vitest'
import { limits } from '../address'
import { runChecks } from '../check'
import { gatherMemory, testOutside } from '../testing/build-run'
import { pngBytes } from '../testing/good-site'
import { createFileMap, partOf } from './build-files'
import { GatheringBuilder } from './events'
import { gatherBuild } from './gather-build'

const SITE = 'https://site.example/'
const bytes = (text: string) => new TextEncoder().encode(text)

describe('files and addresses', () => {
  const paths = ['index.html', 'guides/index.html', 'guides/lamp.html', 'about.html', 'img/a b.png']

  test('index.html is its folder; name.html is /name only where pages link to that', () => {
    const map = createFileMap(paths, SITE, new Set(['about']))
    expect(paths.slice(0, 4).map(map.addressOf)).toEqual([
      SITE,
      `${SITE}guides/`,
      `${SITE}guides/lamp.html`,
      `${SITE}about`,
    ])
  })

  test.each([
    ['', 'index.html'],
    ['guides', 'guides/index.html'],
    ['guides/', 'guides/index.html'],
    ['guides/lamp', 'guides/lamp.html'],
    ['guides/lamp.html?x=1', 'guides/lamp.html'],
    ['/guides//lamp', 'guides/lamp.html'],
    ['guides//', 'guides/index.html'],
    ['img/a%20b.png', 'img/a b.png'],
    ['none', null],
    ['%E0%A4%A', null],
  ])('/%s is %s', (address, file) => {
    expect(createFileMap(paths, SITE, new Set()).fileAt(SITE + address)).toBe(file)
  })

  test('a site under a path: what lies outside is not in the build', () => {
    const map = createFileMap(paths, `${SITE}docs/`, new Set())
    expect(map.fileAt(`${SITE}docs/about`)).toBe('about.html')
    expect(map.fileAt(`${SITE}docs`)).toBe('index.html')
    expect(map.fileAt(`${SITE}about`)).toBeNull()
  })
})

describe('gatherBuild', () => {
  const page = (head: string, body = '') => `<!doctype html><head>${head}</head><body>${body}`

  test('every HTML file is a page, but 404.html and what only sends on', async () => {
    const { pages } = await gatherMemory(
      {
        'index.html': page('', '<a href="/about">a</a>'),
        'about.html': page('<title>About</title>'),
        'old.html': '<meta http-equiv=refresh content="0; url=/about">',
        '404.html': page('<title>None</title>'),
        'data.json': '{}',
      },
      SITE,
    )
    expect(pages.map(({ url, file }) => [url, file])).toEqual([
      [`${SITE}about`, 'about.html'],
      [SITE, 'index.html'],
    ])
    expect(pages[0]?.fetch.aliases).toEqual([`${SITE}old.html`])
  })

  test('a link without its slash leads to the folder’s index, which keeps its slash and its relative links', async () => {
    const files = {
      'index.html': page('<title>Home</title>', '<a href="guide">the guide</a>'),
      'guide/index.html': page('<title>Guide</title>', '<a href="first.html">first</a><img src="a.png">'),
      'guide/first.html': page('<title>First</title>', '<a href="../guide">up</a>'),
    }
    const { pages, survey } = await gatherMemory(files, SITE)
    expect(pages.map(({ url }) => url).sort()).toEqual([SITE, `${SITE}guide/`, `${SITE}guide/first.html`])
    expect(survey?.missing ?? []).toEqual([])
    expect(survey?.unlinked).toEqual([])
    const named = page('<title>Guide</title><link rel=canonical href="/guide">')
    const own = await gatherMemory({ ...files, 'guide/index.html': named }, SITE)
    expect(own.pages.map(({ url }) => url)).toContain(`${SITE}guide`)
  })

  test('pictures of the site are looked up among the files; nothing is asked of the network', async () => {
    const asked: string[] = []
    const { images } = await gatherMemory(
      {
        'index.html': page(
          `<meta property=og:image content="${SITE}img/a.png"><meta property=og:image content="http://site.example/img/b.png">`,
        ),
        'img/a.png': pngBytes(1200, 630, 5000),
      },
      SITE,
      async ({ url }) => {
        asked.push(url)
        return { kind: 'failed', code: 'refused', message: '', ms: 0 }
      },
    )
    expect(asked).toEqual([])
    const byUrl = images.filter(({ iconOnly }) => !iconOnly).sort((a, b) => (a.url < b.url ? 1 : -1))
    expect(byUrl).toMatchObject([
      {
        url: `${SITE}img/a.png`,
        status: 200,
        format: 'png',
        width: 1200,
        height: 630,
        bytes: 5000,
        hash: 'sha256:5000',
      },
      { url: 'http://site.example/img/b.png', status: 404 },
    ])
  })

  test('the origin is the one that most pages name, and nothing is invented where none does', async () => {
    const canonical = (href: string) => page(`<link rel=canonical href="${href}">`)
    const build = {
      'a.html': canonical('https://one.example/a'),
      'b.html': canonical('https://two.example/b'),
      'c.html': canonical('https://two.example/c'),
    }
    const { source, notes } = await gatherMemory(build, null)
    expect(source.site).toBe('https://two.example/')
    expect(notes).toMatchObject([{ kind: 'site-guessed' }])
    expect((await gatherMemory({ 'a.html': page('') }, null)).source.site).toBe('https://site.invalid/')
  })

  test('when no outside host can be looked up, the run is offline and says so', async () => {
    const { images, notes } = await gatherMemory(
      { 'index.html': page('<meta property=og:image content="https://cdn.example/a.png">') },
      SITE,
      async () => ({ kind: 'failed', code: 'host-not-found', message: 'none', ms: 0 }),
    )
    expect(notes).toMatchObject([{ kind: 'offline' }])
    expect(images.find(({ url }) => url.includes('cdn'))?.errorCode).toBe('not-looked-at')
  })

  test('a folder without HTML is no run', async () => {
    await expect(gatherMemory({ 'readme.txt': 'x' }, SITE)).rejects.toThrow(/no HTML file/)
  })
})

test('a page that is longer than is read of one says so', async () => {
  const { pages, notes } = await gatherMemory(
    { 'index.html': `<title>Long</title>${'<p>A paragraph of a page without an end.</p>'.repeat(240_000)}` },
    SITE,
  )
  expect(pages[0]!.fetch.isCut).toBe(true)
  expect(notes).toMatchObject([{ kind: 'cut-short', message: expect.stringContaining('longer than 10 MB') }])
})

describe('a build that is narrowed', () => {
  const files = {
    'index.html': '<title>Home</title><a href="/guides/a">a</a>',
    'guides/a.html': '<title>A</title>',
    'sitemap.xml':
      '<urlset><url><loc>https://site.example/</loc></url><url><loc>https://site.example/guides/a</loc></url></urlset>',
  }

  test('what lies outside of the globs is not said to be missing', async () => {
    const paths = {
      paths: Object.keys(files),
      read: async (path: string) => partOf(bytes(files[path as keyof typeof files]), 1e6),
    }
    const options = { kind: 'folder' as const, location: 'x', site: SITE, maxPages: null, concurrency: 1 }
    const builder = new GatheringBuilder()
    for await (const event of gatherBuild(paths, { ...options, include: ['/guides/**'] }, testOutside()))
      builder.add(event)
    const gathering = builder.gathering()!
    expect(gathering.scope).toEqual(['--include /guides/**'])
    expect(gathering.pages.map(({ url }) => url)).toEqual([`${SITE}guides/a`])
    const { findings, pages } = runChecks(gathering)
    const rules = [...findings, ...pages.flatMap((page) => page.findings)].map(({ rule }) => rule)
    expect(rules.filter((rule) => /^(?:sitemap-|page-|address-)/.test(rule))).toEqual([])
  })
})

describe('pictures on hosts of others', () => {
  const OWN = 'https://site.example/'

  /** A run over pages that each name a picture elsewhere: what was asked, when, and what came of it. */
  async function looked(hosts: string[], pictureHosts: string[] = []) {
    const clock = { ms: 1_000_000 }
    const asked: { url: string; ms: number }[] = []
    const build = Object.fromEntries(
      hosts.map((host, index) => [
        `page-${index}.html`,
        bytes(`<title>${index}</title><meta property="og:image" content="https://${host}/${index}.png">`),
      ]),
    )
    const files = { paths: Object.keys(build), read: async (path: string) => partOf(build[path]!, 1e6) }
    const outside = {
      ...testOutside(async ({ url }) => {
        asked.push({ url, ms: clock.ms })
        return { kind: 'failed', code: 'refused', message: 'refused', ms: 0 }
      }),
      now: () => new Date(clock.ms),
      sleep: async (ms: number) => {
        clock.ms += ms
      },
    }
    const options = { kind: 'folder' as const, location: 'x', site: OWN, maxPages: null, concurrency: 8, pictureHosts }
    const builder = new GatheringBuilder()
    const slowed: string[] = []
    for await (const event of gatherBuild(files, options, outside)) {
      builder.add(event)
      if (event.kind === 'slowed') slowed.push(...event.hosts)
    }
    return { asked, slowed, gathering: builder.gathering()! }
  }

  test('are asked twice a second, so often in all, and what is left is said to be unknown', async () => {
    const { asked, slowed, gathering } = await looked(Array.from({ length: 205 }, () => 'cdn.other.com'))
    expect(asked).toHaveLength(limits.foreignPictures)
    for (const [index, { ms }] of asked.entries()) expect(ms - asked[0]!.ms).toBeGreaterThanOrEqual(500 * index)
    expect(slowed).toEqual(['cdn.other.com'])
    expect(gathering.images.filter(({ errorCode }) => errorCode === 'not-looked-at')).toHaveLength(5)
    expect(gathering.incomplete).toMatchObject([{ why: 'bytes', message: expect.stringContaining('5 pictures on') }])
  })

  test.each([
    ['the site’s own domain', 'img.site.example', []],
    ['a host that the user named', 'cdn.other.com', ['cdn.other.com']],
  ])('%s is not slowed', async (_name, host, pictureHosts) => {
    const { asked, slowed } = await looked(
      Array.from({ length: 205 }, () => host),
      pictureHosts,
    )
    expect(asked).toHaveLength(205)
    expect(asked.at(-1)!.ms).toBe(asked[0]!.ms)
    expect(slowed).toEqual([])
  })
})

test('a link to a fragment of its own page decides nothing of the page’s URL', async () => {
  const html = (inner: string) => `<title>A page</title>${inner}`
  const files = {
    'index.html': html('<link rel=canonical href="https://site.example/"><a href="#top">x</a>'),
    'about.html': html('<link rel=canonical href="https://site.example/about"><a href="#main">x</a>'),
    'team.html': html('<link rel=canonical href="https://site.example/team"><a href="team.html#staff">x</a>'),
    'guide/index.html': html(
      '<link rel=canonical href="https://site.example/guide"><a href="#main">x</a><a href="">x</a>',
    ),
  }
  const { pages } = await gatherMemory(files, 'https://site.example/')
  expect(pages.map(({ url }) => url).sort()).toEqual(
    ['about', 'guide', 'team', ''].map((path) => `https://site.example/${path}`).sort(),
  )
})

test('of addresses that links name and the build lacks so many are listed, none of them a page, and how many there are', async () => {
  const links = Array.from({ length: limits.missingPages + 5 }, (_, index) => `<a href="/gone-${index}">x</a>`)
  const { pages, survey, notes } = await gatherMemory({ 'index.html': `<title>Home</title>${links.join('')}` }, SITE)
  expect(pages).toHaveLength(1)
  expect(survey?.missing).toHaveLength(limits.missingPages)
  expect(notes).toMatchObject([{ kind: 'bounded', message: expect.stringContaining('2005 URLs') }])
})

test('a sitemap of a build that is broken, or can’t be read, leaves its pages unknown', async () => {
  const files = {
    'index.html': bytes('<title>Home</title>'),
    'map.xml.gz': new Uint8Array([0x1f, 0x8b, 8, 0, 1, 2, 3]),
  }
  const robots = bytes(`Sitemap: ${SITE}map.xml.gz\nSitemap: ${SITE}other.xml\nSitemap: ${SITE}none.xml\n`)
  const read = async (path: string) => {
    if (path === 'other.xml') throw new Error('its bytes are damaged')
    return partOf(path === 'robots.txt' ? robots : files[path as keyof typeof files], 1e6)
  }
  const build = { paths: [...Object.keys(files), 'robots.txt', 'other.xml'], read }
  const options = { kind: 'folder' as const, location: 'x', site: SITE, maxPages: null, concurrency: 1 }
  const builder = new GatheringBuilder()
  for await (const event of gatherBuild(build, options, testOutside())) builder.add(event)
  expect(builder.gathering()!.incomplete).toMatchObject([
    { why: 'lost', message: expect.stringContaining('map.xml.gz could not be read. It can’t be unpacked') },
    { why: 'lost', message: expect.stringContaining('its bytes are damaged') },
  ])
})
