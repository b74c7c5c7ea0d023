import { expect, test } from 'vitest'
import type { GatheredPage } from '../model'
import { testPage } from '../testing/test-page'
import { withLinkersOfAll } from './linkers-of-parts'

const SITE = 'https://site.example/'
const source = { kind: 'list' as const, location: 'all.txt', site: SITE }
const page = (path: string, fetch: Partial<GatheredPage['fetch']> = {}): GatheredPage => ({
  ...testPage('<title>T</title>', fetch),
  url: SITE + path,
})
const linking = (path: string, ...hrefs: string[]) => ({
  page: page(path),
  links: { hrefs, hrefPlaces: hrefs.flatMap((_, index) => [index + 1, 1]), refreshTo: null },
})
const none = { count: 0, first: [] }

test('who links to what is not there is told of all pages, in their order', () => {
  const gone = { ...page('gone', { linkers: none }), facts: null }
  const { pages } = withLinkersOfAll(
    [linking('a', '/gone', '/b'), linking('b', '/gone'), { page: gone, links: null }],
    source,
  )
  expect(pages.at(-1)!.fetch.linkers).toEqual({
    count: 2,
    first: [
      { page: `${SITE}a`, line: 1, column: 1 },
      { page: `${SITE}b`, line: 1, column: 1 },
    ],
  })
  expect(pages[0]!.fetch).not.toHaveProperty('linkers')
})

test('a page that two parts came to is told once, with the ways of both', () => {
  const lead = (address: string) => ({ address: SITE + address, chain: [], linkers: none })
  const first = { ...linking('a'), page: page('a', { aliases: [`${SITE}x`], ledHereBy: [lead('x')] }) }
  const second = { ...linking('a'), page: page('a', { aliases: [`${SITE}x`, `${SITE}y`], ledHereBy: [lead('y')] }) }
  const { pages } = withLinkersOfAll([first, linking('b', '/y'), second], source)
  expect(pages.map(({ url }) => url)).toEqual([`${SITE}a`, `${SITE}b`])
  expect(pages[0]!.fetch.aliases).toEqual([`${SITE}x`, `${SITE}y`])
  expect(pages[0]!.fetch.ledHereBy!.map(({ address, linkers }) => [address, linkers.count])).toEqual([
    [`${SITE}x`, 0],
    [`${SITE}y`, 1],
  ])
})

test('two forms of one address that were read with two parts are one page', () => {
  const urls = (...read: Parameters<typeof withLinkersOfAll>[0][number][]) =>
    withLinkersOfAll(read, source).pages.map(({ url }) => url)
  // What pages link to decides which of the two it is.
  expect(urls(linking('', '/lamp'), linking('lamp'), linking('lamp.html'))).toEqual([SITE, `${SITE}lamp`])
  expect(urls(linking('', '/lamp.html'), linking('lamp'), linking('lamp.html'))).toEqual([SITE, `${SITE}lamp.html`])
})
