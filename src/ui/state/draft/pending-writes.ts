import { z } from 'zod'
import { Draft, SiteDefaults } from '@/core/draft'
import { type DraftStep, writeStep } from '@/store/drafts'

const KEY = 'nimble-parrot drafts on their way'
/** Steps over many pages are no typing: they are long in sight before anybody closes the tab, and would fill the place. */
const MAX_CHARACTERS = 200_000

/** One side of a step: what is to stand. */
const PendingWrite = z.object({
  site: z.string(),
  drafts: z.array(z.object({ url: z.string(), after: Draft.nullable() })),
  defaults: SiteDefaults.optional(),
})
type PendingWrite = z.infer<typeof PendingWrite>

let pending: PendingWrite[] = []

function keepPending(): void {
  try {
    const text = JSON.stringify(pending)
    if (pending.length === 0 || text.length > MAX_CHARACTERS) localStorage.removeItem(KEY)
    else localStorage.setItem(KEY, text)
  } catch {
    // Closed to us or full: the database has it in a moment.
  }
}

const asStep = ({ site, drafts, defaults }: PendingWrite): DraftStep => ({
  site,
  label: '',
  drafts: drafts.map(({ url, after }) => ({ url, before: null, after })),
  ...(defaults ? { defaults: { before: defaults, after: defaults } } : {}),
})

/**
 * Writes one side of a step. The database takes a moment, in which the tab may be closed: until it has it, the step also
 * lies where it is written at once.
 */
export async function keepStep(step: DraftStep, side: 'before' | 'after'): Promise<void> {
  const left: PendingWrite = {
    site: step.site,
    drafts: step.drafts.map((change) => ({ url: change.url, after: change[side] })),
    ...(step.defaults ? { defaults: step.defaults[side] } : {}),
  }
  pending = [...pending, left]
  keepPending()
  try {
    await writeStep(step, side)
  } finally {
    pending = pending.filter((one) => one !== left)
    keepPending()
  }
}

/** Takes over what a closed tab left behind; what are no steps is thrown away. */
export async function resumePendingWrites(): Promise<void> {
  try {
    const text = localStorage.getItem(KEY)
    if (text === null) return
    localStorage.removeItem(KEY)
    const found = z.array(PendingWrite).safeParse(JSON.parse(text))
    for (const step of found.success ? found.data : []) await writeStep(asStep(step), 'after')
  } catch {
    // Nothing that could be read.
  }
}
