import { expect, test } from 'vitest'
import { testPage } from '../testing/test-page'
import { nameOfSite } from './site-names'

const titled = (...titles: string[]) => titles.map((title) => testPage(`<title>${title}</title>`))

test('a site without og:site_name is called what most of its titles end or begin with', () => {
  expect(nameOfSite(titled('はじめに — 気圧計の使い方 | Journal', '校正 | Journal', '電池 | Journal'))).toBe('Journal')
  expect(nameOfSite(titled('Journal: A – B', 'Journal | B', 'Journal | C', 'Journal | D'))).toBe('Journal')
  expect(nameOfSite(titled('A – B', 'C – D', 'E – F', 'G'))).toBeNull()
  expect(nameOfSite([])).toBeNull()
})

test('the og:site_name that most pages give counts before it', () => {
  const named = testPage('<title>A | Short</title><meta property="og:site_name" content="The whole name">')
  expect(nameOfSite([...titled('B | Short', 'C | Short', 'D | Short'), named])).toBe('The whole name')
})
