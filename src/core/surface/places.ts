import type { Surface } from './profile'
import { builtInSurfaces } from './profiles'

/** The places of a site: ours, with its own in place of those of the same id, and after them. */
export function surfacesWith(own: readonly Surface[]): readonly Surface[] {
  if (own.length === 0) return builtInSurfaces
  const ids = new Set(builtInSurfaces.map(({ id }) => id))
  return [
    ...builtInSurfaces.map((surface) => own.find(({ id }) => id === surface.id) ?? surface),
    ...own.filter(({ id }) => !ids.has(id)),
  ]
}

/**
 * Those that stand for others, in their order: one of each kind first, then those of other habits; the first few where
 * none does.
 *
 * @param most how many at most
 */
export function representativePlaces(places: readonly Surface[], most: number): readonly Surface[] {
  const standing = (what: Surface['represents']) => places.filter(({ represents }) => represents === what)
  const found = [...standing('kind'), ...standing('habit')].slice(0, most)
  return found.length > 0 ? places.filter((place) => found.includes(place)) : places.slice(0, most)
}

/**
 * The place to show or compare by where there is room for one alone: the first that stands for others.
 * @param places at least one
 */
export const mainPlace = (places: readonly Surface[]): Surface => representativePlaces(places, 1)[0]!
