import 'fake-indexeddb/auto'
import fc from 'fast-check'
import { beforeEach, expect, test } from 'vitest'
import { runs } from '@/core/testing/property-runs'
import { database } from './database'
import { LinkKeeper, linksOf, packedLinks, unpackedLinks } from './links'

beforeEach(() => database.links.clear())

const kept = fc
  .array(fc.tuple(fc.constantFrom('/', '/a', '#', '', 'https://x.example/é', '/b?c=1'), fc.nat(1e6), fc.nat(1e6)))
  .chain((links) =>
    fc.record({
      hrefs: fc.constant(links.map(([href]) => href)),
      hrefPlaces: fc.constant(links.flatMap(([, line, column]) => [line, column])),
      refreshTo: fc.option(fc.constant('/next'), { nil: null }),
    }),
  )

test('links come back as they were, each text kept once', () => {
  fc.assert(
    fc.property(fc.array(kept), (all) => {
      const pages = all.map((one, index) => ({ url: `https://x.example/${index}`, kept: one }))
      const packed = packedLinks('run', 0, pages)
      expect(new Set(packed.texts).size).toBe(packed.texts.length)
      expect(unpackedLinks(packed)).toEqual(pages)
    }),
    runs(100),
  )
})

test('of a run they are found by page, over all of its parts, and of no other run', async () => {
  const links = (href: string) => ({ hrefs: [href], hrefPlaces: [1, 2], refreshTo: null })
  const keeper = new LinkKeeper('one')
  await keeper.keep([{ url: 'https://x.example/a', kept: links('/a') }])
  await keeper.keep([])
  await keeper.keep([{ url: 'https://x.example/b', kept: links('/b') }])
  // The run goes on after it was broken off.
  await new LinkKeeper('one').keep([{ url: 'https://x.example/d', kept: links('/d') }])
  await new LinkKeeper('two').keep([{ url: 'https://x.example/c', kept: links('/c') }])
  expect(await database.links.count()).toBe(4)
  expect([...(await linksOf('one'))]).toEqual([
    ['https://x.example/a', links('/a')],
    ['https://x.example/b', links('/b')],
    ['https://x.example/d', links('/d')],
  ])
})
