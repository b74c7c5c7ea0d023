import { isAllowed, pathOf } from '../address'
import type { CardContext } from './card'

/**
 * Does the robots.txt that the run read keep this crawler out of a page? It speaks for the site's own host alone: of the
 * other hosts of a list nothing is known.
 */
export function isKeptOutByRobots(
  url: string,
  token: string,
  { robots, addresses }: Pick<CardContext, 'robots' | 'addresses'>,
): boolean {
  if (robots === null || !(addresses.isOnSite(url) || addresses.isBesideSite(url))) return false
  return !isAllowed(robots, token, pathOf(url))
}
