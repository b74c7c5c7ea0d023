'use client'

import { useEffect } from 'react'
import { useSession } from '../../state/run/session'

/** While a run goes on, the browser asks before the tab is left or closed: the run would end there. */
export function LeaveGuard() {
  const isRunning = useSession().kind === 'running'
  useEffect(() => {
    if (!isRunning) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [isRunning])
  return null
}
