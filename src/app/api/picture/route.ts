import { z } from 'zod'
import { limits, resolveAddress } from '@/core/address'
import { haveOneOwner, lookByReading, PictureHosts, type ReadRequest, readAsHostsMay } from '@/core/crawl'
import { answering } from '@/io/answering'
import { clientOf, refusalToAsk } from '@/io/client-limits'
import { nodeEnvironment } from '@/io/crawl-environment'
import { createFetcher } from '@/io/fetch-address'
import { noInnerHosts } from '@/io/guard'
import { imagePath } from '@/io/image-token'
import { requestJson } from '@/io/request-json'
import { refusalOf, refused } from '@/io/same-origin'

export const dynamic = 'force-dynamic'

/** How fast hosts are asked that pictures redirect to, for all clients together. */
const hops = new PictureHosts([], [], () => new Date(), Number.POSITIVE_INFINITY)

/** One address, and no more. */
const PICTURE_REQUEST_BYTES = 16_384

const PictureRequest = z.object({
  // Without a name and password before the host: what is answered says where the picture is.
  url: z.url({ protocol: /^https?$/ }).transform((url) => resolveAddress(url, url) ?? url),
})

/**
 * Looks at one picture on another host, for a build that the browser reads by itself. Only hosts that the public
 * network reaches: a build's tags must not make this machine ask its own network.
 */
export async function POST(request: Request): Promise<Response> {
  const refusal = refusalOf(request, true)
  if (refusal) return refused(refusal)
  const body = await requestJson(request, PICTURE_REQUEST_BYTES)
  if (!body.ok) return refused(body.reason, body.status)
  const parsed = PictureRequest.safeParse(body.value)
  if (!parsed.success) return refused('Give the http or https address of a picture.', 400)
  const limit = await refusalToAsk(clientOf(request))
  if (limit !== null) return refused(limit, 429)
  const client = answering(request)
  const settings = {
    innerHosts: noInnerHosts,
    concurrency: 1,
    timeoutMs: limits.timeoutMs,
    signal: client.signal,
  }
  const fetcher = createFetcher(settings)
  try {
    const { url } = parsed.data
    const outside = nodeEnvironment(fetcher.read, client.signal)
    const paced = readAsHostsMay(fetcher.read, hops, outside.sleep)
    // The browser paces the addresses themselves; where they lead on to is known here alone.
    const read = (asked: ReadRequest) => (haveOneOwner(asked.url, url) ? fetcher.read : paced)(asked)
    const image = await lookByReading(read, outside)(url, () => true)
    const served = image.errorCode === null ? imagePath({ url: image.url, innerHosts: noInnerHosts }) : null
    return Response.json({ ...image, served })
  } finally {
    client.done()
    await fetcher.close()
  }
}
