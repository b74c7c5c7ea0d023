import { limits } from '@/core/address'
import { SIZE_HEADER } from '@/core/crawl'
import { refusalOf, refused } from '@/io/same-origin'
import { listBuild, readOfBuild } from '@/io/started-with'

export const dynamic = 'force-dynamic'

/** As much as is ever read of one file. */
const MAX_BYTES = Math.max(limits.imageBytes, limits.pageBytes, limits.sitemapBytes)

/** Without a path: the files of the build that the app was started with. With one: that file, as far as it is wanted. */
export async function GET(request: Request): Promise<Response> {
  const refusal = refusalOf(request, false)
  if (refusal) return refused(refusal)
  const { searchParams } = new URL(request.url)
  const path = searchParams.get('path')
  try {
    if (path === null) {
      const build = await listBuild()
      if (!build) return refused('The app was started without a folder or a zip.', 404)
      return Response.json({ paths: build.paths, passedOver: build.passedOver ?? [] })
    }
    const wanted = Number(searchParams.get('max') ?? MAX_BYTES)
    if (!(wanted >= 0)) return refused('max is a number of bytes.', 400)
    const part = await readOfBuild(path, Math.min(wanted, MAX_BYTES))
    if (!part) return refused('The build has no such file.', 404)
    // Never as what it says it is: it is read by our own code, and opened by itself it must do nothing.
    return new Response(part.body as Uint8Array<ArrayBuffer>, {
      headers: {
        'content-type': 'application/octet-stream',
        'cache-control': 'no-store',
        [SIZE_HEADER]: String(part.bytes),
      },
    })
  } catch (error) {
    return refused(`It can’t be read: ${error instanceof Error ? error.message : 'by a fault of ours.'}`, 500)
  }
}
