import { describe, expect, it } from 'vitest'
import type { PictureEntry } from '@/core/check'
import type { GatheredImage } from '@/core/model'
import { cropsFor } from '@/core/surface'
import { surfaces } from '@/core/testing/places'
import { cropGroups } from '../../parts/picture/crop-groups'
import { mostToKnow, orderPictures, pathOfPicture, pictureInShort } from './picture-facts'

const image = (url: string, over: Partial<GatheredImage> = {}): GatheredImage => ({
  url,
  status: 200,
  format: 'jpeg',
  width: 1200,
  height: 630,
  bytes: 90_000,
  alpha: false,
  animated: false,
  hash: null,
  contentType: null,
  error: null,
  errorCode: null,
  iconOnly: false,
  ...over,
})
const entry = (url: string, findings: PictureEntry['findings'] = []): PictureEntry => ({
  url,
  uses: [{ page: 'https://site.example/', keys: ['og:image'], alt: null, kind: 'summary_large_image' }],
  contentOf: [],
  findings,
  same: [],
  alike: [],
})
const finding = (rule: string, level: 'error' | 'warning' | 'note') => ({ rule, level, said: 'x', pages: 1 })

describe('what a list says of a picture', () => {
  it('is its path, its size and weight, and what is worst about it', () => {
    const url = 'https://site.example/img/a.jpg'
    expect(pathOfPicture(url, 'https://site.example/')).toBe('/img/a.jpg')
    expect(pathOfPicture('https://cdn.example/a.jpg', 'https://site.example/')).toBe('cdn.example/a.jpg')
    expect(pictureInShort(image(url))).toBe('1200 × 630 jpeg, 90 KB')
    expect(pictureInShort(undefined)).toBe('not read')
    expect(mostToKnow(entry(url), image(url), [])).toBeNull()
    const gone = image(url, { status: 404, errorCode: 'status', error: 'It answered 404.', width: null, height: null })
    expect(mostToKnow(entry(url), gone, [])).toEqual({ level: 'error', words: 'answers 404' })
  })

  it('names the largest loss of a large card', () => {
    const tall = image('https://site.example/tall.jpg', { width: 1080, height: 1350 })
    const kept = cropsFor(tall, surfaces, 'summary_large_image')
    expect(mostToKnow(entry(tall.url, [finding('image-shape', 'warning')]), tall, kept)?.words).toBe(
      '58 % cropped away',
    )
  })
})

it('keptOf refuses what a place refuses, each with its reason', () => {
  const heavy = image('https://site.example/heavy.jpg', { bytes: 700_000 })
  const refused = cropsFor(heavy, surfaces, 'summary_large_image').filter(({ kind }) => kind === 'refused')
  expect(refused.map(({ surface, ...rest }) => [surface.id, 'why' in rest && rest.why])).toEqual([
    ['phone-chat', 'over 0.6 MB'],
  ])
  const drawing = image('https://site.example/a.svg', { format: 'svg' })
  expect(cropsFor(drawing, surfaces, null).every(({ kind }) => kind === 'refused')).toBe(true)
})

it('places that keep the same are one group, the part that loses least first', () => {
  const tall = image('https://site.example/tall.jpg', { width: 1080, height: 1350 })
  const groups = cropGroups(cropsFor(tall, surfaces, 'summary_large_image'), { width: 1080, height: 1350 })
  expect(groups.map(({ name, lost }) => [name, Math.round(lost * 100)])).toEqual([
    ['Picture board, Team chat', 0],
    ['Feed reply', 20],
    ['Wide feed and 4 more', 58],
  ])
})

it('orders pictures; what is not known comes last, equal ones stay by their pages', () => {
  const images = new Map(
    [
      image('a', { bytes: 10, width: 2000, height: 1000 }),
      image('b', { bytes: 500, width: 100, height: 50 }),
      image('c', { bytes: null, width: null, height: null, errorCode: 'status' }),
      image('d', { bytes: 10 }),
    ].map((one) => [one.url, one]),
  )
  const entries = [entry('a'), entry('b', [finding('image-below-minimum', 'error')]), entry('c'), entry('d')]
  const urls = (order: Parameters<typeof orderPictures>[2]) =>
    orderPictures(entries, images, order).map(({ url }) => url)
  expect(urls('most-pages')).toEqual(['a', 'b', 'c', 'd'])
  expect(urls('worst')).toEqual(['c', 'b', 'a', 'd'])
  expect(urls('heaviest')).toEqual(['b', 'a', 'd', 'c'])
  expect(urls('smallest')).toEqual(['b', 'd', 'a', 'c'])
})
