import type { StoredRun } from '@/store/database'

type Run = Pick<StoredRun, 'id' | 'startedAt' | 'touchedAt' | 'launchedAt' | 'lookedAgain'>

/**
 * The run that another is held against: the one asked for; else the one that was launched last, the baseline; else the
 * one that it was derived from; else the one before it. null when there is none.
 *
 * @param others runs of the same site without this one, newest first
 */
export function earlierRun<R extends Run>(run: Run, others: readonly R[], asked: string | null): R | null {
  const named = others.find(({ id }) => id === asked)
  if (named) return named
  const launched = others
    .filter(({ launchedAt }) => launchedAt !== undefined)
    .sort((a, b) => (a.launchedAt! < b.launchedAt! ? 1 : -1))
  const before = others.filter(({ touchedAt }) => touchedAt < run.touchedAt).sort((a, b) => b.touchedAt - a.touchedAt)
  return launched[0] ?? others.find(({ id }) => id === run.lookedAgain?.run) ?? before[0] ?? others[0] ?? null
}
