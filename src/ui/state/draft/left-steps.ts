import { z } from 'zod'
import { Draft, SiteDefaults } from '@/core/draft'
import { type DraftStep, writeStep } from '@/store/drafts'

const KEY = 'nimble-parrot drafts on their way'
/** Steps over many pages are no typing: they are long in sight before anybody closes the tab, and would fill the place. */
const MOST_CHARACTERS = 200_000

/** One side of a step: what is to stand. */
const LeftStep = z.object({
  site: z.string(),
  drafts: z.array(z.object({ url: z.string(), after: Draft.nullable() })),
  defaults: SiteDefaults.optional(),
})
type LeftStep = z.infer<typeof LeftStep>

let onTheirWay: LeftStep[] = []

function leave(): void {
  try {
    const text = JSON.stringify(onTheirWay)
    if (onTheirWay.length === 0 || text.length > MOST_CHARACTERS) localStorage.removeItem(KEY)
    else localStorage.setItem(KEY, text)
  } catch {
    // Closed to us or full: the database has it in a moment.
  }
}

const asStep = ({ site, drafts, defaults }: LeftStep): DraftStep => ({
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
  const left: LeftStep = {
    site: step.site,
    drafts: step.drafts.map((change) => ({ url: change.url, after: change[side] })),
    ...(step.defaults ? { defaults: step.defaults[side] } : {}),
  }
  onTheirWay = [...onTheirWay, left]
  leave()
  try {
    await writeStep(step, side)
  } finally {
    onTheirWay = onTheirWay.filter((one) => one !== left)
    leave()
  }
}

/** Takes over what a closed tab left behind; what are no steps is thrown away. */
export async function takeLeftSteps(): Promise<void> {
  try {
    const text = localStorage.getItem(KEY)
    if (text === null) return
    localStorage.removeItem(KEY)
    const found = z.array(LeftStep).safeParse(JSON.parse(text))
    for (const step of found.success ? found.data : []) await writeStep(asStep(step), 'after')
  } catch {
    // Nothing that could be read.
  }
}
