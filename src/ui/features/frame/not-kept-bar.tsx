'use client'

import { useEffect } from 'react'
import { forgetNotKept, isFailedWrite, tellNotKept, useNotKept } from '../../state/not-kept'
import type { GoTo } from '../../state/view/use-view'

/** Says, over every area, that something could not be kept, and what makes room. */
export function NotKeptBar({ goTo }: { goTo: GoTo }) {
  const last = useNotKept()
  useEffect(() => {
    // Most writes are waited for by nobody: their failure ends here.
    const tell = (event: PromiseRejectionEvent) => {
      if (isFailedWrite(event.reason)) tellNotKept({ what: 'The last change', error: event.reason })
    }
    window.addEventListener('unhandledrejection', tell)
    return () => window.removeEventListener('unhandledrejection', tell)
  }, [])
  if (!last) return null
  const { what, isFull, again } = last
  return (
    <div
      role="alert"
      className="flex shrink-0 flex-wrap items-center gap-3 border-b-2 border-wrong bg-wrong-soft px-4 py-[6px]"
    >
      <p className="min-w-0 flex-1 max-md:basis-full">
        <b className="font-semibold">{what} is not kept.</b>{' '}
        {isFull
          ? 'This browser’s storage is full. Delete runs that you no longer need, or save the project to a file.'
          : 'The browser did not write it. Try again; if that fails, save the project to a file and reload.'}
      </p>
      {again && (
        <button
          type="button"
          className="button"
          onClick={() => {
            forgetNotKept()
            void again()
          }}
        >
          Try again
        </button>
      )}
      <button type="button" className="button" onClick={() => goTo({ area: 'gather', page: null })}>
        Make room
      </button>
      <button type="button" className="button" onClick={forgetNotKept}>
        Close
      </button>
    </div>
  )
}
