import { z } from 'zod'

/** SARIF's levels. Only an error blocks the launch. */
export const Level = z.enum(['error', 'warning', 'note'])
export type Level = z.infer<typeof Level>

/** Levels from the gravest on. */
export const LEVELS: readonly Level[] = Level.options

/** Orders by level, the gravest first. */
export const byLevel = (a: { level: Level }, b: { level: Level }): number =>
  LEVELS.indexOf(a.level) - LEVELS.indexOf(b.level)

/** What was found on one page, picture or site: data, without words. */
export const Finding = z.object({
  rule: z.string(),
  level: Level,
  /** Which of its check's messages it is: words are made of it where people read them. */
  said: z.string(),
  /** What the message is filled with. */
  data: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  image: z.string().optional(),
  /** The way a tag is written is wrong, whatever it says: one change mends it wherever it stands. */
  form: z.literal(true).optional(),
})
export type Finding = z.infer<typeof Finding>

/** Who has taken a finding on, why, and the last day for which that holds (YYYY-MM-DD). */
export const TakenOn = z.object({ reason: z.string(), by: z.string(), until: z.string().optional() })
export type TakenOn = z.infer<typeof TakenOn>

/** A finding that somebody has taken on: it stands in no one’s way, and is not forgotten. */
export const WaivedFinding = Finding.extend({ waiver: TakenOn })
export type WaivedFinding = z.infer<typeof WaivedFinding>

export const SiteFinding = Finding.extend({ pages: z.array(z.string()) })
export type SiteFinding = z.infer<typeof SiteFinding>

/** A check that could not be made: said, never taken for passed. */
export const Skipped = z.object({ rule: z.string(), reason: z.string() })
export type Skipped = z.infer<typeof Skipped>

/** `not-known`: no error was found, but not everything was read or seen that decides cards. Never taken for clear. */
export const VerdictWord = z.enum(['clear', 'not-clear', 'not-known'])
export type VerdictWord = z.infer<typeof VerdictWord>

/** Something that decides what cards show, and that was not seen. `first`: some of the `count` pages that it decides. */
export const Unseen = z.object({
  kind: z.enum(['image', 'robots']),
  url: z.string(),
  /** Why it was not seen, as a sentence. */
  reason: z.string(),
  count: z.number().int(),
  first: z.array(z.string()),
})
export type Unseen = z.infer<typeof Unseen>

export const Summary = z.object({
  pages: z.number().int(),
  error: z.number().int(),
  warning: z.number().int(),
  note: z.number().int(),
  /** Findings that somebody has taken on. */
  waived: z.number().int(),
  /** URLs that the site names and that are not there; absent: none. */
  missing: z.number().int().optional(),
  /** What decides cards and was not seen, the first of `unseenCount`; absent: all was seen. */
  unseen: z.array(Unseen).optional(),
  unseenCount: z.number().int().optional(),
  /** True only where the verdict is `clear`. */
  clear: z.boolean(),
  verdict: VerdictWord,
})
export type Summary = z.infer<typeof Summary>
