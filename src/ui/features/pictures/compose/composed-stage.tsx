'use client'

import type { ComposePlan } from '@/core/compose'
import type { Shape } from '@/core/image'
import { BASIS_WORDS, type Basis, weakestBasis } from '@/core/surface'
import { useSurfaces } from '../../../state/surface/use-surfaces'
import type { ComposePage } from './compose-sections'
import { composedFaults, usePreview } from './composed-preview'
import type { PreviewQueue } from './preview-queue'
import type { AskFor } from './use-compose-asks'

/** Twice the width of the stage on a small screen. */
const LARGE_PX = 1400

/** The chosen page's picture, large, with the zone in which everything is written. */
export function ComposedStage({
  page,
  shape,
  queue,
  askFor,
  family,
  hasZone,
  places,
}: {
  page: ComposePage
  shape: Shape
  queue: PreviewQueue
  askFor: AskFor | null
  family: string
  hasZone: boolean
  /** Surfaces whose crops make the zone; all without them. */
  places: readonly string[] | undefined
}) {
  const { made, url, fault } = usePreview(queue, askFor, page.url, LARGE_PX)
  const chosen = useSurfaces().filter(({ id }) => places === undefined || places.includes(id))
  const basis = weakestBasis(chosen.map(({ picture }) => picture?.largeRatio ?? null))
  const faults = fault ? [fault] : made ? composedFaults(made, family) : []
  return (
    <figure className="shrink-0">
      <div className="flex h-[330px] items-center justify-center overflow-hidden rounded-[9px] bg-bar p-2 max-md:h-[220px]">
        <div
          className="relative max-h-full max-w-full"
          style={{ aspectRatio: `${shape.width} / ${shape.height}`, height: '100%' }}
        >
          {url && (
            <img src={url} alt={made ? made.plan.title.map(({ text }) => text).join(' ') : ''} className="size-full" />
          )}
          {hasZone && made && <Zone plan={made.plan} shape={shape} basis={basis} />}
        </div>
      </div>
      <figcaption className="mt-1 min-h-[19px] text-small">
        <span className="text-quiet">{page.path}</span>
        {made && (
          <span className="text-quiet">
            {' '}
            — title at {made.plan.title[0]?.sizePx ?? 0} px, contrast {made.contrast.toFixed(1)} : 1
          </span>
        )}
        {faults.map((text) => (
          <span key={text} className="block text-warn">
            {text}
          </span>
        ))}
      </figcaption>
    </figure>
  )
}

function Zone({ plan: { zone, inside }, shape, basis }: { plan: ComposePlan; shape: Shape; basis: Basis }) {
  const share = (x: number, whole: number) => `${(x / whole) * 100}%`
  const box = (crop: { x: number; y: number; width: number; height: number }) => ({
    left: share(crop.x, shape.width),
    top: share(crop.y, shape.height),
    width: share(crop.width, shape.width),
    height: share(crop.height, shape.height),
  })
  return (
    <>
      {zone && (
        <div className="absolute border-2 border-[#46c98b]" style={box(zone)}>
          <span className="absolute left-0 top-0 bg-[#0a7d4d] px-1 text-fine font-semibold text-white">
            Every chosen place keeps this ({BASIS_WORDS[basis]})
          </span>
        </div>
      )}
      <div className="absolute border border-dashed border-[#9fb8ff]" style={box(inside)} />
    </>
  )
}
