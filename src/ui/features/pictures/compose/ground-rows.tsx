'use client'

import type { Background, PictureTemplate } from '@/core/compose'
import { NumberField } from '../../../kit/number-field'
import { Choice, ColorField, Row, ShareField } from './template-row'

type Props = { template: PictureTemplate; change: (change: Partial<PictureTemplate>) => void }

const GROUNDS: { id: Background['kind']; name: string }[] = [
  { id: 'color', name: 'A colour' },
  { id: 'gradient', name: 'A gradient' },
  { id: 'picture', name: 'The page’s own picture' },
]
const SIDES = [
  { id: 'none', name: 'None' },
  { id: 'left', name: 'At the left' },
  { id: 'right', name: 'At the right' },
  { id: 'top', name: 'Above' },
  { id: 'bottom', name: 'Below' },
] as const
const ACCENTS = [
  { id: 'none', name: 'None' },
  { id: 'rule', name: 'A rule over the title' },
  { id: 'edge', name: 'A bar at the edge' },
  { id: 'frame', name: 'A frame' },
] as const

/** Colours that the grounds of other kinds begin with. */
function groundOf(kind: Background['kind'], now: Background): Background {
  const color = now.kind === 'color' ? now.color : now.kind === 'gradient' ? now.from : now.shade
  if (kind === 'color') return { kind, color }
  if (kind === 'gradient') return { kind, from: color, to: '#0e1b24', angle: 160 }
  return { kind, shade: color, strength: 0.55, blur: 0 }
}

/** What stands behind everything. */
export function GroundRows({ template: { background }, change }: Props) {
  const set = (next: Background) => change({ background: next })
  return (
    <Row name="Ground">
      <Choice
        name="Ground"
        value={background.kind}
        choices={GROUNDS}
        onChange={(kind) => set(groundOf(kind, background))}
      />
      {background.kind === 'color' && (
        <ColorField name="Ground colour" value={background.color} onChange={(color) => set({ ...background, color })} />
      )}
      {background.kind === 'gradient' && (
        <>
          <ColorField name="From" value={background.from} onChange={(from) => set({ ...background, from })} />
          <ColorField name="To" value={background.to} onChange={(to) => set({ ...background, to })} />
          <span className="flex w-full items-center gap-2 text-small text-quiet">
            Angle
            <NumberField
              name="Angle in degrees"
              value={background.angle}
              least={0}
              most={359}
              onChange={(angle) => set({ ...background, angle })}
            />
            °
          </span>
        </>
      )}
      {background.kind === 'picture' && (
        <>
          <ColorField name="Shade" value={background.shade} onChange={(shade) => set({ ...background, shade })} />
          <ShareField
            name="Shade"
            value={background.strength}
            most={1}
            step={0.05}
            onChange={(strength) => set({ ...background, strength })}
          />
          <ShareField
            name="Blur"
            value={background.blur}
            most={0.05}
            step={0.0025}
            onChange={(blur) => set({ ...background, blur })}
          />
        </>
      )}
    </Row>
  )
}

/** The page's own picture beside what is written, and what sets the title off. */
export function PanelRows({ template: { panel, accent }, change }: Props) {
  return (
    <>
      <Row name="Picture">
        <Choice
          name="Picture beside"
          value={panel?.side ?? 'none'}
          choices={SIDES}
          onChange={(side) => change({ panel: side === 'none' ? undefined : { side, share: panel?.share ?? 0.4 } })}
        />
        {panel && (
          <ShareField
            name="Share"
            value={panel.share}
            most={0.7}
            step={0.02}
            onChange={(share) => change({ panel: { ...panel, share: Math.max(0.2, share) } })}
          />
        )}
      </Row>
      <Row name="Accent">
        <Choice
          name="Accent"
          value={accent?.kind ?? 'none'}
          choices={ACCENTS}
          onChange={(kind) =>
            change({ accent: kind === 'none' ? undefined : { color: '#e0a33a', size: 10, ...accent, kind } })
          }
        />
        {accent && (
          <>
            <ColorField
              name="Colour of the accent"
              value={accent.color}
              onChange={(color) => change({ accent: { ...accent, color } })}
            />
            <NumberField
              name="Thickness of the accent, in px"
              value={accent.size}
              least={2}
              most={80}
              onChange={(size) => change({ accent: { ...accent, size } })}
            />
          </>
        )}
      </Row>
    </>
  )
}
