'use client'

import { memo, useMemo } from 'react'
import { drawCard, drawnFace } from '@/core/sheet'
import type { Face, Surface } from '@/core/surface'
import { byAddress, DrawnCard } from './drawn-card'

/** A card of a stored run: the place's own drawing, made smaller as a whole, and below it what we say of it. */
export const WallCard = memo(function WallCard({ run, surface, face }: { run: string; surface: Surface; face: Face }) {
  const drawing = useMemo(() => drawCard(drawnFace(face), surface, { keyOf: byAddress }), [face, surface])
  const isUnseen = face.image !== null && face.pictureFault !== null
  return (
    <div>
      <DrawnCard run={run} drawing={drawing} />
      {face.pictureFault && !isUnseen && <Remark>No picture here. {face.pictureFault}</Remark>}
      {face.rich && face.rich.lacks.length > 0 && (
        <Remark>
          {face.rich.kind} lacks {face.rich.lacks.join(', ')}
        </Remark>
      )}
    </div>
  )
})

/** The place shows none of this: it stands below the card. */
function Remark({ children }: { children: React.ReactNode }) {
  return <p className="mt-[3px] px-[2px] text-fine text-quiet [overflow-wrap:anywhere]">{children}</p>
}
