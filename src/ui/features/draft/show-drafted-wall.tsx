'use client'

import { useState } from 'react'
import { requestTryDrafts } from '../../state/run/try-causes'
import type { GoTo } from '../../state/view/use-view'

/** Opens the Wall with everything that is drafted. Nothing of the build changes. */
export function ShowDraftedWall({ run, goTo }: { run: string; goTo: GoTo }) {
  const [state, setState] = useState<'idle' | 'working' | { fault: string }>('idle')
  const show = async () => {
    setState('working')
    try {
      const tried = await requestTryDrafts(run)
      setState('idle')
      goTo({ area: 'wall', run: tried, page: null, section: null, symptoms: [], search: '' })
    } catch (error) {
      setState({ fault: error instanceof Error ? error.message : String(error) })
    }
  }
  return (
    <>
      <button type="button" className="button" disabled={state === 'working'} onClick={() => void show()}>
        {state === 'working' ? 'Reading …' : 'Wall with all drafts'}
      </button>
      {typeof state === 'object' && (
        <span role="alert" className="text-wrong">
          {state.fault}
        </span>
      )}
    </>
  )
}
