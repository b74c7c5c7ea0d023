import type { PictureTemplate } from '@/core/compose'

/** What a template was before each change, the last at the end. null: it had not been changed yet. */
export type Past = readonly { template: PictureTemplate | null; what: string; at: number }[]

/** A slider that is drawn and a text that is typed are one change while they go on, in ms. */
const SAME_CHANGE_MS = 1500
const MOST = 100

/**
 * The past with one more change in it.
 *
 * @param template as it was before
 * @param what was changed: the same again, soon after, joins the change before
 */
export function withPast(past: Past, template: PictureTemplate | null, what: string, at: number): Past {
  const last = past.at(-1)
  if (last && last.what === what && at - last.at < SAME_CHANGE_MS) return [...past.slice(0, -1), { ...last, at }]
  return [...past, { template, what, at }].slice(-MOST)
}
