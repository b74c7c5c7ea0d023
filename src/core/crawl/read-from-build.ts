import { withSlash } from '../address'
import { type BuildFiles, createFileMap, decodedPath, typeOfFile } from './build-files'
import type { FetchResult, ReadAddress } from './read-address'

/**
 * Answers URLs of a site out of its build, as a plain file server would once the build is there: a list of production
 * URLs can be looked at before launch. A folder's URL without its slash is sent on to it. Other hosts are asked.
 *
 * @param site base URL of the site in production
 * @param elsewhere asks for everything that is not on the site's host
 */
export function readFromBuild(files: BuildFiles, site: string, elsewhere: ReadAddress): ReadAddress {
  const base = new URL(withSlash(site))
  const map = createFileMap(files.paths, base.href, new Set())
  const answer = (
    status: number,
    headers: Record<string, string>,
    body = new Uint8Array(),
    isCut = false,
  ): FetchResult => ({
    kind: 'answered',
    status,
    headers,
    body,
    isCut,
    ms: 0,
  })
  return async (request) => {
    const url = new URL(request.url)
    if (url.host !== base.host) return elsewhere(request)
    const path = map.fileAt(request.url)
    if (path === null) return answer(404, { 'content-type': 'text/plain' })
    const isFolder = /(?:^|\/)index\.html?$/.test(path)
    const asked = decodedPath(url.pathname)
    if (isFolder && !asked.endsWith('/') && !/\.html?$/i.test(asked)) {
      return answer(301, { location: `${url.origin}${url.pathname}/${url.search}` })
    }
    const type = typeOfFile(path)
    const { body, isCut } = await files.read(path, request.maxBytes)
    return answer(200, type === null ? {} : { 'content-type': type }, body as Uint8Array<ArrayBuffer>, isCut)
  }
}
