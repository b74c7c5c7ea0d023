import type { CardPart } from '../surface'
import type { Weight } from '../text'

/** Radii of a box's corners in px: upper left, upper right, lower right, lower left. */
export type Corners = readonly [number, number, number, number]

/** One step of a drawing, in px from its upper left corner. They are painted in their order. */
export type Step =
  | {
      kind: 'box'
      x: number
      y: number
      width: number
      height: number
      radius: number
      /** A colour of ours by what it is for, or one that the page gives (checked to be a colour and nothing else). */
      fill?: Ink | { css: string }
      line?: Ink
      dashed?: true
    }
  | {
      kind: 'text'
      x: number
      baseline: number
      text: string
      sizePx: number
      weight: Weight
      ink: Ink
      underlined?: true
    }
  /** A picture that covers its box, cut off evenly. `picture` is a key that the painter knows; a box stands for one that it doesn't. */
  | {
      kind: 'picture'
      x: number
      y: number
      width: number
      height: number
      corners: Corners
      picture: string
      /** What it is of the card: an icon beside its site line is no share image. */
      isIcon?: true
    }

/** Colours by what they are for: a sheet is light, whatever theme the app has. */
export const inks = {
  ground: '#edf1ed',
  card: '#ffffff',
  line: '#d5ddd7',
  ink: '#1c2723',
  quiet: '#5c6863',
  soft: '#f5f7f4',
} as const
export type Ink = keyof typeof inks

export type Drawing = { widthPx: number; heightPx: number; steps: Step[] }

/** Where a part of a card is, in px of its drawing. */
export type Region = { part: CardPart; x: number; y: number; width: number; height: number }

/** In place of a picture that there is no copy of: a grey box; of an icon a pale one, since no place shows a dark square there. */
export const boxFor = ({ isIcon }: Extract<Step, { kind: 'picture' }>): Ink => (isIcon ? 'soft' : 'line')

/** The colour that a box is filled with, as CSS writes it. */
export const fillOf = (fill: Ink | { css: string } | undefined): string =>
  fill === undefined ? 'none' : typeof fill === 'string' ? inks[fill] : fill.css

const px = (value: number) => String(Math.round(value * 100) / 100)

/** A box with its corners rounded, as the path of an SVG. */
export function roundedPath({
  x,
  y,
  width,
  height,
  corners: [a, b, c, d],
}: Extract<Step, { kind: 'picture' }>): string {
  const arc = (radius: number, toX: number, toY: number) =>
    radius > 0 ? `A${px(radius)} ${px(radius)} 0 0 1 ${px(toX)} ${px(toY)}` : ''
  const [right, bottom] = [x + width, y + height]
  return [
    `M${px(x + a)} ${px(y)}H${px(right - b)}${arc(b, right, y + b)}`,
    `V${px(bottom - c)}${arc(c, right - c, bottom)}H${px(x + d)}${arc(d, x, bottom - d)}`,
    `V${px(y + a)}${arc(a, x + a, y)}Z`,
  ].join('')
}

/** The drawing's steps at another place. */
export function movedBy({ steps }: Drawing, x: number, y: number): Step[] {
  return steps.map((step) =>
    step.kind === 'text'
      ? { ...step, x: step.x + x, baseline: step.baseline + y }
      : { ...step, x: step.x + x, y: step.y + y },
  )
}

/** How far below its baseline a line of text is underlined, in px. */
export const UNDERLINE_PX = 2

/** Distance of the baseline from the top of a line, in type sizes: Arimo stands 0.905 over it and 0.212 under it. */
const ASCENT = 0.905
const DESCENT = 0.212

/** Where the letters of a line stand whose top is at `top`, in px. */
export const baselineOf = (top: number, sizePx: number, lineHeightPx: number): number =>
  top + (lineHeightPx - (ASCENT + DESCENT) * sizePx) / 2 + ASCENT * sizePx
