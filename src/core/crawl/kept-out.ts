import { isAllowed, pathOf, type RobotsRules } from '../address'
import { surfacesWith } from '../surface'

/** The name that robots.txt may address us by. */
export const ROBOTS_TOKEN = 'NimbleParrot'

/** Addresses that robots.txt closes to us though some place's crawler may read them: their cards are not known. */
export function onlyWeAreKeptOut(robots: RobotsRules | null, keptOut: Iterable<string>): string[] {
  if (!robots) return []
  // A run is made before its requirements are asked: only our places are known.
  const tokens = surfacesWith([]).flatMap(({ token, isListing }) => (token === null || isListing ? [] : [token]))
  return [...keptOut].filter((url) => tokens.some((token) => isAllowed(robots, token, pathOf(url))))
}
