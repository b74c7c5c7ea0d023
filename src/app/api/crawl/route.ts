import { createAddressMap, limits, originOf, parseUrl, shownAddress } from '@/core/address'
import {
  CrawlRequest,
  earlierFrom,
  NothingAnswered,
  type ParsedCrawlRequest,
  toWire,
  type WireEvent,
} from '@/core/crawl'
import { terminalText } from '@/core/text'
import { answering } from '@/io/answering'
import { beginCrawl, clientOf, refusalToAsk } from '@/io/client-limits'
import { isExposed } from '@/io/exposure'
import { imagePath } from '@/io/image-token'
import { innerHostsNamed } from '@/io/named-hosts'
import { requestJson } from '@/io/request-json'
import { namedAddresses, runCrawl } from '@/io/run-crawl'
import { refusalOf, refused } from '@/io/same-origin'
import { revealedStart } from '@/io/started-with'

export const dynamic = 'force-dynamic'

/** Events of one crawl as lines of JSON. Leaving the page aborts the request, and with it every fetch. */
async function* crawlLines(
  request: ParsedCrawlRequest,
  client: string,
  signal: AbortSignal,
): AsyncGenerator<WireEvent[]> {
  // Pictures on the host that the run was pointed at may be shown, even inside this network.
  const innerHosts = await innerHostsNamed(namedAddresses(request.from))
  let toBuild = (url: string) => url
  const taken = { page: 0, picture: 0 }
  const count = (what: keyof typeof taken) => taken[what]++
  const memory = { keepsLinks: true, earlier: request.earlier ? earlierFrom(request.earlier, count) : undefined }
  try {
    for await (const events of runCrawl(
      request,
      {
        unnamedAs: namedAddresses(request.from).map((address) => originOf(address))[0] ?? '',
        innerHosts,
        memory,
        refusalToAsk: () => refusalToAsk(client),
      },
      signal,
    )) {
      for (const event of events) {
        if (event.kind !== 'started') continue
        const { site, location } = event.source
        const build = request.from.kind === 'list' ? (request.from.addresses[0] ?? site) : location
        if (parseUrl(build)) toBuild = createAddressMap(site, build, event.source.servedAt ?? null).toBuild
      }
      // An empty batch is not sent.
      if (events.length > 0)
        yield events.flatMap((event): WireEvent[] => {
          const sent = toWire(event, (url) => imagePath({ url: toBuild(url), innerHosts }))
          const isLast = sent.kind === 'finished' && taken.page + taken.picture > 0
          return isLast ? [{ kind: 'taken', pages: taken.page, pictures: taken.picture }, sent] : [sent]
        })
    }
  } catch (error) {
    if (signal.aborted) return
    const isKnown = error instanceof NothingAnswered
    // Never the request itself: it may hold a login.
    if (!isKnown) console.error(forLog(error))
    const message = isKnown ? error.message : 'The crawl broke off by a fault of ours. What was gathered is kept.'
    yield [{ kind: 'failed', message }]
  }
}

/** An error in lines of a log: its words may hold what a page says. */
const forLog = (error: unknown) =>
  String(error instanceof Error ? error.stack : error)
    .split('\n')
    .map((line) => terminalText(shownAddress(line)))
    .join('\n')

export async function POST(request: Request): Promise<Response> {
  const refusal = refusalOf(request, true)
  if (refusal) return refused(refusal)
  const body = await requestJson(request, isExposed() ? limits.listRequestBytes : limits.earlierRequestBytes)
  if (!body.ok) return refused(body.reason, body.status)
  const parsed = CrawlRequest.safeParse(body.value)
  if (!parsed.success) return refused(parsed.error.issues.map((issue) => issue.message).join(' '), 400)
  const { from, earlier } = parsed.data
  if (body.bytes > limits.requestBytes && from.kind !== 'list' && !earlier)
    return refused(`More than ${limits.requestBytes} bytes are read of a list or an earlier run alone.`, 413)
  const client = clientOf(request)
  const end = beginCrawl(client)
  if (typeof end === 'string') return refused(end, 429)
  const { signal, stop, done: answered } = answering(request)
  signal.addEventListener('abort', end, { once: true })
  const asked =
    from.kind === 'url' ? { ...parsed.data, from: { ...from, start: revealedStart(from.start) } } : parsed.data
  const lines = crawlLines(asked, client, signal)
  const encoder = new TextEncoder()
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await lines.next()
      if (done) {
        answered()
        end()
        controller.close()
      } else controller.enqueue(encoder.encode(value.map((event) => `${JSON.stringify(event)}\n`).join('')))
    },
    async cancel() {
      stop()
      await lines.return(undefined)
    },
  })
  return new Response(stream, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } })
}
