import type { StoredRun } from '@/store/database'

/** What is to be known of a run beside its pages: what was not read first, then its scope, then the rest. */
export function notesToKnow({ incomplete, scope, notes }: Pick<StoredRun, 'incomplete' | 'scope' | 'notes'>): string[] {
  return [
    ...incomplete.map(({ message }) => message),
    ...(scope.length > 0 ? [`As asked: ${scope.join('; ')}.`] : []),
    ...notes.map(({ path, message }) => (path === undefined ? message : `Requirements: ${message}`)),
  ]
}
