import { describe, expect, test } from 'vitest'
import { testOutside } from '../testing/build-run'
import { crawl } from './crawl'
import { defaultCrawlOptions } from './crawl-options'
import { GatheringBuilder, oneByOne } from './events'
import type { FetchResult, ReadRequest } from './read-address'

const START = 'http://127.0.0.1:4000/'
const PAGES = 40

const page = (body: string): FetchResult => ({
  kind: 'answered',
  status: 200,
  headers: { 'content-type': 'text/html' },
  body: new TextEncoder().encode(`<title>A page</title><meta property=og:image content=/card.png>${body}`),
  isCut: false,
  ms: 1,
})
const refused: FetchResult = { kind: 'failed', code: 'refused', message: '127.0.0.1 refuses connections.', ms: 1 }
const all = Array.from({ length: PAGES }, (_, index) => `<a href="/p${index}">x</a>`).join('')

/** A server of many pages that refuses what `isDown` says. */
async function run(isDown: (asked: number, url: string) => boolean) {
  let asked = 0
  const read = async ({ url }: ReadRequest): Promise<FetchResult> => {
    asked++
    await new Promise((resolve) => setTimeout(resolve, 1))
    if (isDown(asked, url)) return refused
    if (url.endsWith('.png') || url.endsWith('.ico') || url.endsWith('.txt') || url.endsWith('.xml'))
      return { ...(page('') as Extract<FetchResult, { kind: 'answered' }>), status: 404 }
    return page(all)
  }
  const builder = new GatheringBuilder()
  const options = { ...defaultCrawlOptions, start: START, site: START, concurrency: 4 }
  for await (const event of oneByOne(crawl(options, testOutside(read)))) builder.add(event)
  return builder.gathering()!
}

describe('a server that goes silent', () => {
  test('for good: the run is lost, and nothing that was not read is a fault', async () => {
    const { pages, images, incomplete } = await run((asked) => asked > 20)
    expect(incomplete).toMatchObject([{ why: 'lost', message: expect.stringContaining('takes no more connections') }])
    expect(pages.length).toBeGreaterThan(5)
    expect(pages.filter(({ fetch }) => fetch.error !== null)).toEqual([])
    expect(images.filter(({ errorCode }) => errorCode === 'refused')).toEqual([])
    expect(incomplete[0]!.message).toContain(`${PAGES + 1 - pages.length} URLs were found and not read.`)
  })

  test('for a while: all is read once it is back', async () => {
    const { pages, incomplete } = await run((asked) => asked > 20 && asked <= 25)
    expect(incomplete).toEqual([])
    expect(pages).toHaveLength(PAGES + 1)
    expect(pages.filter(({ fetch }) => fetch.error !== null)).toEqual([])
  })

  test('for one page alone: that is asked once more, and is its fault', async () => {
    let times = 0
    const { pages, incomplete } = await run((_, url) => url.endsWith('/p7') && ++times > 0)
    expect(incomplete).toEqual([])
    expect(times).toBe(2)
    expect(pages.filter(({ fetch }) => fetch.errorCode === 'refused').map(({ url }) => url)).toEqual([`${START}p7`])
  })
})
