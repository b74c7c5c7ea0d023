import { describe, expect, test } from 'vitest'
import type { GatheredImage, GatheredPage, Gathering } from '../model'
import { jsonLines, jsonPieces, type RunDocument, runDocument } from '../report'
import { gatherMemory } from '../testing/build-run'
import { damagedSite, LARGE_SITE } from '../testing/damaged-site'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { DocumentReader } from './document-reader'
import { StatedRunReader } from './stated-run'

function gatheringIn(pieces: Iterable<string>): Gathering {
  const pages: GatheredPage[] = []
  const images: GatheredImage[] = []
  const stated = new StatedRunReader(
    (page) => pages.push(page),
    (image) => images.push(image),
  )
  const reader = new DocumentReader()
  for (const piece of pieces) stated.take(reader.add(piece))
  stated.take(reader.end())
  return { ...stated.end().gathered, pages, images }
}

const asWritten = (document: RunDocument): Record<string, unknown> => JSON.parse(JSON.stringify(document))

describe('a run that is taken from its document', () => {
  test.each([
    ['one that is well', goodSite(), GOOD_SITE],
    [
      'one with much that is wrong',
      damagedSite([
        { kind: 'no-picture', level: 'section' },
        { kind: 'og-url-staging', level: 'site' },
      ]),
      LARGE_SITE,
    ],
    [
      'one with sitemaps, robots.txt and a page that is not there',
      goodSite({
        'robots.txt': 'User-agent: *\nDisallow: /visit\nSitemap: https://site.example/sitemap.xml',
        'sitemap.xml': `<urlset><url><loc>${GOOD_SITE}gone.html</loc></url><url><loc>${GOOD_SITE}</loc></url></urlset>`,
        'about.html': goodPage('about.html', 'About', {}, '<a href="/lost.html">lost</a>'),
      }),
      GOOD_SITE,
    ],
  ])('is judged as it was: %s', async (_, files, site) => {
    const document = runDocument(await gatherMemory(files, site))
    for (const pieces of [jsonPieces(document), jsonLines(document)]) {
      const again = runDocument(gatheringIn(pieces))
      expect(asWritten(again)).toEqual(asWritten(document))
    }
  })

  test('a waiver that ended, and what else came of requirements, is nothing that was gathered', async () => {
    const waivers = [{ rule: 'og-title-missing', reason: 'x', by: 'Ada', until: '2020-01-01' }]
    const document = runDocument(await gatherMemory(goodSite(), GOOD_SITE), { waivers })
    expect(document.notes.length).toBeGreaterThan(0)
    expect(gatheringIn(jsonLines(document)).notes).toEqual([])
  })

  const changed = (change: (document: Record<string, unknown>) => void) => async () => {
    const document = asWritten(runDocument(await gatherMemory(goodSite(), GOOD_SITE)))
    change(document)
    return () => gatheringIn(jsonPieces(document))
  }
  test.each<[string, (document: Record<string, unknown>) => void, RegExp]>([
    ['another document', (document) => Object.assign(document, { format: 'x' }), /^It is no run document\.$/],
    ['a part of a run', (document) => Object.assign(document, { partial: { shard: 2, of: 3 } }), /part 2 of 3.*merge/],
    ['one of before robots.txt was written', (document) => delete document['robotsTxt'], /Write it again/],
    [
      'a page of another form',
      (document) => Object.assign(document, { pages: [{ url: 'javascript:alert(1)' }] }),
      /^It is a run document that is broken: page 1: url/,
    ],
    ['one without its source', (document) => delete document['source'], /the document: source/],
  ])('%s is refused, with why', async (_, change, fault) => {
    expect(await changed(change)()).toThrow(fault)
  })
})
