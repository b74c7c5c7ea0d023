import { limits } from '@/core/address'
import { readFollowing } from '@/core/crawl'
import { readImageHeader, typeOfFormat } from '@/core/image'
import { answering } from '@/io/answering'
import { clientOf, refusalToAsk } from '@/io/client-limits'
import { createFetcher } from '@/io/fetch-address'
import { readToken } from '@/io/image-token'
import { refusalOf, refused } from '@/io/same-origin'

export const dynamic = 'force-dynamic'

/**
 * Serves one picture that a run referenced, as what its bytes are and nothing else: the type is ours, not the
 * server's, sniffing is off, and a drawing opened by itself can run nothing.
 */
export async function GET(request: Request): Promise<Response> {
  const refusal = refusalOf(request, false)
  if (refusal) return refused(refusal)
  const grant = readToken(new URL(request.url).searchParams.get('p') ?? '')
  if (!grant) return refused('This picture belongs to no run of this server. Look again at its page.', 404)
  const limit = await refusalToAsk(clientOf(request))
  if (limit !== null) return refused(limit, 429)
  const client = answering(request)
  const fetcher = createFetcher({
    innerHosts: grant.innerHosts,
    concurrency: 1,
    timeoutMs: limits.timeoutMs,
    signal: client.signal,
  })
  try {
    const { exchange } = await readFollowing(grant.url, (url) =>
      fetcher.read({ url, accept: 'image', maxBytes: limits.imageBytes }),
    )
    if (exchange.kind === 'failed') return refused(exchange.message, 502)
    const reading = readImageHeader(exchange.body)
    if (exchange.status !== 200 || exchange.isCut || reading.kind !== 'image')
      return refused('There is no picture there now.', 404)
    return new Response(exchange.body as Uint8Array<ArrayBuffer>, {
      headers: {
        'content-type': typeOfFormat[reading.format],
        'content-security-policy': "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        'cache-control': 'private, max-age=3600',
      },
    })
  } finally {
    client.done()
    await fetcher.close()
  }
}
