import { ownPart, withOwnPart } from '../check'
import type { GatheredImage, PageFacts } from '../model'
import { firstValue } from '../surface'
import { collapseWhiteSpace } from '../text'
import type { DraftFields, DraftSlot } from './draft'
import { type Slot, slotOf } from './slots'

/** Tags that change: the key (`title` is the element), and what it is to say; null: taken out. */
export type TagEdits = ReadonlyMap<string, string | null>

/**
 * What a draft's slots mean as tags. Slots for one place come after those for all, and win there.
 *
 * @param imageOf a picture of the run by its public address, for the size that is declared beside it
 * @param page the page that it is for, and the names that its template may put on the title beside its og:site_name: they
 *   stay there. Absent: nothing is known of it
 */
export function tagEdits(
  fields: DraftFields,
  imageOf: (url: string) => GatheredImage | undefined,
  page: { facts: PageFacts; names: readonly (string | null)[] } | null = null,
): TagEdits {
  const edits = new Map<string, string | null>()
  const context = { imageOf, facts: page?.facts ?? null }
  // What an image brings along comes before what is said of it; slots for one place come last, and win there.
  const rank = ({ key, edit }: Slot) => (key.includes('@') ? 2 : edit ? 0 : 1)
  const inOrder = (Object.keys(fields) as DraftSlot[]).map(slotOf).sort((a, b) => rank(a) - rank(b))
  for (const slot of inOrder) {
    const value = fields[slot.key]
    if (value === undefined) continue
    if (slot.edit) slot.edit(edits, value, context)
    else {
      for (const key of slot.writes) if (value !== null || !slot.keepsCleared?.includes(key)) edits.set(key, value)
      for (const key of slot.clears) edits.set(key, null)
    }
  }
  const { title } = fields
  if (page && typeof title === 'string' && fields['title@search'] === undefined)
    edits.set('title', withAffix(page.facts, title, page.names))
  return edits
}

/**
 * A title in place of the page's own part of its title: the site's name and the separator that the template adds stay.
 * A text that has them itself was written with them.
 */
function withAffix(facts: PageFacts, title: string, names: readonly (string | null)[]): string {
  const known = [firstValue(facts, 'og:site_name'), ...names]
  if (ownPart(title, known) !== collapseWhiteSpace(title.trim())) return title
  return withOwnPart(facts.title ?? '', title.trim(), known) ?? title
}
