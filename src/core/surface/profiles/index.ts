import type { Surface } from '../profile'
import { microblog } from './microblog'
import { search } from './search'
import { wideFeed } from './wide-feed'

/** Every surface, in the order in which it is shown. A new one is one file and one line here. */
export const surfaces: readonly Surface[] = [wideFeed, microblog, search]

export function surfaceOf(id: string): Surface | undefined {
  return surfaces.find((surface) => surface.id === id)
}
