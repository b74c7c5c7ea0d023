'use client'

import { z } from 'zod'
import { create } from 'zustand'
import { parseJson } from '@/core/model'
import type { DraftStep } from '@/store/drafts'
import { dropOldSteps, type KeptStep, keepStepOf, stepsOf } from '@/store/steps'
import { keepStep } from './pending-writes'

/** Typing in one field is one step while it goes on. */
const SAME_STEP_MS = 1500
/** Steps kept for undoing. */
const MAX_STEPS = 200
/** Where a tab keeps which steps are its own, and how many of them are done: it outlives a reload and no tab. */
const KEY = 'nimble-parrot steps'

/** `turns` counts undoing and doing again: a field that holds its text reads it again then. */
type History = { done: KeptStep[]; undone: KeptStep[]; turns: number }

const useStore = create<History>(() => ({ done: [], undone: [], turns: 0 }))
const now = () => useStore.getState()
/** Once more something was undone or done again. */
const turn = () => useStore.setState(({ turns }) => ({ turns: turns + 1 }))

/** By which a tab's steps are known. Not the UUID of the browser: a page on another machine of the network has none. */
let tab: string = crypto.getRandomValues(new Uint32Array(4)).join('-')

/** Steps with one more at their end; what is typed on in one field joins the step before. Pure. */
export function withStep(done: readonly KeptStep[], step: Omit<KeptStep, 'number'>): KeptStep[] {
  const last = done.at(-1)
  const joins =
    last &&
    step.typing !== null &&
    last.typing === step.typing &&
    step.at - last.at < SAME_STEP_MS &&
    last.site === step.site
  if (!joins) return [...done, { ...step, number: (last?.number ?? 0) + 1 }].slice(-MAX_STEPS)
  const before = new Map(last.drafts.map((change) => [change.url, change.before]))
  const drafts = step.drafts.map((change) => ({
    ...change,
    before: before.has(change.url) ? before.get(change.url)! : change.before,
  }))
  const focus = step.focus && { ...step.focus, before: last.focus?.before ?? null }
  return [...done.slice(0, -1), { ...step, drafts, ...(focus && { focus }), number: last.number }]
}

const Place = z.object({ tab: z.string(), done: z.number() })

/** Writes down how far the tab's steps are done. */
function keepPlace(): void {
  try {
    sessionStorage.setItem(KEY, JSON.stringify({ tab, done: now().done.at(-1)?.number ?? 0 }))
  } catch {
    // Closed to us: undoing ends with the reload.
  }
}

/** Which steps were this tab's before it was reloaded, and how far they were done; null where it has none. */
function placeKept(): z.infer<typeof Place> | null {
  try {
    const kept = parseJson(sessionStorage.getItem(KEY) ?? '')
    const place = kept.ok ? Place.safeParse(kept.value) : null
    return place?.success ? place.data : null
  } catch {
    return null
  }
}

/** Is it this tab alone that has these steps? One that was doubled brings the other's place along. */
function holdsAlone(of: string): Promise<boolean> {
  if (!('locks' in navigator)) return Promise.resolve(true)
  return new Promise((resolve) => {
    void navigator.locks.request(`${KEY} ${of}`, { ifAvailable: true }, (lock) => {
      resolve(lock !== null)
      // Held as long as the tab is there.
      return lock === null ? undefined : new Promise<void>(() => undefined)
    })
  })
}

/** Takes up the steps that this tab had before it was reloaded. */
export async function resumeSteps(): Promise<void> {
  const kept = placeKept()
  if (kept === null || kept.tab === tab || !(await holdsAlone(kept.tab))) {
    void holdsAlone(tab)
    return dropOldSteps(Date.now())
  }
  const steps = await stepsOf(kept.tab)
  tab = kept.tab
  const [done, undone] = [
    steps.filter(({ number }) => number <= kept.done),
    steps.filter(({ number }) => number > kept.done),
  ]
  // What was done meanwhile comes after them.
  const meanwhile = now().done
  if (meanwhile.length === 0) useStore.setState({ done, undone: undone.reverse() })
  else {
    useStore.setState({ done, undone: [] })
    for (const step of meanwhile) await addStep(step)
  }
}

/** Puts a step at the end of what is done; what was undone can't be done again then. */
function addStep(step: Omit<KeptStep, 'number'>): Promise<void> {
  const done = withStep(now().done, { ...step, tab })
  useStore.setState({ done, undone: [] })
  keepPlace()
  // The draft itself is what matters: a step that can't be kept can still be undone until the tab is left.
  return keepStepOf(done.at(-1)!, done[0]!.number).catch(() => undefined)
}

/**
 * Does one step and keeps it for undoing.
 * @param typing names the field that is being typed into: what follows soon joins this step
 */
export async function doStep(step: DraftStep, typing: string | null = null): Promise<void> {
  await Promise.all([addStep({ ...step, tab, at: Date.now(), typing }), keepStep(step, 'after')])
}

/** Takes the last step back. @returns its label; null when there is none */
export async function undoStep(): Promise<string | null> {
  const { done, undone } = now()
  const last = done.at(-1)
  if (!last) return null
  useStore.setState({ done: done.slice(0, -1), undone: [...undone, { ...last, typing: null }] })
  keepPlace()
  await keepStep(last, 'before')
  turn()
  return last.label
}

/** Does the step again that was taken back last. */
export async function redoStep(): Promise<string | null> {
  const { done, undone } = now()
  const last = undone.at(-1)
  if (!last) return null
  useStore.setState({ done: [...done, last], undone: undone.slice(0, -1) })
  keepPlace()
  await keepStep(last, 'after')
  turn()
  return last.label
}

/** What can be undone and done again, by their labels. */
export function useHistory(): { undo: string | null; redo: string | null; turns: number } {
  const { done, undone, turns } = useStore()
  return { undo: done.at(-1)?.label ?? null, redo: undone.at(-1)?.label ?? null, turns }
}
