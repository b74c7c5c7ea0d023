import { describe, expect, test } from 'vitest'
import type { Gathering } from '../model'
import { gatherMemory, type MemoryBuild, memoryFiles, testOutside } from '../testing/build-run'
import { DAMAGES, damagedSite, LARGE_SITE } from '../testing/damaged-site'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { type BuildPart, gatherBuildPart, isInShard, replayOf } from './build-part'
import { GatheringBuilder } from './events'
import { gatherBuild } from './gather-build'

const optionsFor = (site: string | null) => ({
  kind: 'folder' as const,
  location: 'memory',
  site,
  maxPages: null,
  concurrency: 4,
})

async function partOf(build: MemoryBuild, site: string | null, index: number, of: number): Promise<BuildPart> {
  const events = gatherBuildPart(memoryFiles(build), optionsFor(site), { index, of }, testOutside())
  for (;;) {
    const { value, done } = await events.next()
    if (done) return value
  }
}

/** A part as a file carries it. */
const written = ({ files, ...part }: BuildPart): BuildPart => ({ ...JSON.parse(JSON.stringify(part)), files })

async function merged(build: MemoryBuild, site: string | null, order: readonly number[]): Promise<Gathering> {
  const parts: BuildPart[] = []
  for (const index of order) parts.push(written(await partOf(build, site, index, order.length)))
  const { files, replay } = replayOf(parts)
  const builder = new GatheringBuilder()
  for await (const event of gatherBuild(files, optionsFor(site), testOutside(), null, replay)) builder.add(event)
  return builder.gathering()!
}

/** What a run is, apart from its times and the order of equals; colours of style sheets are for the app alone. */
const apart = ({ survey, images, ...gathering }: Gathering) => ({
  ...JSON.parse(JSON.stringify(gathering)),
  survey: survey && { ...survey, colors: undefined },
  images: JSON.parse(JSON.stringify([...images].sort((a, b) => (a.url < b.url ? -1 : 1)))),
})

const orders = [[1], [2, 1], [3, 5, 1, 4, 2], [16, ...Array.from({ length: 15 }, (_, index) => index + 1)]]

/** A build with what only the whole can settle: refreshes, dead links, shells, twins, sitemaps, addresses without an end. */
const knotted = goodSite({
  '404.html': goodPage('404.html', 'Nowhere'),
  'lists.html': goodPage(
    'lists.html',
    'Lists',
    {},
    '<a href="/sub">sub</a> <a href="/about">about</a> <a href="/404.html">x</a>',
  ),
  'old.html': '<meta http-equiv="refresh" content="0; url=/about.html">',
  'sub/index.html': goodPage(
    'sub/',
    'Sub',
    {},
    '<a href="/gone">gone</a> <a href="/old.html">old</a> <a href="/lists">l</a>',
  ),
  'sub/deep.html': goodPage(
    'sub/deep.html',
    'Deep',
    { 'og:image': '<meta property="og:image" content="https://elsewhere.example/p.png">' },
    '<a href="/gone">gone</a><img src="../img/Deep.png" width="800" height="600">',
  ),
  'img/Deep.png': pngBytes(1200, 630, 83_000),
  'robots.txt': 'User-agent: *\nDisallow: /sub/\nSitemap: https://site.example/maps/all.xml\n',
  'maps/all.xml': `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>${GOOD_SITE}sub/deep</loc></url><url><loc>${GOOD_SITE}never</loc></url></urlset>`,
})

describe('a build that is read in parts is the build that is read whole', () => {
  test.each(orders.map((order) => [order.length, order] as const))('in %d parts, in any order', async (_, order) => {
    expect(apart(await merged(knotted, GOOD_SITE, order))).toEqual(apart(await gatherMemory(knotted, GOOD_SITE)))
  })

  test('a large one, damaged in several places', async () => {
    const kinds = Object.keys(DAMAGES).slice(0, 8)
    const build = damagedSite(
      kinds.map((kind, index) => ({ kind, level: (['site', 'section', 'page'] as const)[index % 3]! })),
    )
    const whole = apart(await gatherMemory(build, LARGE_SITE))
    for (const order of [orders[1]!, orders[2]!]) expect(apart(await merged(build, LARGE_SITE, order))).toEqual(whole)
  })

  test('two thousand pages', async () => {
    const pages = Object.fromEntries(
      Array.from({ length: 2000 }, (_, index) => {
        const path = `g/${index}.html`
        const next = `<a href="/g/${(index * 7 + 1) % 2100}">next</a>`
        return [
          path,
          goodPage(
            path,
            `Guide number ${index}`,
            { 'og:image': index % 3 === 0 ? null : `<meta property="og:image" content="${GOOD_SITE}img/Roses.png">` },
            next,
          ),
        ]
      }),
    )
    const build = goodSite(pages)
    const whole = apart(await gatherMemory(build, GOOD_SITE))
    for (const order of orders) expect(apart(await merged(build, GOOD_SITE, order))).toEqual(whole)
  }, 120_000)

  test('each page is of one part, and only the first has the paths', async () => {
    const parts = await Promise.all([1, 2, 3].map((index) => partOf(knotted, GOOD_SITE, index, 3)))
    const paths = parts.flatMap(({ pages }) => pages.map(({ path }) => path))
    expect(new Set(paths).size).toBe(paths.length)
    expect(parts.map((part) => part.paths !== null)).toEqual([true, false, false])
    expect(new Set(parts.map(({ listing }) => listing)).size).toBe(1)
    expect([0, 1, 2, 3].map((position) => isInShard({ index: 2, of: 3 }, position))).toEqual([
      false,
      true,
      false,
      false,
    ])
  })
})
