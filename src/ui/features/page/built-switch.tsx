'use client'

import { Segments } from '../../kit/segments'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'

const SIDES = [
  { id: 'built', name: 'Built' },
  { id: 'draft', name: 'With draft' },
] as const

/** Cards as the build has them, or with the page's draft. */
export function BuiltSwitch({ view, goTo }: { view: RouteState; goTo: GoTo }) {
  return (
    <Segments
      size="small"
      name="Which texts the cards are made of"
      choices={SIDES}
      chosen={view.isBuilt ? 'built' : 'draft'}
      onChoose={(id) => goTo({ isBuilt: id === 'built' }, 'replace')}
    />
  )
}
