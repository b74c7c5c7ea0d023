import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { createSectionFinder } from '../requirements'
import { runs } from '../testing/property-runs'
import { testPage } from '../testing/test-page'
import { findSections, type SectionPage } from './find-sections'

const SITE = 'https://site.example/'
const tags = {
  plain: '<title>T</title>',
  article: '<title>T</title><meta property=og:type content=article><meta name=author content=A>',
  docs: '<title>T</title><meta property=og:type content=article><meta name=a content=1><meta name=b content=1><meta name=c content=1>',
}
type Kind = keyof typeof tags
const facts = Object.fromEntries(Object.entries(tags).map(([kind, head]) => [kind, testPage(head).facts])) as Record<
  Kind,
  SectionPage['facts']
>
const page = (path: string, kind: Kind | null = 'plain', language: string | null = null): SectionPage => ({
  url: new URL(path, SITE).href,
  facts: kind === null ? null : { ...facts[kind]!, language },
})
const found = (pages: SectionPage[], site = SITE) =>
  Object.fromEntries([...findSections(pages, site)].map(([url, section]) => [new URL(url).pathname, section]))
const many = (
  count: number,
  path: (index: number) => string,
  kind: Kind | null = 'plain',
  language: string | null = null,
) => Array.from({ length: count }, (_, index) => page(path(index), kind, language))
/** Sections of pages made by `many`, each once. */
const names = (pages: SectionPage[], site = SITE) => [...new Set(findSections(pages, site).values())].sort()

