import { describe, expect, test } from 'vitest'
import { testPage } from '../testing/test-page'
import {
  createPageRules,
  createSectionFinder,
  createWaivers,
  DEFAULT_LIMITS,
  kindsOfSections,
  saidKind,
} from './page-rules'

describe('sections of a file', () => {
  const find = createSectionFinder({ sections: { '/guides/*': {}, '/news/2026-*': {}, '/**/print': {}, '/about': {} } })

  test.each([
    ['/guides/', '/guides/*'],
    ['/guides/lamp', '/guides/*'],
    ['/guides/lamps/rewire', '/guides/*'],
    ['/guidesx/lamp', null],
    ['/news/2026-11', '/news/2026-*'],
    ['/news/2025-11', null],
    ['/a/b/print', '/**/print'],
    ['/about', '/about'],
    ['/about/us', null],
  ])('%s: %s', (path, section) => {
    expect(find([path], null)).toBe(section)
  })
})

const at = (url: string, head: string) => ({ ...testPage(`<head>${head}</head>`), url })
const type = (value: string) => `<meta property="og:type" content="${value}">`

describe('the kind of a page', () => {
  test('is what it says, by og:type or JSON-LD', () => {
    expect(saidKind(testPage(type('Article')).facts!)).toBe('article')
    expect(
      saidKind(testPage('<script type="application/ld+json">{"@type":"Product","name":"x"}</script>').facts!),
    ).toBe('product')
    expect(saidKind(testPage('').facts!)).toBeNull()
  })

  const pages = [
    at('https://s.example/', ''),
    at('https://s.example/g/1', type('article')),
    at('https://s.example/g/2', type('article')),
    at('https://s.example/g/3', ''),
  ]
  const sections = new Map(pages.map(({ url }) => [url, url.includes('/g/') ? '/g/*' : '/']))

  test('else website for the home page, else what most of the section say', () => {
    expect(kindsOfSections(pages, sections)).toEqual(new Map([['/g/*', 'article']]))
    const rule = createPageRules({}, pages, sections, 'https://s.example/')
    expect(pages.map((page) => rule(page).kind)).toEqual(['website', 'article', 'article', 'article'])
  })

  test('limits and required fields add up, the section’s last', () => {
    const requirements = {
      limits: { titleCharacters: 60 },
      kinds: { article: { requires: ['author' as const], limits: { titleCharacters: 50, pictureBytes: 1 } } },
      sections: { '/g/*': { requires: ['date' as const], limits: { titleCharacters: 40 } } },
    }
    const rule = createPageRules(requirements, pages, sections, 'https://s.example/')(pages[1]!)
    expect(rule.limits).toEqual({ ...DEFAULT_LIMITS, titleCharacters: 40, pictureBytes: 1 })
    expect([...rule.requires]).toEqual(['author', 'date'])
  })
})

describe('waivers', () => {
  const waivers = [
    { rule: 'a', pages: '/news/*', reason: 'x', by: 'Ada', until: '2026-11-23' },
    { rule: 'b', reason: 'x', by: 'Ada' },
  ]
  const url = (path: string) => `https://s.example${path}`

  test('hold for their rule and pages, on their last day too', () => {
    const { waiverFor, ended } = createWaivers(waivers, '2026-11-23')
    expect(ended).toEqual([])
    expect(waiverFor('a', [url('/news/x?y=1')])).toBe(waivers[0])
    expect(waiverFor('a', [url('/guides/x')])).toBeNull()
    expect(waiverFor('b', [url('/anything')])).toBe(waivers[1])
    expect(waiverFor('c', [url('/news/x')])).toBeNull()
  })

  test('a finding across pages is waived only where all of them are', () => {
    const { waiverFor } = createWaivers(waivers, '2026-11-23')
    expect(waiverFor('a', [url('/news/x'), url('/news/y')])).toBe(waivers[0])
    expect(waiverFor('a', [url('/news/x'), url('/guides/y')])).toBeNull()
  })

  test('end on the day after', () => {
    const { waiverFor, ended } = createWaivers(waivers, '2026-11-24')
    expect(ended).toEqual([waivers[0]])
    expect(waiverFor('a', [url('/news/x')])).toBeNull()
  })
})

describe('a waiver of a page that has another path now', () => {
  const waiver = { rule: 'title-long', pages: '/lamp', content: 'Mend a lamp', reason: 'x', by: 'Ada' }
  const at = (path: string, title: string | null = 'Mend a lamp') => ({ path, title })
  const waives = (pages: { path: string; title: string | null }[], url: string, over: object = {}) =>
    createWaivers([{ ...waiver, ...over }], '2026-11-27', pages).waiverFor('title-long', [
      `https://a.example${url}`,
    ]) !== null

  test('holds for the only page that has its title', () => {
    expect(waives([at('/mend-a-lamp')], '/mend-a-lamp')).toBe(true)
    expect(createWaivers([waiver], '2026-11-27', [at('/mend-a-lamp')]).moved).toEqual([{ waiver, to: '/mend-a-lamp' }])
  })

  test('holds where it was written while the page is there, and for none of several', () => {
    expect(waives([at('/lamp', 'New'), at('/other')], '/other')).toBe(false)
    expect(waives([at('/lamp', 'New'), at('/other')], '/lamp')).toBe(true)
    expect(waives([at('/a'), at('/b')], '/a')).toBe(false)
  })

  test('a glob, or a waiver that knows no title, does not move', () => {
    expect(waives([at('/b')], '/b', { pages: '/lamp*' })).toBe(false)
    expect(waives([at('/b')], '/b', { content: undefined })).toBe(false)
  })
})
