'use client'

import { clsx } from 'clsx'
import { type PointerEvent, useRef } from 'react'
import type { Crop, Focus } from '@/core/image'
import type { CropGroup } from './crop-groups'

type Size = { width: number; height: number }
type Props = {
  src: string
  size: Size
  groups: CropGroup[]
  /** Surface whose crop is meant. */
  chosen: string | null
  zone: Crop | null
  look: 'crops' | 'keep-zone'
  /** What the refit keeps. */
  refit: Crop
  focus: Focus
  onFocus: (focus: Focus) => void
}

const percent = (part: number, whole: number) => `${(part / whole) * 100}%`

const placeOf = (crop: Crop, size: Size) => ({
  left: percent(crop.x, size.width),
  top: percent(crop.y, size.height),
  width: percent(crop.width, size.width),
  height: percent(crop.height, size.height),
})

/** A step of the focus by an arrow key, of the picture's side. */
const STEP = 0.02
const within = (value: number) => Math.min(1, Math.max(0, value))

/** The picture with what places keep of it, and the focus that a refit keeps in its middle. */
export function PictureStage({ src, size, groups, chosen, zone, look, refit, focus, onFocus }: Props) {
  const box = useRef<HTMLDivElement>(null)
  const drag = (event: PointerEvent<HTMLElement>) => {
    if (!box.current || event.buttons === 0) return
    const { left, top, width, height } = box.current.getBoundingClientRect()
    onFocus({ x: within((event.clientX - left) / width), y: within((event.clientY - top) / height) })
  }
  const onKey = (event: React.KeyboardEvent) => {
    const step = event.shiftKey ? STEP * 5 : STEP
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    }
    const move = by[event.key]
    if (!move) return
    event.preventDefault()
    onFocus({ x: within(focus.x + move[0]), y: within(focus.y + move[1]) })
  }
  return (
    <div className="h-full min-h-[180px] rounded-[9px] bg-bar p-2">
      <div className="grid h-full place-items-center [container-type:size]">
        <div
          ref={box}
          className="relative touch-none select-none"
          style={{
            width: `min(100cqw, calc(100cqh * ${size.width / size.height}))`,
            aspectRatio: `${size.width} / ${size.height}`,
          }}
          onPointerMove={drag}
        >
          <img src={src} alt="" draggable={false} className="h-full w-full rounded-[2px]" />
          {look === 'keep-zone' && <KeepZone zone={zone} size={size} />}
          {look === 'crops' &&
            groups.map(({ crop, surfaces, name, lost }) => {
              const isChosen = chosen !== null && surfaces.includes(chosen)
              return (
                <div
                  key={name}
                  className={clsx(
                    'pointer-events-none absolute border-2',
                    isChosen ? 'z-1 border-[#4fcf8f] bg-[#4fcf8f]/15' : 'border-dashed border-[#9fb6ff]',
                  )}
                  style={placeOf(crop, size)}
                >
                  <span
                    className={clsx(
                      'absolute left-0 max-w-full truncate px-[6px] py-px text-fine font-semibold text-white',
                      isChosen ? 'top-0 bg-[#0a7d4d]' : 'bottom-0 bg-[#2a5bd0]',
                    )}
                  >
                    {name}
                    {lost >= 0.005 && `: ${Math.round(lost * 100)} % lost`}
                  </span>
                </div>
              )
            })}
          {look === 'crops' && (
            <div
              className="pointer-events-none absolute outline outline-2 outline-offset-[-2px] outline-white/80 [outline-style:dotted]"
              style={placeOf(refit, size)}
            />
          )}
          <button
            type="button"
            data-focus-handle=""
            aria-label={`Focus of the refit: ${Math.round(focus.x * 100)} % from the left, ${Math.round(focus.y * 100)} % from the top. Arrow keys move it.`}
            className="absolute z-2 size-[22px] -translate-x-1/2 -translate-y-1/2 cursor-grab rounded-full border-2 border-white bg-bar/50 shadow-[0_0_0_1.5px_rgba(0,0,0,.6)]"
            style={{ left: `${focus.x * 100}%`, top: `${focus.y * 100}%` }}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onKeyDown={onKey}
          >
            <span className="absolute inset-[7px] rounded-full bg-white" />
          </button>
        </div>
      </div>
    </div>
  )
}

/** What every place keeps stands clear, the rest is veiled. */
function KeepZone({ zone, size }: { zone: Crop | null; size: Size }) {
  if (!zone)
    return (
      <p className="absolute inset-0 grid place-items-center bg-black/60 p-4 text-center text-white">
        No part of it is kept by all of these places.
      </p>
    )
  const share = Math.round(((zone.width * zone.height) / (size.width * size.height)) * 100)
  return (
    <div className="pointer-events-none absolute inset-0 overflow-hidden">
      <div
        className="absolute outline-2 outline-[#4fcf8f] shadow-[0_0_0_4000px_rgba(11,17,14,.72)]"
        style={{ ...placeOf(zone, size), outlineStyle: 'solid' }}
      >
        <span className="absolute left-0 top-0 max-w-full truncate bg-[#0a7d4d] px-[6px] py-px text-fine font-semibold text-white">
          Keep zone, {share} % of the picture
        </span>
      </div>
    </div>
  )
}
