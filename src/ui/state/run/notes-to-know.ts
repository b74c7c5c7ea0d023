import { withoutUnnamedHost } from '@/core/address'
import { unseenLines } from '@/core/report'
import type { StoredRun } from '@/store/database'

/** What was not read or not seen, and bears on the verdict. */
export const lacksOf = (run: Pick<StoredRun, 'incomplete' | 'summary' | 'source'>): string[] => [
  ...run.incomplete.map(({ message }) => withoutUnnamedHost(message)),
  ...unseenLines(run),
]

/** What is to be known of a run beside its pages: what was not read or seen first, then its scope, then the rest. */
export function notesToKnow(run: Pick<StoredRun, 'incomplete' | 'scope' | 'notes' | 'summary' | 'source'>): string[] {
  const { scope, notes, summary } = run
  // Hosts of images that decide cards are named with these already.
  const isSaid = ({ kind }: (typeof notes)[number]) => kind === 'offline' && (summary?.unseenCount ?? 0) > 0
  return [
    ...lacksOf(run),
    ...(scope.length > 0 ? [`As asked: ${scope.join('; ')}.`] : []),
    ...notes
      .filter((note) => !isSaid(note))
      .map(({ path, message }) => withoutUnnamedHost(path === undefined ? message : `Requirements: ${message}`)),
  ]
}
