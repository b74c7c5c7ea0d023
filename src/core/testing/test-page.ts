import { createAddressMap } from '../address'
import type { GatheredImage, GatheredPage } from '../model'
import { decodeHtml, readPage } from '../page'
import type { CardContext } from '../surface'

export const URL_OF_PAGE = 'https://site.example/guides/lamp'

/** A page as gathered from this HTML. */
export function testPage(html: string, fetch: Partial<GatheredPage['fetch']> = {}): GatheredPage {
  const reading = readPage(decodeHtml(new TextEncoder().encode(html), 'text/html; charset=utf-8'))
  return {
    url: URL_OF_PAGE,
    file: null,
    facts: reading.facts,
    source: [],
    fetch: {
      status: 200,
      finalUrl: URL_OF_PAGE,
      redirects: [],
      aliases: [],
      contentType: 'text/html',
      bytes: html.length,
      ms: 1,
      error: null,
      errorCode: null,
      robotsHeader: null,
      fetchedAt: '2026-11-23T09:12:00Z',
      ...fetch,
    },
  }
}

/** A picture that a place can use, unless told otherwise. */
export const image = (url: string, over: Partial<GatheredImage> = {}): GatheredImage => ({
  url,
  status: 200,
  format: 'jpeg',
  width: 1200,
  height: 630,
  bytes: 90_000,
  alpha: false,
  animated: false,
  hash: 'sha256:00',
  contentType: 'image/jpeg',
  error: null,
  errorCode: null,
  iconOnly: false,
  ...over,
})

/** What cards depend on: these pictures, no robots.txt. */
export const context = (images: GatheredImage[] = [], over: Partial<CardContext> = {}): CardContext => ({
  view: 'standing',
  addresses: createAddressMap('https://site.example/', null),
  images: new Map(images.map((one) => [one.url, one])),
  robots: null,
  ...over,
})

/** Rungs in short. */
export const outcomes = (ladder: { from: string; outcome: string }[]) =>
  ladder.map(({ from, outcome }) => `${from} ${outcome}`)
