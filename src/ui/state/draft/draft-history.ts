'use client'

import { create } from 'zustand'
import type { DraftStep } from '@/store/drafts'
import { keepStep } from './pending-writes'

/** Typing in one field is one step while it goes on. */
const SAME_STEP_MS = 1500
/** Steps kept for undoing. */
const MAX_STEPS = 200

type Kept = DraftStep & { at: number; typing: string | null }
/** `turns` counts undoing and doing again: a field that holds its text reads it again then. */
type History = { done: Kept[]; undone: Kept[]; turns: number }

const useStore = create<History>(() => ({ done: [], undone: [], turns: 0 }))
const now = () => useStore.getState()
/** Once more something was undone or done again. */
const turn = () => useStore.setState(({ turns }) => ({ turns: turns + 1 }))

/** Steps with one more at their end; what is typed on in one field joins the step before. Pure. */
export function withStep(done: readonly Kept[], step: Kept): Kept[] {
  const last = done.at(-1)
  const joins =
    last &&
    step.typing !== null &&
    last.typing === step.typing &&
    step.at - last.at < SAME_STEP_MS &&
    last.site === step.site
  if (!joins) return [...done, step].slice(-MAX_STEPS)
  const before = new Map(last.drafts.map((change) => [change.url, change.before]))
  const drafts = step.drafts.map((change) => ({
    ...change,
    before: before.has(change.url) ? before.get(change.url)! : change.before,
  }))
  return [...done.slice(0, -1), { ...step, drafts }]
}

/**
 * Does one step and keeps it for undoing.
 * @param typing names the field that is being typed into: what follows soon joins this step
 */
export async function doStep(step: DraftStep, typing: string | null = null): Promise<void> {
  useStore.setState({ done: withStep(now().done, { ...step, at: Date.now(), typing }), undone: [] })
  await keepStep(step, 'after')
}

/** Takes the last step back. @returns its label; null when there is none */
export async function undoStep(): Promise<string | null> {
  const { done, undone } = now()
  const last = done.at(-1)
  if (!last) return null
  useStore.setState({ done: done.slice(0, -1), undone: [...undone, { ...last, typing: null }] })
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
  await keepStep(last, 'after')
  turn()
  return last.label
}

/** What can be undone and done again, by their labels. */
export function useHistory(): { undo: string | null; redo: string | null; turns: number } {
  const { done, undone, turns } = useStore()
  return { undo: done.at(-1)?.label ?? null, redo: undone.at(-1)?.label ?? null, turns }
}
