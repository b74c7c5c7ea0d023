import { z } from 'zod'
import { type SlotKey, slots } from './slots'

/** What can be drafted: the key of a slot (slots/). */
export const DraftSlot = z.enum(slots.map(({ key }) => key) as [SlotKey, ...SlotKey[]])
export type DraftSlot = z.infer<typeof DraftSlot>

/** A text that is set; null: the tag is taken out. A slot that is absent inherits what the build or a default says. */
export const SlotValue = z.string().nullable()
export type SlotValue = z.infer<typeof SlotValue>

export const DraftFields = z.partialRecord(DraftSlot, SlotValue)
export type DraftFields = z.infer<typeof DraftFields>

/** Text and picture proposed for one page, not yet in the build. Kept by address, so that runs come and go under it. */
export const Draft = z.object({
  /** Production base address of the site. */
  site: z.string(),
  url: z.string(),
  fields: DraftFields,
  /** What the tags that the draft changes said when they were first changed; null where there was none. */
  against: z.record(z.string(), z.string().nullable()),
  madeAt: z.string(),
  changedAt: z.string(),
  /** When a run was found to hold all of it; null while it is open. */
  landedAt: z.string().nullable(),
  /** It was in a build, as found then, and a later run lacks it again. */
  goneSince: z.object({ landedAt: z.string(), missedAt: z.string() }).optional(),
  /** What was drafted for the page before, and landed: the history, oldest first. */
  landed: z.array(z.object({ fields: DraftFields, landedAt: z.string() })).optional(),
})
export type Draft = z.infer<typeof Draft>

export const SectionDefaults = z.object({
  type: z.string().optional(),
  image: z.string().optional(),
  card: z.string().optional(),
  /** Pattern of `<title>`; see docs/title-patterns.md. */
  titlePattern: z.string().optional(),
  /** Pattern of og:title. */
  cardTitlePattern: z.string().optional(),
  /** Pattern of the description and og:description. */
  descriptionPattern: z.string().optional(),
})
export type SectionDefaults = z.infer<typeof SectionDefaults>

/** What holds for pages that say nothing of their own. */
export const SiteDefaults = z.object({
  siteName: z.string().optional(),
  image: z.string().optional(),
  imageAlt: z.string().optional(),
  card: z.string().optional(),
  /** `@name` of the site. */
  account: z.string().optional(),
  appId: z.string().optional(),
  /** language_TERRITORY, for og:locale. */
  locale: z.string().optional(),
  sections: z.record(z.string(), SectionDefaults),
})
export type SiteDefaults = z.infer<typeof SiteDefaults>

export const noDefaults: SiteDefaults = { sections: {} }

/** Nothing is drafted. */
export const isEmptyDraft = (fields: DraftFields): boolean => Object.keys(fields).length === 0

/**
 * What a text holds that no document can carry, as words that follow “holds”; null where it can stand in a page.
 * Nothing is put in its place: what was meant is known only to who wrote it.
 *
 * @example unfitIn('Lamp\0') // 'a NUL character'
 */
export function unfitIn(text: string): string | null {
  if (text.includes('\0')) return 'a NUL character'
  return /\p{Surrogate}/u.test(text) ? 'half of a character (a lone surrogate)' : null
}
