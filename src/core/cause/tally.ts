import { LEVELS, type Level } from '../model'
import type { Cause } from './cause'

/**
 * What a change waits for. `ready`: nothing, it was proved with the values that it writes. `work`: something has to be
 * written, drawn or chosen first. `question`: only a person can say what is meant.
 */
export type Readiness = 'ready' | 'work' | 'question'

/** How `needs` begins where only a person can answer. */
export const DECISION = 'a decision: '

export function readinessOf({ proved, needs }: Pick<Cause, 'proved' | 'needs'>): Readiness {
  if (needs?.startsWith(DECISION)) return 'question'
  return proved && needs === undefined ? 'ready' : 'work'
}

/** Changes of one readiness, and the findings that they clear; each finding belongs to one cause. */
export type Tally = Record<Readiness, { causes: number; clears: Record<Level, number> }>

export function tallyOf(causes: readonly Cause[]): Tally {
  const none = () => ({ causes: 0, clears: { error: 0, warning: 0, note: 0 } })
  const tally: Tally = { ready: none(), work: none(), question: none() }
  for (const cause of causes) {
    const of = tally[readinessOf(cause)]
    of.causes++
    for (const level of LEVELS) of.clears[level] += cause.clears[level]
  }
  return tally
}
