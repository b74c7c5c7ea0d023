'use client'

import { usePathname, useSearchParams } from 'next/navigation'
import { useCallback, useMemo } from 'react'
import { parseView, type RouteState, viewHref } from './view'

export type GoTo = (change: Partial<RouteState>, how?: 'push' | 'replace') => void

/** The view in the address, and the way to another one. Nothing is asked of the server. */
export function useView(): { view: RouteState; goTo: GoTo } {
  const pathname = usePathname()
  const search = useSearchParams().toString()
  const view = useMemo(() => parseView(pathname, search), [pathname, search])
  const goTo = useCallback<GoTo>((change, how = 'push') => {
    const now = parseView(window.location.pathname, window.location.search)
    const href = viewHref({ ...now, ...change })
    if (how === 'push') window.history.pushState(null, '', href)
    else window.history.replaceState(null, '', href)
  }, [])
  return { view, goTo }
}
