import {
  type Draft,
  type DraftFields,
  type DraftSlot,
  isEmptyDraft,
  type SlotValue,
  sayingsOf,
  tagEdits,
} from '@/core/draft'
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
  const history = historyOf(before)
  if (isEmptyDraft(fields)) return fromHistory(before, history)
  const at = now.toISOString()
  const sayings = page.facts ? sayingsOf(tagEdits(fields, imageOf), page.facts) : {}
  // A retired draft begins again: what it was once made against is history.
  const known = before && before.landedAt === null ? before.against : {}
  return {
    site,
    url: page.url,
    fields,
    against: { ...sayings, ...Object.fromEntries(Object.entries(known).filter(([key]) => key in sayings)) },
    madeAt: before?.landedAt === null ? before.madeAt : at,
    changedAt: at,
    landedAt: null,
    ...(before?.landedAt === null && before.goneSince ? { goneSince: before.goneSince } : {}),
    ...(history.length > 0 ? { landed: history } : {}),
  }
}

/** What has landed of a page's drafts so far, the one that stands as landed too. */
function historyOf(before: Draft | null): NonNullable<Draft['landed']> {
  const earlier = before?.landed ?? []
  return before && before.landedAt !== null
    ? [...earlier, { fields: before.fields, landedAt: before.landedAt }]
    : earlier
}

/** A draft that is let go of leaves what had landed before it; null where nothing had. */
function fromHistory(before: Draft | null, history: NonNullable<Draft['landed']>): Draft | null {
  const last = history.at(-1)
  if (!before || !last) return null
  const { goneSince: _gone, landed: _landed, ...rest } = before
  const earlier = history.slice(0, -1)
  return { ...rest, ...last, against: {}, ...(earlier.length > 0 ? { landed: earlier } : {}) }
}

/** A draft that had landed, open again: to be built once more. */
export function draftAgain(draft: Draft, fields: DraftFields, now: Date): Draft {
  const at = now.toISOString()
  const history = historyOf(draft)
  return { ...draft, fields, against: {}, madeAt: at, changedAt: at, landedAt: null, landed: history }
}
