import { beforeAll, describe, expect, test } from 'vitest'
import type { Gathering } from '../model'
import { builtInSurfaces, readSurfaces, type Surface, surfaceAsFile } from '../surface'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { runAsHtml } from './html'
import { runDocument } from './run-document'
import { runAsJson } from './run-pieces'

const noTag = ''

/** A site with what places judge apart: heavy, small, upright and missing images, long texts, titles given twice, a small card. */
const site: MemoryBuild = goodSite({
  'long.html': goodPage('long.html', 'Ferns and mosses of the whole northern garden '.repeat(6), {
    'og:description': `<meta property="og:description" content="${'What grows there, and when it is watered. '.repeat(20)}">`,
  }),
  'small.html': goodPage('small.html', 'Card', {
    'twitter:card': '<meta name="twitter:card" content="summary">',
  }),
  'img/Card.png': pngBytes(1200, 630, 80_003),
  'stamp.html': goodPage('stamp.html', 'A stamp', {
    'og:image': `<meta property="og:image" content="${GOOD_SITE}img/stamp.png">`,
  }),
  'img/stamp.png': pngBytes(180, 180),
  'heavy.html': goodPage('heavy.html', 'Heavy', {
    'og:image': `<meta property="og:image" content="${GOOD_SITE}img/heavy.png">`,
  }),
  'img/heavy.png': pngBytes(1200, 630, 9_000_000),
  'upright.html': goodPage('upright.html', 'Upright', {
    'og:image': `<meta property="og:image" content="${GOOD_SITE}img/upright.png">`,
  }),
  'img/upright.png': pngBytes(600, 1800),
  'bare.html': goodPage('bare.html', 'Bare', {
    'og:image': noTag,
    'og:title': noTag,
    'og:description': noTag,
    'twitter:card': noTag,
  }),
  'twice-a.html': goodPage('twice-a.html', 'One title for two'),
  'twice-b.html': goodPage('twice-b.html', 'One title for two'),
  'relative.html': goodPage('relative.html', 'Relative', {
    'og:image': '<meta property="og:image" content="img/stamp.png">',
  }),
})

/** The same list with one of ours as it is read from a file, under another name. */
function withOwn<T>(surface: Surface, id: string, work: () => T): T {
  const list = builtInSurfaces as Surface[]
  const at = list.indexOf(surface)
  const read = readSurfaces(surfaceAsFile({ ...surface, id }))
  if (!read.ok) throw new Error(JSON.stringify(read.faults))
  list[at] = read.surfaces[0]!
  try {
    return work()
  } finally {
    list[at] = surface
  }
}

const written = (gathering: Gathering) => {
  const document = runDocument(gathering)
  return { json: runAsJson(document), html: runAsHtml(document) }
}

let gathering: Gathering
beforeAll(async () => {
  gathering = await gatherMemory(site, GOOD_SITE)
})

describe('nothing is decided by the name of a place', () => {
  let ours: ReturnType<typeof written>
  beforeAll(() => {
    ours = written(gathering)
  })

  test('the site makes places differ', () => {
    const rules = new Set(runDocument(gathering).pages.flatMap((page) => page.findings.map(({ rule }) => rule)))
    for (const rule of ['card-small', 'image-too-heavy', 'image-below-minimum', 'image-relative'])
      expect([...rules], rule).toContain(rule)
    expect(runDocument(gathering).findings.map(({ rule }) => rule)).toContain('title-duplicate')
  })

  test.each(builtInSurfaces.map((surface) => [surface.id, surface] as const))(
    '%s as a file of one’s own: the same cards, ladders, findings and report',
    (id, surface) => {
      const own = withOwn(surface, `own-${id}`, () => written(gathering))
      expect(own.json).toContain(`"own-${id}"`)
      expect(own.json.replaceAll(`own-${id}`, id)).toBe(ours.json)
      expect(own.html.replaceAll(`own-${id}`, id)).toBe(ours.html)
    },
  )
})

describe('a site with a place more', () => {
  const eleventh: Surface = { ...builtInSurfaces[0]!, id: 'noticeboard', name: 'Noticeboard', represents: 'kind' }

  test('its document brings the place, and its report shows its card', () => {
    const document = runDocument(gathering, { ownSurfaces: [eleventh] })
    expect(JSON.parse(runAsJson(document)).ownSurfaces).toEqual([eleventh])
    expect(runAsHtml(document)).toContain('Noticeboard')
    expect(runAsHtml(runDocument(gathering))).not.toContain('Noticeboard')
  })

  test('one that takes ten bytes says of every image that it is too heavy', () => {
    const picture = { ...eleventh.picture!, maxBytes: { value: 10, basis: 'documented' as const } }
    const strict = { ...eleventh, picture }
    const document = runDocument(gathering, { ownSurfaces: [strict] })
    const heavy = document.pages.filter((page) => page.findings.some(({ rule }) => rule === 'image-too-heavy'))
    const withImage = document.pages.filter((page) => page.cards[builtInSurfaces[0]!.id]?.image.url)
    expect(withImage.length).toBeGreaterThan(4)
    expect(heavy.map(({ url }) => url)).toEqual(expect.arrayContaining(withImage.map(({ url }) => url)))
  })
})
