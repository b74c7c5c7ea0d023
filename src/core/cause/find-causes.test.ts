import { describe, expect, test } from 'vitest'
import { createCheckContext, inWords, runChecks } from '../check'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, type HeadChange, pngBytes } from '../testing/good-site'
import { sitemapOf } from '../testing/sitemap-file'
import { findCauses } from './find-causes'

async function causesOf(files: MemoryBuild) {
  // What is added is listed and linked: what this file is about is in the pages' heads.
  const paths = Object.keys(files).filter((path) => path.endsWith('.html'))
  const map = {
    'sitemap.xml': sitemapOf('', 'about.html', 'visit.html', ...paths),
    'visit.html': goodPage(
      'visit.html',
      'Mosses',
      {},
      `<h1>Mosses</h1>${paths.map((path) => `<a href="/${path}">${path}</a>`).join('')}`,
    ),
  }
  const gathering = await gatherMemory(goodSite({ ...map, ...files }), GOOD_SITE)
  const context = createCheckContext(gathering)
  const verdict = runChecks(gathering, context)
  return { verdict, causes: findCauses(context, verdict.pages, verdict.findings) }
}

/** A section of so many pages, each with a text and a picture of its own; some of them changed. */
function section(count: number, change: (index: number) => HeadChange): MemoryBuild {
  const pages = Array.from({ length: count }, (_, index): [string, string | Uint8Array][] => {
    const image = `img/g${index}.png`
    const head = { 'og:image': `<meta property="og:image" content="${GOOD_SITE}${image}">`, ...change(index) }
    const path = `g/${index}.html`
    return [
      [path, goodPage(path, `Guide number ${index}`, head)],
      [image, pngBytes(1200, 630, 81_000 + index)],
    ]
  })
  return Object.fromEntries(pages.flat())
}

const EMPTY = { 'og:description': '<meta property="og:description" content="">', description: null }

