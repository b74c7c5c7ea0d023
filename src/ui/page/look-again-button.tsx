'use client'

import { useCallback, useEffect, useState } from 'react'
import type { StoredRun } from '@/store/database'
import { isTyping } from '../frame/frame-keys'
import { lookAgain, whyNoLook } from '../run/look-again'
import type { GoTo } from '../view/use-view'

type State = { kind: 'idle' } | { kind: 'looking' } | { kind: 'failed'; message: string }

/** Fetches this page alone once more, and opens the run that holds it. */
export function LookAgainButton({ run, url, goTo }: { run: StoredRun; url: string; goTo: GoTo }) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const why = whyNoLook(run)
  const look = useCallback(async () => {
    if (why !== null) {
      setState({ kind: 'failed', message: why })
      return
    }
    setState({ kind: 'looking' })
    try {
      const next = await lookAgain(run, url)
      setState({ kind: 'idle' })
      goTo({ run: next }, 'replace')
    } catch (error) {
      setState({ kind: 'failed', message: error instanceof Error ? error.message : String(error) })
    }
  }, [run, url, why, goTo])
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'r' || isTyping(event) || event.metaKey || event.ctrlKey || event.altKey) return
      event.preventDefault()
      void look()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [look])
  return (
    <span className="flex shrink-0 items-center gap-2">
      {state.kind === 'failed' && (
        <span role="alert" className="max-w-[340px] text-[12px] leading-tight text-wrong">
          {state.message}
        </span>
      )}
      <button type="button" className="button" disabled={state.kind === 'looking'} onClick={look}>
        {state.kind === 'looking' ? 'Looking …' : 'Look again'} <kbd className="key">R</kbd>
      </button>
    </span>
  )
}
