'use client'

import { clsx } from 'clsx'
import { useEffect, useRef } from 'react'
import { type Crop, type DetailMap, detailOutside, type Focus, isSoft, shareLost } from '@/core/image'
import { BASIS_WORDS, type CropResult, drawnWidth, weakestBasis } from '@/core/surface'

type Size = { width: number; height: number }
type Props = {
  src: string
  size: Size
  kept: CropResult[]
  detail: DetailMap | null
  /** The picture's focus, as set or proposed; null where none is known. */
  focus: Focus | null
  chosen: string | null
  /** Places that the keep zone is made for. */
  counted: ReadonlySet<string>
  onChoose: (surface: string) => void
  onCount: (surface: string) => void
}

/** Height at which a crop is drawn in the strip. */
const STRIP_PX = 70

/** A part of a picture, and nothing else of it. */
export function CroppedPicture({
  src,
  size,
  crop,
  heightPx,
}: {
  src: string
  size: Size
  crop: Crop
  heightPx: number
}) {
  return (
    <span
      className="relative block overflow-hidden rounded-[4px] bg-soft"
      style={{ height: heightPx, aspectRatio: `${crop.width} / ${crop.height}` }}
    >
      <img
        src={src}
        alt=""
        draggable={false}
        className="absolute max-w-none"
        style={{
          width: `${(size.width / crop.width) * 100}%`,
          left: `${(-crop.x / crop.width) * 100}%`,
          top: `${(-crop.y / crop.height) * 100}%`,
        }}
      />
    </span>
  )
}

const basisOfShape = ({ surface, layout }: CropResult & { kind: 'kept' }) =>
  weakestBasis([(layout === 'thumbnail' ? surface.picture?.thumbnailRatio : surface.picture?.largeRatio) ?? null])

const isWithin = (focus: Focus, size: Size, { x, y, width, height }: Crop) =>
  focus.x * size.width >= x &&
  focus.x * size.width <= x + width &&
  focus.y * size.height >= y &&
  focus.y * size.height <= y + height

function sharpness(crop: Crop, drawnPx: number): string {
  if (isSoft(crop, drawnPx, 1)) return `${drawnPx} px: soft`
  return isSoft(crop, drawnPx, 2) ? `${drawnPx} px: soft at 2×` : `${drawnPx} px: sharp at 2×`
}

/** What each place keeps of the picture, how much that is, and whether it has the pixels for it. */
export function KeptStrip({ src, size, kept, detail, focus, chosen, counted, onChoose, onCount }: Props) {
  const list = useRef<HTMLUListElement>(null)
  useEffect(() => {
    list.current?.querySelector(`[data-place="${chosen}"]`)?.scrollIntoView({ inline: 'nearest', block: 'nearest' })
  }, [chosen])
  return (
    <ul ref={list} aria-label="What places keep" className="flex gap-4 overflow-x-auto pb-2">
      {kept.map((one) => {
        const { id, name } = one.surface
        if (one.kind === 'refused')
          return (
            <li key={id} className="w-[120px] shrink-0 text-small">
              <span className="block font-semibold">{name}</span>
              <span className="text-wrong">not shown: {one.why}</span>
            </li>
          )
        // Of one figure: what is kept and what is cut away are a hundred together, wherever either is said.
        const kept = 100 - Math.round(shareLost(size, one.crop) * 100)
        const detailLost = detail ? detailOutside(detail, size, one.crop) : 0
        return (
          <li key={id} data-place={id} className="shrink-0 text-fine">
            <span className="mb-1 flex items-center gap-[6px]">
              <input
                type="checkbox"
                className="size-[13px] accent-(--pick)"
                aria-label={`${name} counts for the keep zone`}
                checked={counted.has(id)}
                onChange={() => onCount(id)}
              />
              <span className={clsx('text-small', id === chosen ? 'font-semibold' : 'text-quiet')}>{name}</span>
            </span>
            <button
              type="button"
              aria-pressed={id === chosen}
              aria-label={`${name}: keeps ${kept} %`}
              onClick={() => onChoose(id)}
              className={clsx('block rounded-[6px] p-[2px]', id === chosen && 'outline-2 outline-pick')}
            >
              <CroppedPicture src={src} size={size} crop={one.crop} heightPx={STRIP_PX} />
            </button>
            <span className="mt-1 block">
              keeps {kept} %{one.layout === 'thumbnail' && ', small'}
            </span>
            <span className="block text-quiet" title="How the shape that the place cuts is known">
              shape: {BASIS_WORDS[basisOfShape(one)]}
            </span>
            <span className="block text-quiet" title="About how wide the place draws it, in CSS pixels">
              {sharpness(one.crop, drawnWidth(one.surface, one.layout))}
            </span>
            {focus && !isWithin(focus, size, one.crop) && (
              <span className="block text-warn" title="The point that the picture is about lies outside what is kept.">
                cuts the focus off
              </span>
            )}
            {detailLost >= 0.1 && (
              <span className="block text-quiet" title="Where the picture changes most from pixel to pixel. A hint.">
                hint: {Math.round(detailLost * 100)} % of detail lost
              </span>
            )}
          </li>
        )
      })}
    </ul>
  )
}
