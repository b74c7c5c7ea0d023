import { z } from 'zod'
import { Draft, SiteDefaults } from '@/core/draft'
import { parseJson } from '@/core/model'
import { type DraftStep, writeStep } from '@/store/drafts'
import { isFailedWrite, tellNotKept } from '../not-kept'

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
  pending = [...pending.flatMap((one) => (failed.has(one) ? (withoutLater(one, left) ?? []) : [one])), left]
  keepPending()
  try {
    await writeStep(step, side)
  } catch (error) {
    // It stays where it lies: the next visit writes it, if there is room by then. What no database takes would only come again.
    if (isFailedWrite(error)) failed.add(left)
    else letGo(left)
    tellNotKept({
      what: step.label === '' ? 'The draft' : `The last step (${step.label})`,
      error,
      again: () => {
        letGo(left)
        return keepStep(step, side)
      },
    })
    throw error
  }
  letGo(left)
}

/** Writes that failed and wait for room. */
const failed = new WeakSet<PendingWrite>()

/** What a write that waits has still to do once a later one is there: the later says what stands. null: nothing. */
function withoutLater(one: PendingWrite, later: PendingWrite): PendingWrite | null {
  if (one.site !== later.site) return one
  const urls = new Set(later.drafts.map(({ url }) => url))
  const drafts = one.drafts.filter(({ url }) => !urls.has(url))
  const defaults = later.defaults ? undefined : one.defaults
  if (drafts.length === 0 && !defaults) return null
  const rest = { site: one.site, drafts, ...(defaults ? { defaults } : {}) }
  failed.add(rest)
  return rest
}

function letGo(one: PendingWrite): void {
  const same = JSON.stringify(one)
  pending = pending.filter((other) => other !== one && JSON.stringify(other) !== same)
  keepPending()
}

/** Takes over what a closed tab left behind; what are no steps is thrown away. */
export async function resumePendingWrites(): Promise<void> {
  try {
    const text = localStorage.getItem(KEY)
    if (text === null) return
    const parsed = parseJson(text)
    const found = z.array(PendingWrite).safeParse(parsed.ok ? parsed.value : null)
    if (!found.success) {
      localStorage.removeItem(KEY)
      return
    }
    // What lies there is all that was on its way, of this tab and of one that closed.
    pending = found.data
    for (const step of found.data) {
      await writeStep(asStep(step), 'after')
      letGo(step)
    }
  } catch (error) {
    // Closed to us, or there is still no room: it stays where it lies.
    for (const one of pending) failed.add(one)
    if (pending.length > 0) tellNotKept({ what: 'A draft of your last visit', error, again: resumePendingWrites })
  }
}
