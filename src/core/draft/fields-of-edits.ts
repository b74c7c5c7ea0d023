import type { PageFacts } from '../model'
import type { DraftFields } from './draft'
import { saidBy } from './drafted-page'
import { type Slot, slotForTag } from './slots'
import type { TagEdits } from './tag-edits'

/** Is an edit of a tag without a slot of its own a part of what an edited slot does? */
const isPartOf = (slot: Slot, tag: string, value: string | null): boolean =>
  slot.brings?.includes(tag) || (value === null && (slot.clears.includes(tag) || slot.drops?.includes(tag))) || false

/**
 * A draft that does what these edits do to a page, as far as drafts can: what a slot would change beside them is set to
 * what it says now.
 *
 * @returns the fields, and the tags that no draft can hold
 */
export function fieldsOfEdits(edits: TagEdits, facts: PageFacts): { fields: DraftFields; left: string[] } {
  const fields: DraftFields = {}
  const held: Slot[] = []
  const isSaidBeside = (tag: string) => !edits.has(tag) && saidBy(facts, tag) !== null
  for (const [tag, value] of edits) {
    const slot = slotForTag(tag)
    // What it would take away and no slot can say again stays: then the edit is none for a draft.
    if (!slot || slot.clears.some((other) => isSaidBeside(other) && !slotForTag(other))) continue
    held.push(slot)
    fields[slot.key] = value
    for (const other of slot.writes.slice(1))
      if (!edits.has(other) && (value !== null || !slot.keepsCleared?.includes(other)))
        fields[slotForTag(other)!.key] = saidBy(facts, other)
    for (const other of slot.clears) if (isSaidBeside(other)) fields[slotForTag(other)!.key] = saidBy(facts, other)
  }
  const left = [...edits].flatMap(([tag, value]) => {
    const own = slotForTag(tag)
    const isHeld = own ? held.includes(own) : held.some((slot) => isPartOf(slot, tag, value))
    return isHeld ? [] : [tag]
  })
  return { fields, left }
}
