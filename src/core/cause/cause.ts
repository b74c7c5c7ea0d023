import { z } from 'zod'
import { Level } from '../model'

/**
 * Where an edit is made. `site`: a setting that all templates read. `layout`: the layout that all pages share. `section`:
 * a section's template. `page`: single pages. `picture`: a file. `server`: how pages are answered.
 */
export const EditPlace = z.enum(['site', 'layout', 'section', 'page', 'picture', 'server'])
export type EditPlace = z.infer<typeof EditPlace>

/** A place, a tag, and a rule from what is there to what should be (`EditRule`); null: there is no such tag. */
export const Edit = z.object({
  where: EditPlace,
  tag: z.string(),
  from: z.string().nullable(),
  to: z.string().nullable(),
  /** What says so beside the finding, on the pages that it is made on; absent where the finding alone does. */
  basis: z.string().optional(),
})
export type Edit = z.infer<typeof Edit>

/** What the cause is seen by: a line of one page, and what stands there. */
const Evidence = z.object({
  url: z.string(),
  line: z.number().int().nullable(),
  value: z.string().nullable(),
  /** The file in which the page is written, and the line of the tag there; absent where no rule names it. */
  source: z.object({ file: z.string(), line: z.number().int().nullable() }).optional(),
})

/** The one change that a person would make, and what it clears. */
export const Cause = z.object({
  id: z.string(),
  where: EditPlace,
  /** The gravest of its rules. */
  rule: z.string(),
  rules: z.array(z.string()),
  level: Level,
  /** What to change, in a sentence. */
  change: z.string(),
  /** Section whose pages it stands on; `*` for more than one. */
  section: z.string(),
  pages: z.array(z.string()),
  /** Findings that went when it was tried on the run's own pages, by level; of what can't be tried, those it is about. */
  clears: z.object({ error: z.number().int(), warning: z.number().int(), note: z.number().int() }),
  /** It was tried: exactly these findings went, and none came. */
  proved: z.boolean(),
  /** What must be made or decided first; it was tried with a stand-in for it, where `edits` says how. */
  needs: z.string().optional(),
  edits: z.array(Edit),
  evidence: z.array(Evidence),
  /** Tags to write, filled in for the first of the pages; null where no tag mends it. */
  snippet: z.string().nullable(),
})
export type Cause = z.infer<typeof Cause>
