'use client'

import { usePathname, useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo } from 'react'
import { afterGoingBack } from './newer-runs'
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
  useEffect(() => {
    const onBack = () => {
      const view = afterGoingBack(parseView(window.location.pathname, window.location.search))
      if (view) window.history.replaceState(null, '', viewHref(view))
    }
    window.addEventListener('popstate', onBack)
    return () => window.removeEventListener('popstate', onBack)
  }, [])
  return { view, goTo }
}
