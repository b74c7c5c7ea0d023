import { z } from 'zod'
import { Layout } from './profile'

export const Outcome = z.enum([
  'taken',
  'absent',
  'empty',
  'beaten',
  'too-small',
  'refused',
  'unreachable',
  'beyond-bytes',
  'blocked',
])
export type Outcome = z.infer<typeof Outcome>

/** One candidate for a part of a card, and why it was taken or passed over. `why` adds what the outcome leaves open. */
export const Rung = z.object({
  from: z.string(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  value: z.string().nullable(),
  outcome: Outcome,
  why: z.string().optional(),
})
export type Rung = z.infer<typeof Rung>

/** A text of a card: the whole of it, what the place shows of it, and how it breaks there. */
export const TextPart = z.object({
  text: z.string().nullable(),
  shown: z.string(),
  cut: z.boolean(),
  lines: z.array(z.string()),
  from: z.string().nullable(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  /** What a place would show that takes the last of repeated tags; absent when nothing is repeated. */
  ifLastWins: z.string().optional(),
  ladder: z.array(Rung),
})
export type TextPart = z.infer<typeof TextPart>

const CropRect = z.object({ x: z.number(), y: z.number(), width: z.number(), height: z.number() })

/** The picture of a card. `crop` is null while the picture's size is not known. */
export const PicturePart = z.object({
  url: z.string().nullable(),
  from: z.string().nullable(),
  line: z.number().int().nullable(),
  column: z.number().int().nullable(),
  crop: CropRect.nullable(),
  /** It was not looked at: what it is, and whether it is there, is not known. */
  unseen: z.literal(true).optional(),
  ladder: z.array(Rung),
})
export type PicturePart = z.infer<typeof PicturePart>

export const Card = z.object({
  layout: Layout,
  /** Why there is nothing but an address, in words; null for all other layouts. */
  bareBecause: z.string().nullable(),
  title: TextPart,
  description: TextPart,
  image: PicturePart,
  phone: z.object({ title: TextPart, description: TextPart }).optional(),
  siteLine: z.string().nullable(),
  byline: z.string().nullable(),
  favicon: z.object({ url: z.string(), from: z.string(), line: z.number().int().nullable() }).nullable(),
  ladders: z.object({ siteLine: z.array(Rung), byline: z.array(Rung), favicon: z.array(Rung) }),
  labels: z.array(z.object({ label: z.string(), data: z.string() })),
  /** The page's theme-color where the place shows it; null otherwise. */
  themeColor: z.string().nullable(),
  rich: z.object({ kind: z.string(), fields: z.record(z.string(), z.string()), lacks: z.array(z.string()) }).nullable(),
})
export type Card = z.infer<typeof Card>
