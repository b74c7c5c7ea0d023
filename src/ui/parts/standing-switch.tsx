'use client'

import type { AccessMode } from '@/core/model'
import { Segments } from '../kit/segments'
import type { GoTo } from '../state/view/use-view'
import type { RouteState } from '../state/view/view'

const SIDES: { id: AccessMode; name: string; about: string }[] = [
  { id: 'standing', name: 'As it stands', about: 'robots.txt and logins count: what crawlers would get today.' },
  { id: 'launched', name: 'As launched', about: 'robots.txt and logins don’t count: what crawlers will get.' },
]

/** Cards with robots.txt and logins counted, or as they will be in production. */
export function StandingSwitch({ view, goTo, own }: { view: RouteState; goTo: GoTo; own: AccessMode }) {
  return (
    <Segments
      size="small"
      name="What crawlers are let in to"
      choices={SIDES}
      chosen={view.as ?? own}
      onChoose={(side) => goTo({ as: side === own ? null : side }, 'replace')}
    />
  )
}
