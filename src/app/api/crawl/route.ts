import { createAddressMap } from '@/core/crawl/address-map'
import { crawl, defaultCrawlOptions } from '@/core/crawl/crawl'
import { limits } from '@/core/crawl/limits'
import { NothingAnswered } from '@/core/crawl/nothing-answered'
import { CrawlRequest, toWire, type WireEvent } from '@/core/crawl/wire'
import { createFetcher } from '@/io/fetch-address'
import { hostAndPort } from '@/io/guard'
import { imagePath } from '@/io/image-token'
import { nodeOutside } from '@/io/outside'
import { refusalOf, refused } from '@/io/same-origin'

export const dynamic = 'force-dynamic'

/** Events of one crawl as lines of JSON. Leaving the page aborts the request, and with it every fetch. */
async function* crawlLines(request: CrawlRequest, signal: AbortSignal): AsyncGenerator<WireEvent> {
  const innerHost = hostAndPort(request.start)
  const fetcher = createFetcher({
    innerHosts: new Set([innerHost]),
    concurrency: limits.concurrency,
    timeoutMs: limits.timeoutMs,
    signal,
  })
  let toBuild = (url: string) => url
  try {
    const options = { ...defaultCrawlOptions, ...request, guessSite: true }
    for await (const event of crawl(options, nodeOutside(fetcher.read, signal))) {
      if (event.kind === 'started') toBuild = createAddressMap(event.source.site, event.source.location).toBuild
      yield toWire(event, (url) => imagePath({ url: toBuild(url), innerHost }))
    }
  } catch (error) {
    if (signal.aborted) return
    const isKnown = error instanceof NothingAnswered
    if (!isKnown) console.error(error)
    yield {
      kind: 'failed',
      message: isKnown ? error.message : 'The crawl broke off by a fault of ours. What was gathered is kept.',
    }
  } finally {
    await fetcher.close()
  }
}

export async function POST(request: Request): Promise<Response> {
  const refusal = refusalOf(request, true)
  if (refusal) return refused(refusal)
  const parsed = CrawlRequest.safeParse(await request.json().catch(() => null))
  if (!parsed.success) return refused(parsed.error.issues.map((issue) => issue.message).join(' '), 400)
  const lines = crawlLines(parsed.data, request.signal)
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await lines.next()
      if (done) controller.close()
      else controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`))
    },
    async cancel() {
      await lines.return(undefined)
    },
  })
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } })
}
