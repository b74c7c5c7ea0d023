import { z } from 'zod'
import { Level } from '../model'

/**
 * What kind of change clears the findings. `template`: one change to a section's template. `value`: one value that is
 * written on many pages. `picture`: one file. `shell`: pages that a script is to fill. `odd`: the one page that lacks what its siblings have. `texts`: texts of
 * pages, each to be written. `page`: one page's own fault. `site`: found across pages.
 */
export const CauseKind = z.enum(['template', 'value', 'picture', 'odd', 'shell', 'texts', 'page', 'site'])
export type CauseKind = z.infer<typeof CauseKind>

/** What the cause is seen by: a line of one page, and what stands there. */
const Evidence = z.object({ url: z.string(), line: z.number().int().nullable(), value: z.string().nullable() })

/** The change that would clear many findings at once. */
export const Cause = z.object({
  id: z.string(),
  kind: CauseKind,
  /** The gravest of its rules. */
  rule: z.string(),
  rules: z.array(z.string()),
  level: Level,
  /** What to change, in a sentence. */
  change: z.string(),
  /** Section whose pages it stands on; `*` for more than one. */
  section: z.string(),
  pages: z.array(z.string()),
  /** Findings that it would clear, by level. */
  clears: z.object({ error: z.number().int(), warning: z.number().int(), note: z.number().int() }),
  evidence: z.array(Evidence),
  /** Tags to write, filled in for the first of the pages; null where no tag mends it. */
  snippet: z.string().nullable(),
})
export type Cause = z.infer<typeof Cause>
