'use client'

import { memo, useId } from 'react'
import { type CardDrawing, type Drawing, fillOf, type Ink, type Step, UNDERLINE_PX } from '@/core/sheet'
import { measureText } from '@/core/text'
import { useThumb } from './thumb-cache'

/** The inks of a drawing as the app's theme has them. A saved picture is light, whatever the theme. */
const THEMED: Record<Ink, string> = {
  ground: 'var(--ground)',
  card: 'var(--card)',
  line: 'var(--line)',
  ink: 'var(--card-ink)',
  quiet: 'var(--card-quiet)',
  soft: 'var(--soft)',
}
const themed = (fill: Extract<Step, { kind: 'box' }>['fill']) =>
  typeof fill === 'string' ? THEMED[fill] : fillOf(fill)

/**
 * A drawing on the screen, as wide as its room and never wider than it is: made smaller as a whole, so that no line of it
 * breaks elsewhere. The keys of its pictures are their addresses in the run.
 */
export const DrawnCard = memo(function DrawnCard({ run, drawing }: { run: string; drawing: Drawing }) {
  const { widthPx, heightPx, steps } = drawing
  return (
    <svg
      viewBox={`0 0 ${widthPx} ${heightPx}`}
      style={{ maxWidth: widthPx }}
      className="block h-auto w-full font-place"
      xmlSpace="preserve"
    >
      {steps.map((step, index) => (
        <DrawnStep key={index} run={run} step={step} />
      ))}
    </svg>
  )
})

function DrawnStep({ run, step }: { run: string; step: Step }) {
  if (step.kind === 'picture') return <DrawnPicture run={run} step={step} />
  if (step.kind === 'box') {
    const { x, y, width, height, radius, fill, line, dashed } = step
    return (
      <rect
        {...{ x, y, width, height }}
        rx={radius}
        fill={fill === undefined ? 'none' : themed(fill)}
        stroke={line && THEMED[line]}
        strokeDasharray={dashed ? '5 4' : undefined}
      />
    )
  }
  const { x, baseline, text, sizePx, weight, ink, underlined } = step
  return (
    <>
      {/* The space behind a line is not seen; without it the words of two lines run together where they are copied. */}
      <text x={x} y={baseline} fontSize={sizePx} fontWeight={weight} fill={THEMED[ink]}>{`${text} `}</text>
      {underlined && (
        <rect
          x={x}
          y={baseline + UNDERLINE_PX}
          width={measureText(text, sizePx, weight)}
          height={1}
          fill={THEMED[ink]}
        />
      )}
    </>
  )
}

/** A picture in the part that the place keeps of it; hatched while it is not here yet. */
function DrawnPicture({ run, step }: { run: string; step: Extract<Step, { kind: 'picture' }> }) {
  const src = useThumb(run, step.picture)
  const hatch = useId()
  const { x, y, width, height, corners, isIcon } = step
  const clipPath = `inset(0 round ${corners.map((radius) => `${radius}px`).join(' ')})`
  if (src)
    return <image {...{ x, y, width, height }} href={src} preserveAspectRatio="xMidYMid slice" style={{ clipPath }} />
  if (isIcon) return <rect {...{ x, y, width, height }} rx={corners[0]} fill={THEMED.soft} />
  if (src === null)
    return (
      <>
        <rect {...{ x, y, width, height }} fill={THEMED.soft} style={{ clipPath }} />
        <text x={x + width / 2} y={y + height / 2} textAnchor="middle" fontSize={13} fill={THEMED.quiet}>
          {width < 200 ? 'No copy here' : 'No copy of this picture here. Look again to read it.'}
        </text>
      </>
    )
  return (
    <>
      <pattern id={hatch} width={10} height={10} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={10} height={10} fill={THEMED.soft} />
        <rect width={1} height={10} fill={THEMED.line} />
      </pattern>
      <rect {...{ x, y, width, height }} fill={`url(#${hatch})`} style={{ clipPath }} />
    </>
  )
}

/** The key of a picture where its run is known: its address. */
export const byAddress = (url: string) => url

/** What of a card lies where, in shares of its width and height: for what is laid over it. */
export function overlayOf({ widthPx, heightPx }: CardDrawing, region: CardDrawing['regions'][number]) {
  const share = (part: number, whole: number) => `${(100 * part) / whole}%`
  return {
    left: share(region.x, widthPx),
    top: share(region.y, heightPx),
    width: share(region.width, widthPx),
    height: share(region.height, heightPx),
  }
}
