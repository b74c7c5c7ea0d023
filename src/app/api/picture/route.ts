import { z } from 'zod'
import { limits } from '@/core/crawl/limits'
import { lookByReading } from '@/core/crawl/picture-desk'
import { createFetcher } from '@/io/fetch-address'
import { noInnerHosts } from '@/io/guard'
import { imagePath } from '@/io/image-token'
import { nodeOutside } from '@/io/outside'
import { refusalOf, refused } from '@/io/same-origin'

export const dynamic = 'force-dynamic'

const PictureRequest = z.object({ url: z.url({ protocol: /^https?$/ }) })

/**
 * Looks at one picture on another host, for a build that the browser reads by itself. Only hosts that the public
 * network reaches: a build's tags must not make this machine ask its own network.
 */
export async function POST(request: Request): Promise<Response> {
  const refusal = refusalOf(request, true)
  if (refusal) return refused(refusal)
  const parsed = PictureRequest.safeParse(await request.json().catch(() => null))
  if (!parsed.success) return refused('Give the http or https address of a picture.', 400)
  const settings = {
    innerHosts: noInnerHosts,
    concurrency: 1,
    timeoutMs: limits.timeoutMs,
    signal: request.signal,
  }
  const fetcher = createFetcher(settings)
  try {
    const image = await lookByReading(fetcher.read, nodeOutside(fetcher.read, request.signal))(parsed.data.url)
    const served = image.errorCode === null ? imagePath({ url: image.url, innerHosts: noInnerHosts }) : null
    return Response.json({ ...image, served })
  } finally {
    await fetcher.close()
  }
}
