import { describe, expect, test } from 'vitest'
import { createPathFilter, limits } from '../address'
import { readList, readSitemap } from './sitemap'

describe('readSitemap', () => {
  test('pages, with references decoded and white space trimmed', () => {
    const text =
      '<?xml version="1.0"?><urlset xmlns="x"><url><loc> https://a.example/?a=1&amp;b=2 </loc></url><url><loc><![CDATA[https://a.example/c]]></loc></url></urlset>'
    expect(readSitemap(text).pages).toEqual(['https://a.example/?a=1&b=2', 'https://a.example/c'])
  })

  test('an index names sitemaps', () => {
    expect(
      readSitemap('<sitemapindex><sitemap><loc>https://a.example/1.xml</loc></sitemap></sitemapindex>'),
    ).toMatchObject({ pages: [], sitemaps: ['https://a.example/1.xml'] })
  })

  test('the address of a picture is no page', () => {
    const text =
      '<urlset><url><loc>https://a.example/p</loc><image:image><image:loc>https://a.example/i.png</image:loc></image:image></url></urlset>'
    expect(readSitemap(text).pages).toEqual(['https://a.example/p'])
  })

  test('no more than the limit, and that is said', () => {
    const text = `<urlset>${'<url><loc>https://a.example/</loc></url>'.repeat(limits.sitemapEntries + 1)}</urlset>`
    const reading = readSitemap(text)
    expect(reading.pages).toHaveLength(limits.sitemapEntries)
    expect(reading.isCut).toBe(true)
  })

  test.each(['', '<html><body>not found</body></html>', '<urlset><url><loc>https://a.example/cut-off', '<<<>>>'])(
    '%j does not throw',
    (text) => {
      expect(() => readSitemap(text)).not.toThrow()
    },
  )
})

test('readList passes over empty lines and remarks', () => {
  expect(readList('\uFEFFhttps://a.example/\r\n\r\n# later\n  https://b.example/x  \n')).toEqual([
    'https://a.example/',
    'https://b.example/x',
  ])
})

describe('createPathFilter', () => {
  test.each([
    ['/guides/*', '/guides/lamp', true],
    ['/guides/*', '/guides/deep/er', false],
    ['/guides/**', '/guides/deep/er', true],
    ['/**/*.html', '/a/b/c.html', true],
    ['/.well-known/**', '/.well-known/x', true],
    ['/a{b,c}', '/ab', false],
  ])('%s lets %s in: %s', (glob, path, expected) => {
    expect(createPathFilter([glob], [])(path)).toBe(expected)
  })

  test('what is excluded stays out, whatever is included', () => {
    const filter = createPathFilter(['/guides/**'], ['/guides/old/**'])
    expect([filter('/guides/new'), filter('/guides/old/one'), filter('/news')]).toEqual([true, false, false])
    expect(createPathFilter([], [])('/anything')).toBe(true)
  })
})
