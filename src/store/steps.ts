import { database } from './database'
import type { DraftStep } from './drafts'

/** A step of one tab that can be undone, or done again. */
export type KeptStep = DraftStep & {
  /** Whose step it is: each tab undoes its own. */
  tab: string
  /** Counts up with every step of the tab. */
  number: number
  /** ms since the epoch. */
  at: number
  /** The field that was typed into; null for a button. */
  typing: string | null
}

/** Steps that no tab came back for are let go after this, in ms: a tab that is open again after days is not undone. */
const KEPT_MS = 7 * 24 * 3_600_000

/** A tab's steps, the first one first. */
export const stepsOf = (tab: string): Promise<KeptStep[]> =>
  database.steps.where('[tab+number]').between([tab, 0], [tab, Number.MAX_SAFE_INTEGER]).toArray()

/** Keeps a step in place of its own number and all that were numbered after it; those before `oldest` are let go. */
export async function keepStepOf(step: KeptStep, oldest: number): Promise<void> {
  await database.transaction('rw', database.steps, async () => {
    const ofTab = (from: number, to: number) =>
      database.steps.where('[tab+number]').between([step.tab, from], [step.tab, to], true, false)
    await ofTab(step.number, Number.MAX_SAFE_INTEGER).delete()
    await ofTab(0, oldest).delete()
    await database.steps.put(step)
  })
}

/** Lets go of steps of tabs that were left long ago. */
export async function dropOldSteps(now: number): Promise<void> {
  await database.steps
    .where('at')
    .below(now - KEPT_MS)
    .delete()
}