describe('causes', () => {
  test('an impeccable site has none', async () => {
    expect((await causesOf({})).causes).toEqual([])
  })

  test('one template fault that raises several checks on many pages is one cause', async () => {
    const { causes } = await causesOf(section(12, () => EMPTY))
    const [first] = causes
    expect(first).toMatchObject({
      where: 'section',
      section: '/g/*',
      rule: 'description-missing',
      rules: ['description-missing'],
      level: 'error',
      change:
        'The template of /g/* writes og:description empty and leaves out description on all 12 pages. Write description: its own first paragraph; og:description: its own first paragraph.',
      clears: { error: 12, warning: 0, note: 0 },
    })
    expect(first!.pages).toHaveLength(12)
    expect(first!.snippet).toContain('<meta property="og:description" content="The first paragraph of Guide number 0')
    expect(first!.evidence[0]).toMatchObject({ line: expect.any(Number), value: '' })
  })

  test('what is left out on the very same pages is one change', async () => {
    const { causes } = await causesOf(section(6, () => ({ 'twitter:card': null, 'og:type': null, 'og:url': null })))
    expect(causes).toMatchObject([
      {
        where: 'section',
        proved: true,
        edits: expect.arrayContaining([
          { where: 'section', tag: 'og:url', from: null, to: '{page}', basis: 'its own URL' },
          {
            ...{ where: 'section', tag: 'twitter:card', from: null, to: 'summary_large_image' },
            basis: 'the size of its image',
          },
          expect.objectContaining({ where: 'section', tag: 'og:type', from: null, to: 'website' }),
        ]),
      },
    ])
  })

  test('the odd page out is a cause by itself, without any requirement', async () => {
    const { causes } = await causesOf(section(8, (index): HeadChange => (index === 3 ? { 'og:type': null } : {})))
    expect(causes).toMatchObject([
      {
        where: 'page',
        pages: [`${GOOD_SITE}g/3.html`],
        change: '/g/3.html leaves out og:type. Write og:type: “website”.',
      },
    ])
  })

  test('one wrong value on many pages was written once', async () => {
    const account = { 'twitter:site': '<meta name="twitter:site" content="https://good.example/me">' }
    const { causes } = await causesOf(section(4, () => account))
    expect(causes).toMatchObject([
      {
        where: 'section',
        rules: ['account-malformed'],
        edits: [{ tag: 'twitter:site', from: 'https://good.example/me', to: '@me' }],
      },
    ])
  })

  test('what mends many pages names the line of none', async () => {
    const title = '<meta property="og:title" content="Untitled">'
    const { causes } = await causesOf(section(6, () => ({ 'og:title': title })))
    const cause = causes.find(({ rule }) => rule === 'title-placeholder')!
    expect(cause.change).toContain('Write the page’s own part of its title.')
    expect(cause.change).not.toMatch(/line \d/)
    expect(cause.evidence[0]!.line).toBeGreaterThan(0)
  })

  test('what is written in the wrong way is one change, whatever it says', async () => {
    const { causes } = await causesOf(
      section(5, (index) => ({ 'og:url': `<meta property="og:url" content="/g/${index}.html">` })),
    )
    expect(causes[0]).toMatchObject({ where: 'section', rules: ['address-relative'], pages: { length: 5 } })
  })

  test('a picture is one cause, counted once for all pages that use it', async () => {
    const picture = { 'og:image': `<meta property="og:image" content="${GOOD_SITE}img/none.png">` }
    const { causes } = await causesOf(section(3, () => picture))
    expect(causes.find(({ where }) => where === 'picture')).toMatchObject({
      rule: 'image-unreachable',
      clears: { error: 1 },
      pages: { length: 3 },
    })
  })

  test('texts that people must write are one job', async () => {
    const long = (index: number) => ({
      'og:title': `<meta property="og:title" content="${index} ${'word '.repeat(20)}">`,
    })
    const { causes } = await causesOf(section(4, long))
    expect(causes.find(({ rules }) => rules.includes('title-long'))).toMatchObject({
      where: 'page',
      needs: 'a title that says what the page is',
      proved: false,
      pages: { length: 4 },
    })
  })

  test('a page that a script is to fill lacks everything for that one reason', async () => {
    const shell =
      '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>App</title></head><body><div id="app"></div><script src="/app.js"></script></body></html>'
    const { causes } = await causesOf({ 'app.html': shell })
    expect(causes.filter(({ pages }) => pages.includes(`${GOOD_SITE}app.html`))).toMatchObject([
      {
        needs: 'tags that are written when the site is built',
        rules: expect.arrayContaining(['tag-from-script', 'og-image-missing']),
      },
    ])
  })

  test('every finding belongs to exactly one cause', async () => {
    const { verdict, causes } = await causesOf({
      ...section(
        9,
        (index): HeadChange =>
          index % 2
            ? EMPTY
            : index === 4
              ? { 'og:title': null }
              : { 'twitter:card': '<meta name="twitter:card" content="big">' },
      ),
      'about.html': goodPage('about.html', 'Ferns', {
        'og:image': '<meta property="og:image" content="/img/none.png">',
        title: '<title>Home</title>',
      }),
    })
    const sum = { error: 0, warning: 0, note: 0 }
    for (const { clears } of causes)
      for (const level of ['error', 'warning', 'note'] as const) sum[level] += clears[level]
    const { error, warning, note } = verdict.summary
    expect(sum).toEqual({ error, warning, note })
    expect(new Set(causes.map(({ id }) => id)).size).toBe(causes.length)
  })

  test('what stands most in the way comes first', async () => {
    const { causes } = await causesOf({
      ...section(6, () => ({ 'twitter:card': null })),
      'about.html': goodPage('about.html', 'Ferns', { title: null }),
      'visit.html': goodPage('visit.html', 'Mosses', { canonical: null }),
    })
    expect(causes.map(({ level }) => level)).toEqual(
      [...causes.map(({ level }) => level)].sort(
        (a, b) => ['error', 'warning', 'note'].indexOf(a) - ['error', 'warning', 'note'].indexOf(b),
      ),
    )
    expect(causes[0]!.rule).toBe('title-missing')
  })
})

