import { z } from 'zod'

/** Kinds of things that some places lay out with fields of their own, and the fields of each. */
const RICH_FIELDS = {
  article: ['headline', 'author', 'date'],
  product: ['name', 'price', 'currency', 'availability'],
  recipe: ['name', 'ingredients', 'servings', 'time', 'diet'],
  place: ['name', 'address', 'position'],
  film: ['name', 'director', 'year'],
  app: ['name', 'operating system', 'price'],
} as const

export const RichKind = z.enum(['article', 'product', 'recipe', 'place', 'film', 'app'])
export type RichKind = z.infer<typeof RichKind>

/** A field of a kind, by the name that is shown. */
export type RichField<K extends RichKind = RichKind> = K extends RichKind ? (typeof RICH_FIELDS)[K][number] : never

/** What was found of a thing: fields that are not there are absent. */
export type RichFields<K extends RichKind = RichKind> = { [F in RichField<K>]?: string }

const described = <const F extends string>(...fields: F[]) => z.partialRecord(z.enum(fields), z.string())

/** A thing that a page describes, which some place lays out richly. */
export const RichThing = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('article'), fields: described(...RICH_FIELDS.article) }),
  z.object({ kind: z.literal('product'), fields: described(...RICH_FIELDS.product) }),
  z.object({ kind: z.literal('recipe'), fields: described(...RICH_FIELDS.recipe) }),
  z.object({ kind: z.literal('place'), fields: described(...RICH_FIELDS.place) }),
  z.object({ kind: z.literal('film'), fields: described(...RICH_FIELDS.film) }),
  z.object({ kind: z.literal('app'), fields: described(...RICH_FIELDS.app) }),
])
export type RichThing = z.infer<typeof RichThing>

/** A field of a thing of any kind; undefined where it has none, or its kind knows no such field. */
export function richField(thing: RichThing, field: RichField): string | undefined {
  const fields: RichFields = thing.fields
  return fields[field]
}
