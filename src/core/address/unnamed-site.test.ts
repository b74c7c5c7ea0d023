import { expect, test } from 'vitest'
import { isNamedSite, siteInWords, unnamedSite, withoutUnnamedHost } from './unnamed-site'

test('sites without a production URL are told apart by their source, and have the path they live under', () => {
  expect(unnamedSite(null, '/docs/')).toBe('https://site.invalid/docs/')
  expect(unnamedSite('dist')).toBe(unnamedSite('dist'))
  expect(unnamedSite('dist')).not.toBe(unnamedSite('build'))
  expect([unnamedSite(null), unnamedSite('dist'), 'https://site.example/'].map(isNamedSite)).toEqual([
    false,
    false,
    true,
  ])
})

test('their URLs are read as paths, in whatever text they stand; other URLs stay', () => {
  const text = `Write ${unnamedSite('dist', '/docs/')}a?b=c, not https://website.invalid/x or https://site.example/.`
  expect(withoutUnnamedHost(text)).toBe('Write /docs/a?b=c, not https://website.invalid/x or https://site.example/.')
  expect(siteInWords(unnamedSite(null))).not.toContain('invalid')
  expect(siteInWords('https://site.example/')).toBe('https://site.example/')
})
