import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { Agent, fetch, request } from 'undici'
import { CrawlRequest } from '../src/core/crawl'
import { runCrawl } from '../src/io/run-crawl'
import { liveHeap, median, mediansInTurn, report } from './measure'

const AT_ONCE = 8
const PAGES = 2000

async function servePages(count: number): Promise<{ base: string; stop: () => void }> {
  const child = fork(fileURLToPath(new URL('./page-server.mjs', import.meta.url)), [String(count)])
  const port = await new Promise<number>((resolve) => child.once('message', (message) => resolve(message as number)))
  return { base: `http://127.0.0.1:${port}/`, stop: () => child.kill() }
}

/** Crawls everything and lets go of each event, as the server does. @param seen told of how many pages there were */
async function crawlAll(base: string, count: number, seen: (pages: number) => void = () => {}): Promise<void> {
  let pages = 0
  const wanted = CrawlRequest.parse({ from: { kind: 'url', start: base }, site: null, maxPages: count })
  const { signal } = new AbortController()
  for await (const events of runCrawl(wanted, { concurrency: AT_ONCE }, signal)) {
    for (const event of events) if (event.kind === 'page') seen(++pages)
  }
  if (pages !== count) throw new Error(`${pages} of ${count} pages came`)
}

/** One line: the most memory that a crawl of so many pages takes, with what waits to be collected and without. */
async function reportMemory(count: number): Promise<void> {
  const { base, stop } = await servePages(count)
  const [held, used, resident] = [0, 0, 0].map(() => [] as number[]) as [number[], number[], number[]]
  await crawlAll(base, count, (pages) => {
    if (pages % 100 === 0) {
      const { heapUsed, rss } = process.memoryUsage()
      used.push(heapUsed)
      resident.push(rss)
    }
    // Once before the end, when all addresses are known.
    if (pages === count - 100) held.push(liveHeap())
  })
  stop()
  const [live, heap, whole] = [held, used, resident].map((bytes) => Math.round(Math.max(...bytes) / 1e6))
  const pages = count.toLocaleString('en').padStart(7)
  console.log(`${pages} pages: ${live} MB alive near the end; at most ${heap} MB of heap, ${whole} MB resident`)
}

/** Asks for the same addresses, so many at a time, with one client for all. */
async function askAll(base: string, ask: (path: string, dispatcher: Agent) => Promise<unknown>): Promise<void> {
  const dispatcher = new Agent({ connections: AT_ONCE, pipelining: 1 })
  let next = 0
  const worker = async () => {
    for (let index = next++; index < PAGES; index = next++) {
      await ask(index === 0 ? base : `${base}s${index % 9}/p${index}`, dispatcher)
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, worker))
  await dispatcher.destroy()
}

/** The client's lowest interface, whose pieces of an answer are not looked at. */
function dispatched(address: string, dispatcher: Agent): Promise<void> {
  const { origin, pathname } = new URL(address)
  return new Promise((resolve, reject) => {
    dispatcher.dispatch(
      { origin, path: pathname, method: 'GET' },
      {
        onRequestStart: () => {},
        onResponseStart: () => {},
        onResponseData: () => {},
        onResponseEnd: () => resolve(),
        onResponseError: (_, error) => reject(error),
      },
    )
  })
}

/** What is held against what. Nothing but our crawl looks at the pages. */
const ways = {
  bare: (base: string) =>
    askAll(base, async (at, dispatcher) => (await request(at, { dispatcher })).body.arrayBuffer()),
  ours: (base: string) => crawlAll(base, PAGES),
  dispatch: (base: string) => askAll(base, dispatched),
  fetch: (base: string) => askAll(base, async (at, dispatcher) => (await fetch(at, { dispatcher })).arrayBuffer()),
}
type Ways = typeof ways

/** Time in ms that one way takes in a process of its own, which has compiled nothing yet. */
function timeAlone(way: keyof Ways, base: string): Promise<number> {
  const child = fork(fileURLToPath(import.meta.url), [], {
    env: { ...process.env, BENCH_ALONE: way, BENCH_BASE: base },
  })
  return new Promise((resolve, reject) => {
    child.once('message', (ms) => resolve(ms as number))
    child.once('exit', () => reject(new Error(`${way} ended without a time`)))
  })
}

const { BENCH_ALONE: alone, BENCH_BASE: itsBase } = process.env
if (alone !== undefined && itsBase !== undefined) {
  const startedAt = performance.now()
  await ways[alone as keyof Ways](itsBase)
  process.send?.(performance.now() - startedAt)
}

/** A crawl of 2,000 local pages against fetching the same addresses; memory at 2,000 and at 20,000 pages. */
export async function run(): Promise<void> {
  const few = await servePages(PAGES)
  // In turn: a machine that slows down does so for both. Many rounds: both are compiled while they run.
  const names = Object.keys(ways) as (keyof Ways)[]
  const settled = await mediansInTurn(
    names.map((name) => () => ways[name](few.base)),
    25,
  )
  const alone: number[][] = names.map(() => [])
  for (let round = 0; round < 7; round++)
    for (const [at, name] of names.entries()) alone[at]!.push(await timeAlone(name, few.base))
  for (const [what, times] of [
    ['again and again', settled],
    ['in a new process', alone.map(median)],
  ] as [string, number[]][]) {
    const [bare, ours, lowest, byFetch] = times as [number, number, number, number]
    const floor = { name: 'bare loop', ms: bare }
    console.log(`${what}:`)
    report('  bare undici loop, by request()', bare)
    report('  our crawl of the same pages', ours, floor)
    report('  the loop by dispatch(), nothing kept', lowest, floor)
    report('  the loop by fetch()', byFetch, floor)
  }
  few.stop()
  for (const count of [PAGES, 10 * PAGES]) await reportMemory(count)
}
