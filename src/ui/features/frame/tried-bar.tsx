'use client'

import type { Level } from '@/core/model'
import type { StoredRun } from '@/store/database'
import { deleteTried } from '@/store/runs'
import { count } from '../../kit/words'
import { useRun } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import { KeepAsDrafts } from './keep-as-drafts'

const LEVELS: readonly Level[] = ['error', 'warning', 'note']

/** `31 errors → 12` for each level that there is. */
function leftInWords(before: StoredRun['summary'], after: StoredRun['summary']): string {
  if (!before || !after) return ''
  return LEVELS.flatMap((level) =>
    before[level] === 0 && after[level] === 0 ? [] : [`${count(before[level], level)} → ${after[level]}`],
  ).join(', ')
}

/** Says, over every area, that what is seen is not the build but what some changes would make of it; one step back. */
export function TriedBar({ run, goTo }: { run: StoredRun; goTo: GoTo }) {
  const parent = useRun(run.tried?.run ?? null)
  const { tried } = run
  if (!tried) return null
  const waiting = LEVELS.flatMap((level) => {
    const number = tried.waiting?.[level] ?? 0
    return number > 0 ? [count(number, level)] : []
  }).join(', ')
  const stepBack = () => {
    goTo({ run: tried.run })
    void deleteTried(tried.run)
  }
  return (
    <section
      aria-label="What is tried"
      className="flex shrink-0 items-center gap-4 border-b-2 border-dashed border-pick bg-soft px-4 py-[6px] max-md:flex-wrap max-md:gap-2"
    >
      <p className="min-w-0 flex-1 text-small max-md:basis-full">
        <b className="font-semibold">
          {tried.draftedPages === undefined
            ? `Tried, not built: ${tried.causes.length === 1 ? 'one change' : `${tried.causes.length} changes`}.`
            : `With all drafts, not built: ${count(tried.draftedPages, 'page')}.`}
        </b>{' '}
        <span className="whitespace-nowrap">
          {parent.kind === 'ready' && `${leftInWords(parent.value.summary, run.summary)}.`}
        </span>
        {waiting !== '' && ` Of what is cleared, ${waiting} wait until the placeholders are replaced.`}
        <span className="ml-2 text-quiet max-lg:hidden" title={tried.changes.join('\n')}>
          {shortened(tried.changes)}
        </span>
      </p>
      {tried.draftedPages === undefined && <KeepAsDrafts run={run} />}
      <button type="button" className="button button-main h-[28px]!" onClick={stepBack}>
        Back to what is built
      </button>
    </section>
  )
}

/** The changes in a line. */
function shortened(changes: readonly string[]): string {
  const [first = ''] = changes
  const text = first.length > 90 ? `${first.slice(0, 90)}…` : first
  return changes.length > 1 ? `${text} And ${changes.length - 1} more.` : text
}
