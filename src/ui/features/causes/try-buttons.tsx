'use client'

import { useState } from 'react'
import type { Cause } from '@/core/cause'
import type { StoredRun } from '@/store/database'
import { requestTry } from '../../state/run/try-causes'
import type { GoTo } from '../../state/view/use-view'

type State = { kind: 'idle' } | { kind: 'trying' } | { kind: 'failed'; message: string }

/** Can anything be shown of it? What only a person can do changes no card here. */
const canBeTried = ({ edits }: Cause) => edits.length > 0

/** Puts Wall, Page and Pictures into the state after this change, after all down to it, after all. */
export function TryButtons({
  run,
  causes,
  chosen,
  goTo,
}: {
  run: StoredRun
  causes: readonly Cause[]
  chosen: Cause
  goTo: GoTo
}) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const at = causes.indexOf(chosen)
  const first = causes.slice(0, at + 1).filter(canBeTried)
  const all = causes.filter(canBeTried)
  const attempt = async (some: readonly Cause[]) => {
    setState({ kind: 'trying' })
    try {
      const tried = await requestTry(
        run.id,
        some.map(({ id }) => id),
      )
      setState({ kind: 'idle' })
      goTo({ area: 'wall', run: tried, page: null, section: null, symptoms: [], search: '' })
    } catch (error) {
      setState({ kind: 'failed', message: error instanceof Error ? error.message : String(error) })
    }
  }
  if (run.tried)
    return <p className="text-quiet">This is what is left after the changes tried. Go back to try others.</p>
  const isBusy = state.kind === 'trying'
  return (
    <div className="flex flex-wrap items-center gap-2">
      {canBeTried(chosen) ? (
        <button type="button" className="button button-main" disabled={isBusy} onClick={() => void attempt([chosen])}>
          {isBusy ? 'Trying …' : 'Show the cards after this'}
        </button>
      ) : (
        <p className="text-quiet">Nothing can be shown of it before it is done.</p>
      )}
      {first.length > 1 && first.length < all.length && (
        <button type="button" className="button" disabled={isBusy} onClick={() => void attempt(first)}>
          After the first {at + 1}
        </button>
      )}
      {all.length > 1 && (
        <button type="button" className="button" disabled={isBusy} onClick={() => void attempt(all)}>
          After all {all.length}
        </button>
      )}
      {state.kind === 'failed' && (
        <span role="alert" className="text-wrong">
          {state.message}
        </span>
      )}
    </div>
  )
}
