import { expect, test } from 'vitest'
import { testPage } from '../testing/test-page'
import { namesIn, siteCalled } from './site-names'

const titled = (...titles: string[]) => titles.map((title) => testPage(`<title>${title}</title>`))
const inOne = () => '/'

/** Pages with their section as the first part of the address. */
const at = (section: string, ...titles: string[]) =>
  titles.map((title, index) => ({
    ...testPage(`<title>${title}</title>`),
    url: `https://brasswick.example/${section}/${index}`,
  }))
const firstPart = (url: string) => `/${new URL(url).pathname.split('/')[1]}/*`

test('a site without og:site_name is called what most of its titles end or begin with', () => {
  const nameOf = (...titles: string[]) => siteCalled(titled(...titles), inOne).site
  expect(nameOf('はじめに — 気圧計の使い方 | Journal', '校正 | Journal', '電池 | Journal')).toBe('Journal')
  expect(nameOf('Journal: A – B', 'Journal | B', 'Journal | C', 'Journal | D')).toBe('Journal')
  expect(nameOf('A – B', 'C – D', 'E – F', 'G')).toBeNull()
  expect(nameOf()).toBeNull()
})

test('the og:site_name that most pages give counts before it', () => {
  const named = testPage('<title>A | Short</title><meta property="og:site_name" content="The whole name">')
  expect(siteCalled([...titled('B | Short', 'C | Short', 'D | Short'), named], inOne).site).toBe('The whole name')
})

test('a name on the titles of one section only is found there and holds there only', () => {
  const pages = [
    ...at('journal', 'Lampen – ein Anfang | Journal', 'Kessel | Journal', 'Uhren | Journal'),
    ...at('guides', 'Rewire a lamp', 'Descale a kettle', 'Oil a clock', 'Glue a cup', 'Patch a coat'),
  ]
  const called = siteCalled(pages, firstPart)
  expect(called).toEqual({ site: null, sections: { '/journal/*': 'Journal' } })
  expect(namesIn(called, '/journal/*')).toEqual([null, 'Journal'])
  expect(namesIn(called, '/guides/*')).toEqual([null, null])
  expect(namesIn(called, 'constructor')).toEqual([null, null])
})

test('a section whose titles carry the name of the site has none beside it', () => {
  const hall = '<meta property="og:site_name" content="Hall">'
  const pages = at('parts', 'Part 1 – Lamp | Hall', 'Part 2 – Lamp | Hall', 'Part 3 – Lamp | Hall')
  expect(siteCalled(pages, firstPart)).toEqual({ site: 'Hall', sections: {} })
  const named = ['Part 1 – Lamp', 'Part 2 – Lamp', 'Part 3 – Lamp'].map((title, index) => ({
    ...testPage(`<title>Hall | ${title}</title>${hall}`),
    url: `https://brasswick.example/parts/${index}`,
  }))
  expect(siteCalled(named, firstPart)).toEqual({ site: 'Hall', sections: {} })
})

test('two titles that end alike are no habit', () => {
  const pages = [...at('journal', 'A | Journal', 'B | Journal'), ...at('guides', 'C', 'D', 'E')]
  expect(siteCalled(pages, firstPart)).toEqual({ site: null, sections: {} })
})