describe('texts that were never translated', () => {
  const versions = (links: boolean): MemoryBuild =>
    Object.fromEntries(
      ['Herbs', 'Roots'].flatMap((name) =>
        ['', 'fr/'].map((root): [string, string] => {
          const file = name.toLowerCase()
          const alternates = ['', 'fr/']
            .map((at) => `<link rel="alternate" hreflang="${at ? 'fr' : 'en'}" href="${GOOD_SITE}${at}${file}.html">`)
            .join('')
          return [
            `${root}${file}.html`,
            goodPage(`${root}${file}.html`, name, links ? { 'theme-color': alternates } : {}),
          ]
        }),
      ),
    )

  test('are no fault where the pages name each other as one page in several languages', async () => {
    const { verdict } = await causesOf(versions(true))
    expect(verdict.findings.filter(({ rule }) => rule.endsWith('-duplicate'))).toEqual([])
  })

  test('are the texts of every page where they do not', async () => {
    const { causes } = await causesOf(versions(false))
    const found = causes.filter(({ rule }) => rule.endsWith('-duplicate'))
    expect(found.reduce((sum, { clears }) => sum + clears.warning, 0)).toBe(4)
  })
})

describe('who writes a tag', () => {
  const twice = (comment: string) => ({
    more: `<!-- ${comment} -->\n<meta property="og:title" content="Something else">`,
  })

  test('is named where a comment above says so', async () => {
    const { causes } = await causesOf(section(6, () => twice('Share plugin 3')))
    const found = causes.filter(({ rule }) => rule === 'tag-repeated')
    expect(found).toHaveLength(1)
    expect(found[0]!.change).toContain('it stands beneath the comment “Share plugin 3”, that is who writes it.')
  })

  test('parts the causes of two writers', async () => {
    const { causes } = await causesOf(section(6, (index) => twice(index < 3 ? 'theme' : 'plugin')))
    const found = causes.filter(({ rule }) => rule === 'tag-repeated')
    expect(found.map(({ pages }) => pages.length)).toEqual([3, 3])
    expect(found.map(({ change }) => /“(theme|plugin)”/.exec(change)?.[1]).sort()).toEqual(['plugin', 'theme'])
  })
})

describe('a site under a path', () => {
  test('pictures that are named outside of it, and lie within, are one cause that says where', async () => {
    const site = `${GOOD_SITE}log/`
    const head = (name: string) =>
      `<title>${name} of the log</title><meta property="og:image" content="${GOOD_SITE}img/${name}.png">`
    const build = Object.fromEntries(
      ['a', 'b', 'c'].flatMap((name): [string, string | Uint8Array][] => [
        [`${name}.html`, head(name)],
        [`img/${name}.png`, pngBytes(1200, 630)],
      ]),
    )
    const gathering = await gatherMemory({ ...build, 'd.html': head('none') }, site)
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    const [finding] = verdict.pages[0]!.findings.filter(({ rule }) => rule === 'image-unreachable')
    expect(inWords(finding!).message).toBe(
      'The picture https://site.example/img/a.png lies outside of https://site.example/log/; the build has it at https://site.example/log/img/a.png.',
    )
    const causes = findCauses(context, verdict.pages, verdict.findings).filter(
      ({ rule }) => rule === 'image-unreachable',
    )
    expect(causes.map(({ pages }) => pages.length)).toEqual([3, 1])
    expect(causes[0]!.edits).toMatchObject([
      { tag: 'og:image', from: 'https://site.example/{rest}', to: 'https://site.example/log/{rest}' },
    ])
  })
})

describe('a form that is wrong everywhere', () => {
  test('a slash at the end that one tag leaves out on all pages is one cause, in whichever section', async () => {
    const folder = (path: string) =>
      goodPage(path, `Page ${path}`, {
        'og:url': `<meta property="og:url" content="${GOOD_SITE}${path.slice(0, -1)}">`,
      })
    const paths = ['g/a/', 'g/b/', 'h/a/', 'h/b/', 'i/']
    const { causes } = await causesOf(Object.fromEntries(paths.map((path) => [`${path}index.html`, folder(path)])))
    const own = causes.filter(({ rules }) => rules.includes('address-differs'))
    expect(own).toHaveLength(1)
    expect(own[0]!.pages).toHaveLength(5)
  })
})
