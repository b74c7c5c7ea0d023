import { type Draft, type DraftFields, type DraftSlot, isEmptyDraft, type SlotValue } from '@/core/draft/draft'
import { sayingsOf } from '@/core/draft/landing'
import { tagEdits } from '@/core/draft/tag-edits'
import type { GatheredImage, GatheredPage } from '@/core/model'

/** Fields with one slot set, taken out (null) or inheriting again (undefined). */
export function withSlot(fields: DraftFields, slot: DraftSlot, value: SlotValue | undefined): DraftFields {
  const { [slot]: _old, ...rest } = fields
  return value === undefined ? rest : { ...rest, [slot]: value }
}

/** A page's draft with these fields; null when nothing is drafted any more. What it was made against is kept. */
export function draftWith(
  before: Draft | null,
  fields: DraftFields,
  {
    site,
    page,
    imageOf,
    now,
  }: { site: string; page: GatheredPage; imageOf: (url: string) => GatheredImage | undefined; now: Date },
): Draft | null {
  if (isEmptyDraft(fields)) return null
  const at = now.toISOString()
  const sayings = page.facts ? sayingsOf(tagEdits(fields, imageOf), page.facts) : {}
  // A retired draft begins anew: what it was once made against is history.
  const known = before && before.landedAt === null ? before.against : {}
  return {
    site,
    url: page.url,
    fields,
    against: { ...sayings, ...Object.fromEntries(Object.entries(known).filter(([key]) => key in sayings)) },
    madeAt: before?.landedAt === null ? before.madeAt : at,
    changedAt: at,
    landedAt: null,
  }
}
