'use client'

import { Segments } from '../../kit/segments'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'

const MODES = [
  { id: 'there', name: 'As they are' },
  { id: 'compose', name: 'Compose new ones' },
] as const

/** The pictures that there are, or new ones from a template. */
export function PictureModes({ view, goTo }: { view: RouteState; goTo: GoTo }) {
  return (
    <div className="px-3 pb-2 pt-3">
      <Segments
        name="Pictures"
        choices={MODES}
        chosen={view.compose === null ? 'there' : 'compose'}
        onChoose={(id) => goTo({ compose: id === 'there' ? null : 'neediest', page: null })}
      />
    </div>
  )
}
