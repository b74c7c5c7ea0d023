import { expect, test } from 'vitest'
import { createCheckContext } from '../check'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { histogram, overviewOf } from './overview'

const same = '<meta property="og:title" content="Same for all">'

test('each page’s fields stand in its section by what it has of them', async () => {
  const files = {
    'g/a.html': goodPage('g/a.html', 'Ferns', { 'og:title': same }),
    'g/b.html': goodPage('g/b.html', 'Mosses', {
      'og:title': same,
      'og:description': '<meta property="og:description" content=" ">',
    }),
    'g/c.html': goodPage('g/c.html', 'Roses', { 'og:title': same, 'og:image': null, 'og:type': null }),
    'g/d.html': goodPage('g/d.html', 'Roses', { 'og:title': null }),
  }
  const { coverage, lengths, pictures } = overviewOf(createCheckContext(await gatherMemory(goodSite(files), GOOD_SITE)))
  const section = coverage.find(({ section }) => section === '/g/*')!
  expect(section.pages).toBe(4)
  expect(section.fields.title).toEqual({ own: 0, shared: 3, fallback: 1, empty: 0, missing: 0 })
  expect(section.fields.description).toMatchObject({ empty: 1, own: 1, shared: 2 })
  expect(section.fields.picture.missing).toBe(1)
  expect(section.fields.type).toMatchObject({ own: 3, missing: 1 })
  expect(lengths.find(({ url }) => url.endsWith('a.html'))?.title).toBe('Same for all'.length)
  expect(pictures.find(({ url }) => url.endsWith('Roses.png'))).toMatchObject({
    width: 1200,
    height: 630,
    pages: { length: 2 },
  })
})

test('a histogram has equal steps, the last open upwards', () => {
  expect(histogram([0, 9, 10, 35, 400], 10, 40)).toEqual([
    { from: 0, to: 10, count: 2 },
    { from: 10, to: 20, count: 1 },
    { from: 20, to: 30, count: 0 },
    { from: 30, to: 40, count: 2 },
  ])
})
