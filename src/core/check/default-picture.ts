import { mostUsed } from '../surface'
import type { CheckContext } from './context'

const known = new WeakMap<CheckContext, string | null>()

/** The site's default picture: as the requirements say, else the one that most pages have in common. */
export function defaultPicture(context: CheckContext): string | null {
  const said = context.requirements.identity?.defaultPicture
  if (said !== undefined) return said
  const found = known.get(context)
  if (found !== undefined) return found
  const made = mostUsed(context.readable.map((page) => context.declaredImages(page).map(({ url }) => url)))
  known.set(context, made)
  return made
}
