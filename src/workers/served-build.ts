import { type BuildFiles, SERVED_BUILD, ServedBuild, SIZE_HEADER, servedFile } from '@/core/crawl'
import { UserFacingError } from './user-facing-error'

async function asked(address: string): Promise<Response> {
  const response = await fetch(address).catch(() => null)
  if (!response)
    throw new UserFacingError('The app’s server does not answer. See whether it still runs, then try again.')
  if (response.ok) return response
  const { error } = await response.json().catch(() => ({ error: null }))
  throw new UserFacingError(error ?? `The app’s server answered ${response.status}.`)
}

/**
 * The files of the build that the app was started with: each is read where it lies, when it is asked for.
 *
 * @throws UserFacingError where the server has none, or can't read it
 */
export async function servedBuild(): Promise<BuildFiles> {
  const { paths, passedOver } = ServedBuild.parse(await (await asked(SERVED_BUILD)).json())
  return {
    paths,
    passedOver,
    read: async (path, maxBytes) => {
      const response = await asked(servedFile(path, maxBytes))
      const body = new Uint8Array(await response.arrayBuffer())
      const bytes = Number(response.headers.get(SIZE_HEADER) ?? body.length)
      return { body, isCut: bytes > body.length, bytes }
    },
  }
}
