'use client'

import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import { Notice } from '../../kit/notice'

/**
 * Keeps a fault of one area within it: the frame stays, what is stored stays, and any other view can be gone to.
 *
 * @param resetKey the view: going elsewhere leaves the fault behind
 */
export function AreaBoundary({ name, resetKey, children }: { name: string; resetKey: string; children: ReactNode }) {
  return (
    <ErrorBoundary
      resetKeys={[resetKey]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <Notice
          text={`${name} could not be drawn (${error instanceof Error ? error.message : String(error)}). What was gathered is kept. Draw it again, or go to another area or run.`}
        >
          <div role="alert" className="sr-only">
            {name} could not be drawn.
          </div>
          <button type="button" className="button" onClick={resetErrorBoundary}>
            Draw it again
          </button>
        </Notice>
      )}
    >
      {children}
    </ErrorBoundary>
  )
}
