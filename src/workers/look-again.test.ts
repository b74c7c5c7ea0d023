import { expect, test } from 'vitest'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { withLook } from './look-again'

test('one page and its pictures are replaced, all others stay as they were', async () => {
  const parent = await gatherMemory(goodSite(), GOOD_SITE)
  const later = await gatherMemory(goodSite({ 'about.html': goodPage('about.html', 'Mosses') }), GOOD_SITE)
  const about = (pages: typeof later.pages) => pages.find(({ url }) => url.includes('about'))!
  const image = { ...parent.images[0]!, width: 10, served: null }
  const derived = withLook(parent, { page: about(later.pages), images: [image], robotsTxt: 'User-agent: *' })
  expect(derived.pages.map(({ url }) => url)).toEqual(parent.pages.map(({ url }) => url))
  expect(about(derived.pages).facts!.title).toContain('Mosses')
  expect(derived.pages.filter((page, at) => page !== parent.pages[at])).toHaveLength(1)
  expect(derived.images).toHaveLength(parent.images.length)
  expect(derived.images.find(({ url }) => url === image.url)!.width).toBe(10)
  expect([derived.robotsTxt, parent.robotsTxt]).toEqual(['User-agent: *', null])
})
