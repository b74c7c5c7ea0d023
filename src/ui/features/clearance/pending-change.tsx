'use client'

import { useEffect, useState } from 'react'
import type { Requirements } from '@/core/requirements'
import type { StoredRun } from '@/store/database'
import type { RequirementsEffect } from '@/workers/protocol'
import { count } from '../../kit/words'
import { previewRequirements } from './recheck'

type Found = { kind: 'asking' } | { kind: 'found'; effect: RequirementsEffect } | { kind: 'failed'; message: string }

/** What requirements that are not kept yet would make of a run; asked again with each edit. */
function useEffectOf(run: StoredRun, pending: Requirements): Found {
  const [found, setFound] = useState<Found>({ kind: 'asking' })
  useEffect(() => {
    let isGone = false
    setFound({ kind: 'asking' })
    previewRequirements(run.id, pending)
      .then((effect) => isGone || setFound({ kind: 'found', effect }))
      .catch((error) => isGone || setFound({ kind: 'failed', message: String(error?.message ?? error) }))
    return () => {
      isGone = true
    }
  }, [run.id, pending])
  return found
}

const VERDICTS = { clear: 'clear for launch', 'not-clear': 'not clear', 'not-known': 'not known' } as const

/** Checks named before the rest is counted. */
const NAMED = 4

const listed = (changes: RequirementsEffect['came']) => {
  const shown = changes.slice(0, NAMED).map(({ rule, count: times }) => `${times} × ${rule}`)
  return changes.length > NAMED ? `${shown.join(', ')} and ${changes.length - NAMED} more` : shown.join(', ')
}

function Effect({ run, effect: { summary, came, went } }: { run: StoredRun; effect: RequirementsEffect }) {
  const now = run.summary
  return (
    <div className="min-w-0 flex-1">
      <p className="font-semibold">
        With this the site is {VERDICTS[summary.verdict]}: {count(summary.error, 'error')}
        {now && now.error !== summary.error && ` (now ${now.error})`}, {count(summary.warning, 'warning')}
        {now && now.warning !== summary.warning && ` (now ${now.warning})`}.
      </p>
      <p className="text-small text-quiet">
        {came.length === 0 && went.length === 0 && 'No finding comes or goes.'}
        {came.length > 0 && `Comes: ${listed(came)}. `}
        {went.length > 0 && `Goes: ${listed(went)}.`}
      </p>
    </div>
  )
}

/** Edited requirements before they are kept: what they do to the verdict, and the choice. */
export function PendingChange({
  run,
  pending,
  onKeep,
  onLeave,
}: {
  run: StoredRun
  pending: Requirements
  onKeep: () => void
  onLeave: () => void
}) {
  const found = useEffectOf(run, pending)
  return (
    <section
      aria-label="What the change does"
      className="sticky top-0 z-20 flex flex-wrap items-center gap-3 rounded-card border border-pick bg-sheet px-4 py-3 shadow-md"
    >
      <div role="status" className="min-w-0 flex-1">
        {found.kind === 'asking' && <p className="text-quiet">Looking at what the change does …</p>}
        {found.kind === 'failed' && <p className="text-wrong">{found.message}</p>}
        {found.kind === 'found' && <Effect run={run} effect={found.effect} />}
      </div>
      <div className="flex gap-2">
        <button type="button" className="button button-main" onClick={onKeep}>
          Keep it
        </button>
        <button type="button" className="button" onClick={onLeave}>
          Leave it
        </button>
      </div>
    </section>
  )
}
