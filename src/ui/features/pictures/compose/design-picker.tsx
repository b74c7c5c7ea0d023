'use client'

import { clsx } from 'clsx'
import { useState } from 'react'
import { composePlan, type Design, designs, type FaceMetrics, type PictureTemplate, panelColor } from '@/core/compose'
import type { SiteColor } from '@/core/image'
import { useSurfaces } from '../../../state/surface/use-surfaces'

/** About how wide letters are: a sketch shows where things stand, and no words. */
const SKETCHED: FaceMetrics = { measure: (text, sizePx) => text.length * sizePx * 0.52, ascent: 0.9, descent: 0.22 }
const SAMPLE = { title: 'A title of about five words', line: 'A second line', mark: 'The site' }

/** What a design sets; the rest of a template (face, files, folder, weight) stays as it is. */
const SET_BY_DESIGN = ['background', 'panel', 'accent', 'margin', 'color', 'align', 'title', 'line'] as const

const isLike = (a: PictureTemplate, b: PictureTemplate) =>
  SET_BY_DESIGN.every((key) => JSON.stringify(a[key]) === JSON.stringify(b[key]))

/** A template with a design's arrangement: what it writes on the title, its files and its faces are its own. */
function withDesign(now: PictureTemplate, { template }: Design): Partial<PictureTemplate> {
  const { background, panel, accent, margin, color, align, title, line, mark } = template
  const file = now.mark?.file
  return {
    ...{ background, panel, accent, margin, color, align, line },
    title: { ...title, text: now.title.text },
    mark: mark && { ...mark, ...(file ? { file } : {}) },
  }
}

/** Designs to begin from, as sketches in the site's own colours. */
export function DesignPicker({
  colors,
  template,
  change,
}: {
  /** The site's own, the most telling first; none where it names none. */
  colors: readonly SiteColor[]
  template: PictureTemplate
  change: (change: Partial<PictureTemplate>) => void
}) {
  const surfaces = useSurfaces()
  const [picked, setPicked] = useState<string | null>(null)
  const color = picked ?? colors[0]?.color ?? null
  return (
    <>
      {colors.length > 1 && (
        <fieldset className="col-span-2 flex flex-wrap items-center gap-[7px] p-[3px]">
          <legend className="sr-only">Colour of the designs</legend>
          {colors.map((one) => (
            <button
              key={one.color}
              type="button"
              aria-pressed={one.color === color}
              aria-label={`${one.name}, ${one.color}`}
              title={`${one.name}, ${one.color}`}
              className={clsx(
                'size-[22px] rounded-full border border-line outline-offset-1',
                one.color === color && 'outline-2 outline-pick',
              )}
              style={{ background: one.color }}
              onClick={() => setPicked(one.color)}
            />
          ))}
        </fieldset>
      )}
      <fieldset className="col-span-2 grid grid-cols-4 gap-[6px]">
        <legend className="sr-only">Design</legend>
        {designs(color, surfaces).map((design) => {
          const next = withDesign(template, design)
          const isChosen = isLike({ ...template, ...next }, template)
          return (
            <button
              key={design.id}
              type="button"
              aria-pressed={isChosen}
              title={design.name}
              className={clsx(
                'overflow-hidden rounded-[4px] border-2',
                isChosen ? 'border-pick' : 'border-transparent hover:border-line',
              )}
              onClick={() => change(next)}
            >
              <span className="sr-only">{design.name}</span>
              <Sketch template={design.template} />
            </button>
          )
        })}
      </fieldset>
    </>
  )
}

function Sketch({ template }: { template: PictureTemplate }) {
  const { shape, background, color, accent } = template
  const surfaces = useSurfaces()
  const plan = composePlan(template, { ...SAMPLE, line: template.line ? SAMPLE.line : '' }, null, SKETCHED, surfaces)
  const ground =
    background.kind === 'color' ? background.color : background.kind === 'gradient' ? background.from : null
  const lines = [...plan.title, ...(plan.line ? [plan.line] : []), ...(plan.markText ? [plan.markText] : [])]
  return (
    <svg viewBox={`0 0 ${shape.width} ${shape.height}`} className="block w-full" aria-hidden="true">
      <rect width={shape.width} height={shape.height} fill={ground ?? '#5d6f68'} />
      {ground === null && <Hills x={0} y={0} width={shape.width} height={shape.height} fill="#39463f" />}
      {plan.panel && (
        <>
          <rect {...plan.panel} fill={panelColor(template)} opacity={0.55} />
          <Hills {...plan.panel} fill="#39463f" />
        </>
      )}
      {plan.accents.map((box) => (
        <rect key={`${box.x} ${box.y} ${box.width}`} {...box} fill={accent?.color ?? color} />
      ))}
      {lines.map(({ text, x, y, sizePx }) => {
        const width = SKETCHED.measure(text, sizePx)
        const left = x - { left: 0, center: width / 2, right: width }[plan.align]
        return <rect key={y} x={left} y={y - sizePx * 0.66} width={width} height={sizePx * 0.56} fill={color} rx={4} />
      })}
    </svg>
  )
}

/** A picture, as a sketch has it. */
function Hills({ x, y, width, height, fill }: { x: number; y: number; width: number; height: number; fill: string }) {
  const at = (across: number, down: number) => `${x + across * width},${y + down * height}`
  return (
    <polygon
      points={[at(0, 1), at(0, 0.78), at(0.3, 0.42), at(0.55, 0.74), at(0.75, 0.52), at(1, 0.82), at(1, 1)].join(' ')}
      fill={fill}
    />
  )
}
