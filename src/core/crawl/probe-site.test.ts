import { expect, test } from 'vitest'
import { testOutside } from '../testing/build-run'
import { defaultCrawlOptions } from './crawl-options'
import { SiteProbe } from './probe-site'
import type { FetchResult, ReadRequest } from './read-address'

const START = 'http://127.0.0.1:8080/'
const page = (html: string): FetchResult => ({
  kind: 'answered',
  status: 200,
  headers: { 'content-type': 'text/html' },
  body: new TextEncoder().encode(html),
  isCut: false,
  ms: 1,
})
const late: FetchResult = { kind: 'failed', code: 'timeout', message: 'It did not answer.', ms: 8000 }
const home = page(
  `<title>Home</title>${['a', 'b', 'c', 'd'].map((name) => `<a href="/${name}/x">${name}</a>`).join('')}`,
)

/** Asks for the site of a server that answers as told. @returns what was asked for, in its order */
async function askedFor(answer: (path: string) => FetchResult): Promise<ReadRequest[]> {
  const asked: ReadRequest[] = []
  const outside = testOutside(async (request) => {
    asked.push(request)
    return answer(new URL(request.url).pathname)
  })
  await new SiteProbe({ ...defaultCrawlOptions, start: START }, null, outside).infer([START], home)
  return asked
}
const paths = (asked: readonly ReadRequest[]) => asked.map(({ url }) => new URL(url).pathname)

test('a page that does not answer in time ends the search: nothing is shown before it', async () => {
  const asked = await askedFor((path) => (path.startsWith('/b') ? late : page('<title>A page</title>')))
  expect(paths(asked).filter((path) => !path.includes('sitemap'))).toEqual(['/a/x', '/b/x'])
})

test('one that says no by a status does not', async () => {
  const gone: FetchResult = { ...(page('') as Extract<FetchResult, { kind: 'answered' }>), status: 500 }
  const asked = await askedFor((path) => (path.startsWith('/b') ? gone : page('<title>A page</title>')))
  expect(paths(asked)).toEqual(expect.arrayContaining(['/a/x', '/b/x', '/c/x', '/d/x']))
})

test('each has less time than a page of the run', async () => {
  const asked = await askedFor(() => page('<title>A page</title>'))
  const pages = asked.filter(({ accept }) => accept === 'page')
  expect(pages.length).toBeGreaterThan(2)
  for (const { timeoutMs } of pages) expect(timeoutMs).toBe(8000)
})
