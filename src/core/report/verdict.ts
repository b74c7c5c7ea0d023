import { LEVELS, type Level, type Summary } from '../model'
import type { RunDocument } from './run-document'

/** The level from which findings count as a failure. */
export type FailOn = Level | 'never'

/** Does a finding of this level count as a failure? */
export const isFailure = (level: Level, failOn: FailOn): boolean =>
  failOn !== 'never' && LEVELS.indexOf(level) <= LEVELS.indexOf(failOn)

/**
 * Does a run fail? By its findings at this level or above, beside a baseline only new ones; and where it is held against
 * a sign-off, by being another content.
 */
export function fails(
  { summary, baseline, signOff }: Pick<RunDocument, 'summary' | 'baseline' | 'signOff'>,
  failOn: FailOn,
): boolean {
  if (signOff && signOff.differs.length > 0) return true
  const counted: Record<Level, number> = baseline?.new ?? summary
  return LEVELS.some((level) => isFailure(level, failOn) && counted[level] > 0)
}

/**
 * The run with its verdict for a level from which findings fail: headline, documents and exit code all go by it, so
 * that no run that fails is called clear.
 */
export function withVerdict<T extends RunDocument>(document: T, failOn: FailOn): T {
  const { summary } = document
  const verdict: Summary['verdict'] = fails(document, failOn) ? 'not-clear' : summary.verdict
  return verdict === summary.verdict ? document : { ...document, summary: { ...summary, verdict, clear: false } }
}

/** 0 clear, 1 where something counts as a failure, 2 where nothing does and not all was read or seen. */
export function exitCodeFor(document: RunDocument, failOn: FailOn): 0 | 1 | 2 {
  if (fails(document, failOn)) return 1
  return document.complete && (document.summary.unseenCount ?? 0) === 0 ? 0 : 2
}