describe('findSections', () => {
  it('takes a first segment with at least two pages, with its index and all that is deeper; else the page alone', () =>
    expect(
      found(['/', '/guides/', '/guides/lamp', '/guides/deep/er', '/visit', '/tools/'].map((path) => page(path))),
    ).toEqual({
      '/': '/',
      '/guides/': '/guides/*',
      '/guides/lamp': '/guides/*',
      '/guides/deep/er': '/guides/*',
      '/visit': '/visit',
      '/tools/': '/tools/',
    }))

  it('begins below the base of the site', () =>
    expect(
      names(
        ['/docs/a/1', '/docs/a/2', '/docs/b'].map((path) => page(path)),
        `${SITE}docs/`,
      ),
    ).toEqual(['/docs/a/*', '/docs/b']))

  describe('are bounded in number', () => {
    it('pages that stand alone are gathered once there are many', () => {
      expect(names([page('/'), ...many(12, (index) => `/page-${index}`)])).toHaveLength(13)
      expect(names([page('/'), ...many(13, (index) => `/page-${index}`)])).toEqual(['/', '/?*'])
      expect(names(many(20, (index) => `/folder-${index}/page`))).toEqual(['/?*/**'])
    })

    it('many small sections: the largest stay', () => {
      const sizes = many(200, (index) => `/s${Math.floor(index / 2)}/${index}`)
      const result = names([...sizes, ...many(9, (index) => `/guides/${index}`)])
      expect(result.length).toBeLessThanOrEqual(24)
      expect(result).toContain('/guides/*')
      expect(result).toContain('/?*/**')
    })

    it('and each name holds for the pages of its section', () => {
      const pages = [
        ...many(40, (index) => `/s${index % 30}/${index}`),
        ...many(20, (index) => `/p${index}`),
        page('/'),
      ]
      const sections = findSections(pages, SITE)
      const finder = createSectionFinder({ sections: Object.fromEntries([...sections.values()].map((id) => [id, {}])) })
      for (const [url, section] of sections) expect(finder([new URL(url).pathname], null)).toBe(section)
    })
  })

  describe('languages', () => {
    const languages = ['en', 'de', 'pt-BR'].flatMap((lang) => [
      page(`/${lang}/`, 'plain', lang),
      page(`/${lang}/guides/a`, 'plain', lang),
      page(`/${lang}/guides/b`, 'plain', lang),
    ])
    it('are looked through where the pages say the same language', () =>
      expect(names(languages)).toEqual(['/de/', '/de/guides/*', '/en/', '/en/guides/*', '/pt-BR/', '/pt-BR/guides/*']))
    it('are none where the pages say another, or nothing: /it/ may be the department', () => {
      const it_ = (lang: string | null) => [page('/it/desk/a', 'plain', lang), page('/it/desk/b', 'plain', lang)]
      expect(names(it_('en'))).toEqual(['/it/*'])
      expect(names(it_(null))).toEqual(['/it/*'])
      expect(names(it_('it'))).toEqual(['/it/desk/*'])
    })
  })

  describe('numbers and dates', () => {
    it('are no names', () =>
      expect(
        names([...many(3, (index) => `/${100 + index}`), ...many(3, (index) => `/202${index}/05/post-${index}`)]),
      ).toEqual(['/[0-9]*', '/[0-9]*/*']))
    it.each(['/2024-05-12', '/2024-05-12-a-walk', '/2024.05.12', '/2024_05'])('%s is one', (path) =>
      expect(names([page(path), page('/7')])).toEqual(['/[0-9]*']),
    )
    it.each(['/3d-printing', '/2024ever', '/1999-a-year-in-review'])('%s is none', (path) =>
      expect(names([page(path), page('/7')])).toEqual(['/7', path].sort()),
    )
    it('alone are pages that stand alone', () => expect(names([page('/404'), page('/')])).toEqual(['/', '/404']))
  })

  describe('pages side by side at the root', () => {
    it('are a section where they are articles, five of them or more', () => {
      expect(names([page('/'), page('/about'), ...many(5, (index) => `/words${index}`, 'article')])).toEqual([
        '/',
        '/?*',
        '/about',
      ])
      expect(names(many(4, (index) => `/words${index}`, 'article'))).toHaveLength(4)
    })
    it('are one where their addresses are headlines', () => {
      expect(names(many(5, (index) => `/how-to-mend-${index}`))).toEqual(['/?*'])
      expect(names(many(5, (index) => `/how-to${index}`))).toHaveLength(5)
    })
    it('are none where they could not be read', () =>
      expect(names(many(6, (index) => `/how-to-mend-${index}`, null))).toHaveLength(6))
  })

  describe('parts of a section', () => {
    const guides = many(8, (index) => `/docs/guides/${index}x`, 'article')
    it('are sections of their own where another template made them', () => {
      const reference = many(6, (index) => `/docs/reference/${index}x`, 'docs')
      expect(names([page('/docs/', 'article'), ...guides, ...reference])).toEqual(['/docs/*', '/docs/reference/*'])
      expect(found([...guides, ...reference])['/docs/guides/3x']).toBe('/docs/*')
    })
    it('stay together where one template made them all, whatever is missing on one', () => {
      const reference = many(6, (index) => `/docs/reference/${index}x`, 'article')
      reference[2] = page('/docs/reference/2x', 'plain')
      expect(names([...guides, ...reference])).toEqual(['/docs/*'])
    })
    it('stay together below five pages', () => {
      expect(names([...guides, ...many(4, (index) => `/docs/reference/${index}x`, 'docs')])).toEqual(['/docs/*'])
    })
    it('are found at any depth', () => {
      const deep = many(6, (index) => `/docs/reference/api/${index}x`, 'plain')
      const reference = many(9, (index) => `/docs/reference/cli/${index}x`, 'docs')
      expect(
        names([...guides, ...guides.map(({ url, facts }) => ({ url: `${url}y`, facts })), ...reference, ...deep]),
      ).toEqual(['/docs/*', '/docs/reference/*', '/docs/reference/api/*'])
    })
    it('leave the name to what most pages are made by, in parts or not', () => {
      const flat = many(12, (index) => `/docs/${index}x`, 'article')
      const reference = many(6, (index) => `/docs/reference/${index}x`, 'docs')
      expect(found([...flat, ...reference])).toMatchObject({
        '/docs/1x': '/docs/*',
        '/docs/reference/1x': '/docs/reference/*',
      })
    })
  })

  it('gives every section a name that a requirements file can take up for all its pages', () => {
    const segment = fc.constantFrom(
      'docs',
      'guides',
      'how-to-mend-it',
      '2024',
      '05',
      '7',
      'de',
      'a',
      'b c',
      'ü',
      '[x]',
      '(y)',
    )
    const path = fc.array(segment, { maxLength: 4 }).map((parts) => `/${parts.map(encodeURIComponent).join('/')}`)
    const kind = fc.constantFrom<Kind | null>('plain', 'article', 'docs', null)
    const pages = fc.uniqueArray(fc.tuple(path, kind, fc.constantFrom('de', 'en', null)), {
      maxLength: 40,
      selector: ([at]) => at,
    })
    fc.assert(
      fc.property(pages, (given) => {
        const all = given.map(([at, of, lang]) => page(at, of, lang))
        const sections = findSections(all, SITE)
        expect(sections.size).toBe(all.length)
        for (const [url, section] of sections) {
          const inSection = createSectionFinder({ sections: { [section]: {} } })
          expect(inSection([new URL(url).pathname], section), `${url} in ${section}`).toBe(section)
        }
      }),
      runs(300),
    )
  })
})
