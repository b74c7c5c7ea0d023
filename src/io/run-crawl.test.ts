import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, expect, test } from 'vitest'
import { GatheringBuilder, oneByOne } from '@/core/crawl/events'
import { CrawlRequest } from '@/core/crawl/wire'
import { runCrawl } from './run-crawl'

const page = '<!doctype html><title>A page</title>'
const server = createServer(({ url }, response) => {
  const host = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const map = (...paths: string[]) => paths.map((path) => `<sitemap><loc>${host}${path}</loc></sitemap>`).join('')
  if (url === '/index.xml') response.end(`<sitemapindex>${map('/a.xml', '/gone.xml')}</sitemapindex>`)
  else if (url === '/a.xml') response.end(`<urlset><url><loc>${host}/a</loc></url></urlset>`)
  else if (url === '/a') response.writeHead(200, { 'content-type': 'text/html' }).end(page)
  else response.writeHead(404).end()
})
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
afterAll(() => {
  server.closeAllConnections()
  server.close()
})

async function gather(from: CrawlRequest['from']) {
  const builder = new GatheringBuilder()
  const request = CrawlRequest.parse({ from, site: null })
  const batches = runCrawl(request, { guessSite: false }, new AbortController().signal)
  for await (const event of oneByOne(batches)) builder.add(event)
  return builder.gathering()!
}

test('a sitemap of which a part can’t be read is not read whole', async () => {
  const { pages, incomplete } = await gather({ kind: 'sitemap', address: `${base}/index.xml` })
  expect(pages.map(({ url }) => url)).toEqual([`${base}/a`])
  expect(incomplete).toEqual([
    { why: 'lost', message: `The sitemap ${base}/gone.xml could not be read. It answered 404.` },
  ])
})

test('a list that goes on beyond what is read of one is not read whole', async () => {
  const list = { kind: 'list' as const, addresses: [`${base}/a`] }
  expect((await gather(list)).incomplete).toEqual([])
  expect((await gather({ ...list, isCut: true, name: 'long.txt' })).incomplete).toMatchObject([{ why: 'pages' }])
})
