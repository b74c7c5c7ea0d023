import { builtInSurfaces, type Surface } from '../surface'

/** The places that we ship, for tests: what is tested is given them. */
export { builtInSurfaces as surfaces }

/** One of them. @throws where there is none of that id */
export function surfaceOf(id: string): Surface {
  const found = builtInSurfaces.find((surface) => surface.id === id)
  if (!found) throw new Error(`There is no place “${id}”.`)
  return found
}

export const communityChat = surfaceOf('community-chat')
export const phoneChat = surfaceOf('phone-chat')
export const search = surfaceOf('search')
export const wideFeed = surfaceOf('wide-feed')
