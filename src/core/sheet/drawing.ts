import type { Weight } from '../text'

/** One step of a drawing, in px from its upper left corner. They are painted in their order. */
export type Step =
  | {
      kind: 'box'
      x: number
      y: number
      width: number
      height: number
      radius: number
      fill?: Ink
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
  | { kind: 'picture'; x: number; y: number; width: number; height: number; radius: number; picture: string }

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

/** The drawing's steps at another place. */
export function movedBy({ steps }: Drawing, x: number, y: number): Step[] {
  return steps.map((step) =>
    step.kind === 'text'
      ? { ...step, x: step.x + x, baseline: step.baseline + y }
      : { ...step, x: step.x + x, y: step.y + y },
  )
}

/** Distance of the baseline from the top of a line, in type sizes: Arimo stands 0.905 over it and 0.212 under it. */
const ASCENT = 0.905
const DESCENT = 0.212

/** Where the letters of a line stand whose top is at `top`, in px. */
export const baselineOf = (top: number, sizePx: number, lineHeightPx: number): number =>
  top + (lineHeightPx - (ASCENT + DESCENT) * sizePx) / 2 + ASCENT * sizePx
