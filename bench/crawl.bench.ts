import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { Agent, request } from 'undici'
import { CrawlRequest } from '../src/core/crawl/wire'
import { runCrawl } from '../src/io/run-crawl'
import { mediansInTurn, report } from './measure'

const AT_ONCE = 8

async function servePages(count: number): Promise<{ base: string; stop: () => void }> {
  const child = fork(fileURLToPath(new URL('./page-server.mjs', import.meta.url)), [String(count)])
  const port = await new Promise<number>((resolve) => child.once('message', (message) => resolve(message as number)))
  return { base: `http://127.0.0.1:${port}/`, stop: () => child.kill() }
}

/** Crawls everything and lets go of each event, as the server does. @returns pages seen, and the most memory held */
async function crawlAll(base: string, count: number): Promise<{ pages: number; heapMb: number; rssMb: number }> {
  let pages = 0
  let heap = 0
  let rss = 0
  const wanted = CrawlRequest.parse({ from: { kind: 'url', start: base }, site: null, maxPages: count })
  for await (const event of runCrawl(
    wanted,
    { guessSite: false, concurrency: AT_ONCE },
    new AbortController().signal,
  )) {
    if (event.kind !== 'page') continue
    pages++
    if (pages % 200 === 0) {
      const { heapUsed, rss: resident } = process.memoryUsage()
      heap = Math.max(heap, heapUsed)
      rss = Math.max(rss, resident)
    }
  }
  return { pages, heapMb: Math.round(heap / 1e6), rssMb: Math.round(rss / 1e6) }
}

/** The floor: the same addresses, read and thrown away. */
async function fetchAll(base: string, count: number): Promise<void> {
  const dispatcher = new Agent({ connections: AT_ONCE, pipelining: 1 })
  let next = 0
  const worker = async () => {
    for (let index = next++; index < count; index = next++) {
      const { body } = await request(index === 0 ? base : `${base}s${index % 9}/p${index}`, { dispatcher })
      await body.arrayBuffer()
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, worker))
  await dispatcher.destroy()
}

/** A crawl of 2,000 local pages against fetching the same addresses; memory at 2,000 and at 20,000 pages. */
export async function run(): Promise<void> {
  const few = await servePages(2000)
  // In turn: a machine that slows down does so for both.
  const [floor, ours] = (await mediansInTurn([() => fetchAll(few.base, 2000), () => crawlAll(few.base, 2000)], 7)) as [
    number,
    number,
  ]
  report('bare undici loop, 2,000 pages, 8 at a time', floor)
  report('our crawl of the same pages', ours, { name: 'bare loop', ms: floor })
  const small = await crawlAll(few.base, 2000)
  few.stop()
  const many = await servePages(20_000)
  const large = await crawlAll(many.base, 20_000)
  many.stop()
  for (const { pages, heapMb, rssMb } of [small, large]) {
    console.log(`${pages.toLocaleString('en').padStart(7)} pages: at most ${heapMb} MB of heap, ${rssMb} MB resident`)
  }
}
