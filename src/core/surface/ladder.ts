import { limits } from '../address'
import { isBlank } from '../text'
import type { Outcome, Rung } from './card-model'

/** What might feed a part of a card. `value` is null where the page has no such tag. */
export type Candidate = {
  from: string
  value: string | null
  line: number | null
  column: number | null
  /** Byte after the tag as served; 0 for what stands in no byte (the address). */
  endByte: number
}

/** Judges a candidate that has a value: null when it can be taken. */
export type Judge = (candidate: Candidate) => { outcome: Outcome; why: string } | null

export type Climb = { taken: Candidate | null; ladder: Rung[] }

export const absent = (from: string): Candidate => ({ from, value: null, line: null, column: null, endByte: 0 })

const rung = ({ from, line, column, value }: Candidate, outcome: Outcome, why?: string): Rung => ({
  from,
  line,
  column,
  value,
  outcome,
  ...(why === undefined ? {} : { why }),
})

/** The first rungs of a long ladder, and the taken one wherever it stands; the last of them says how many are not listed. */
function bounded(ladder: Rung[]): Rung[] {
  const more = ladder.length - limits.rungsOfLadder
  if (more <= 0) return ladder
  const shown = ladder.slice(0, limits.rungsOfLadder)
  const taken = ladder.find(({ outcome }) => outcome === 'taken')
  if (taken && !shown.includes(taken)) shown[shown.length - 1] = taken
  const last = shown[shown.length - 1]!
  shown[shown.length - 1] = { ...last, why: [last.why, `${more} more are not listed`].filter(Boolean).join('; ') }
  return shown
}

/**
 * Goes through candidates in order of preference and takes the first that can be used.
 *
 * @param readsBytes bytes that the place reads; null for all. A tag that straddles the end is not seen.
 */
export function climb(candidates: readonly Candidate[], readsBytes: number | null, judge: Judge = () => null): Climb {
  let taken: Candidate | null = null
  const ladder = candidates.map((candidate): Rung => {
    if (candidate.value === null) return rung(candidate, 'absent')
    if (readsBytes !== null && candidate.endByte > readsBytes) return rung(candidate, 'beyond-bytes')
    if (isBlank(candidate.value)) return rung(candidate, 'empty')
    const verdict = judge(candidate)
    if (verdict) return rung(candidate, verdict.outcome, verdict.why)
    if (taken) return rung(candidate, 'beaten')
    taken = candidate
    return rung(candidate, 'taken')
  })
  return { taken, ladder: bounded(ladder) }
}

/** The same candidates on a card that shows none of them. */
export function passAll(candidates: readonly Candidate[], outcome: 'blocked' | 'unreachable'): Rung[] {
  return bounded(candidates.map((candidate) => rung(candidate, outcome)))
}
