import type { Crop, Shape } from '../image'
import type { Surface } from '../surface'
import { keepZoneOf } from './keep-zone-guide'
import { type Measure, setText } from './set-text'
import type { PictureTemplate } from './template'

/** What is written on one page's picture. */
export type ComposeTexts = { title: string; line: string; mark: string }

/** A face as far as laying out needs it. Ascent and descent are in type sizes. */
export type FaceMetrics = { measure: Measure; ascent: number; descent: number }

/** One line of text: `x` is its left edge, its middle or its right edge, as `align` says; `y` is its baseline. */
export type PlacedLine = { text: string; x: number; y: number; sizePx: number }

export type ComposePlan = {
  /** What all chosen places keep; null where they have no part in common. */
  zone: Crop | null
  /** Where the page's own picture stands beside what is written; null where the template has no panel. */
  panel: Crop | null
  /** Boxes in the accent's colour, beneath all that is written. */
  accents: Crop[]
  /** Box in which everything that is written lies, and the mark. */
  inside: Crop
  align: 'left' | 'center' | 'right'
  direction: 'ltr' | 'rtl'
  title: PlacedLine[]
  /** Around the title, for looking at what it stands on. */
  titleBox: Crop
  line: PlacedLine | null
  markText: PlacedLine | null
  markPicture: Crop | null
  /** The title has no room at its smallest. */
  isCut: boolean
}

/** Free room between the title and what stands above or beneath it, in px of a shape 630 high. */
const GAP = 28
/** Room between the mark's picture and the mark's text, in heights of the mark. */
const MARK_GAP = 0.4

const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u
const LETTER = /\p{L}/u

/** The direction of a text's first letter, as `dir=auto` has it. */
export function directionOf(text: string): 'ltr' | 'rtl' {
  const first = LETTER.exec(text)?.[0]
  return first && RIGHT_TO_LEFT.test(first) ? 'rtl' : 'ltr'
}

/** The panel, and what it leaves of the shape. */
function dividedBy({ shape, panel }: PictureTemplate): { panel: Crop | null; rest: Crop } {
  const whole = { x: 0, y: 0, ...shape }
  if (!panel) return { panel: null, rest: whole }
  const isBeside = panel.side === 'left' || panel.side === 'right'
  const size = Math.round(panel.share * (isBeside ? shape.width : shape.height))
  const own = isBeside ? { ...whole, width: size } : { ...whole, height: size }
  const left = isBeside ? { ...whole, width: shape.width - size } : { ...whole, height: shape.height - size }
  if (panel.side === 'right') return { panel: { ...own, x: shape.width - size }, rest: left }
  if (panel.side === 'bottom') return { panel: { ...own, y: shape.height - size }, rest: left }
  return { panel: own, rest: isBeside ? { ...left, x: size } : { ...left, y: size } }
}

/** What two boxes have in common; null where that is too narrow to write in. */
function common(a: Crop, b: Crop): Crop | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)]
  const width = Math.min(a.x + a.width, b.x + b.width) - x
  const height = Math.min(a.y + a.height, b.y + b.height) - y
  return width >= b.width / 4 && height >= b.height / 4 ? { x, y, width, height } : null
}

/** Four boxes that make a frame within a box. */
const frameIn = ({ x, y, width, height }: Crop, size: number): Crop[] => [
  { x, y, width, height: size },
  { x, y: y + height - size, width, height: size },
  { x, y, width: size, height },
  { x: x + width - size, y, width: size, height },
]

function insideOf(zone: Crop, margin: number): Crop {
  // A margin never takes more than a third of a side from each edge: something is always left to write on.
  const x = Math.min(margin, Math.floor(zone.width / 3))
  const y = Math.min(margin, Math.floor(zone.height / 3))
  return { x: zone.x + x, y: zone.y + y, width: zone.width - 2 * x, height: zone.height - 2 * y }
}

/** One line that must not be wider than its room: smaller type, and at half its size an ellipsis. */
function oneLine(text: string, sizePx: number, width: number, measure: Measure) {
  const room = { width, height: sizePx * 2, largest: sizePx, smallest: Math.ceil(sizePx / 2), lines: 1, leading: 1 }
  const set = setText(text, room, measure)
  return set.lines[0] === undefined ? null : { text: set.lines[0], sizePx: set.sizePx }
}

/**
 * Lays out one page's share picture: everything inside the part that every chosen place keeps.
 *
 * @param markSize of the mark's picture in its own px; null when there is none
 * @param surfaces all places; the template says which of them count
 */
export function composePlan(
  template: PictureTemplate,
  texts: ComposeTexts,
  markSize: Shape | null,
  face: FaceMetrics,
  surfaces: readonly Surface[],
): ComposePlan {
  const { shape } = template
  const chosen = template.places ? surfaces.filter(({ id }) => template.places!.includes(id)) : surfaces
  const zone = keepZoneOf(shape, chosen, 'summary_large_image')
  const { panel, rest } = dividedBy(template)
  const inside = insideOf((zone && common(zone, rest)) ?? rest, template.margin)
  const direction = directionOf(texts.title)
  const align = template.align === 'center' ? 'center' : direction === 'rtl' ? 'right' : 'left'
  const edge = { left: inside.x, center: inside.x + inside.width / 2, right: inside.x + inside.width }[align]
  const gap = (GAP * shape.height) / 630

  const mark = placeMark(template, texts.mark, markSize, inside, align, face)
  const markRoom = mark.height > 0 ? mark.height + gap : 0
  const second = template.line ? oneLine(texts.line, template.line.size, inside.width, face.measure) : null
  const secondRoom = second ? second.sizePx * (face.ascent + face.descent) + gap / 2 : 0
  const { title } = template
  const { accent } = template
  const ruleRoom = accent?.kind === 'rule' ? accent.size + gap * 0.75 : 0
  const room = { ...title, width: inside.width, height: Math.max(1, inside.height - markRoom - secondRoom - ruleRoom) }
  const set = setText(texts.title, room, face.measure)
  const step = set.sizePx * title.leading
  const height = set.lines.length === 0 ? 0 : step * (set.lines.length - 1) + set.sizePx * (face.ascent + face.descent)

  const from = inside.y + ruleRoom + (template.mark?.place === 'top' ? markRoom : 0)
  const free = Math.max(0, room.height - height)
  const top = from + { top: 0, middle: free / 2, bottom: free }[title.at]
  const lines = set.lines.map((text, index) => ({
    text,
    x: edge,
    y: top + set.sizePx * face.ascent + index * step,
    sizePx: set.sizePx,
  }))
  const under = top + height + gap / 2
  return {
    zone,
    panel,
    accents: accentsOf(template, { rest, inside, align, edge, top: top - ruleRoom }),
    inside,
    align,
    direction,
    title: lines,
    titleBox: { x: inside.x, y: top, width: inside.width, height },
    line: second && { ...second, x: edge, y: under + second.sizePx * face.ascent },
    markText: mark.text,
    markPicture: mark.picture,
    isCut: set.isCut,
  }
}

function accentsOf(
  { accent, margin }: PictureTemplate,
  {
    rest,
    inside,
    align,
    edge,
    top,
  }: { rest: Crop; inside: Crop; align: ComposePlan['align']; edge: number; top: number },
): Crop[] {
  if (!accent) return []
  const { kind, size } = accent
  if (kind === 'rule') {
    const width = Math.round(inside.width / 8)
    return [{ x: edge - { left: 0, center: width / 2, right: width }[align], y: top, width, height: size }]
  }
  if (kind === 'edge') return [{ ...rest, x: align === 'right' ? rest.x + rest.width - size : rest.x, width: size }]
  const rim = Math.round(margin / 3)
  return frameIn({ x: rest.x + rim, y: rest.y + rim, width: rest.width - 2 * rim, height: rest.height - 2 * rim }, size)
}

function placeMark(
  { mark, shape }: PictureTemplate,
  text: string,
  size: Shape | null,
  inside: Crop,
  align: 'left' | 'center' | 'right',
  face: FaceMetrics,
): { height: number; text: PlacedLine | null; picture: Crop | null } {
  if (!mark || (text === '' && !size)) return { height: 0, text: null, picture: null }
  // A mark never takes more than a third of the height, nor more than the width.
  let height = Math.min(mark.height, inside.height / 3, shape.height / 3)
  let width = size ? (size.width / size.height) * height : 0
  if (width > inside.width) {
    height *= inside.width / width
    width = inside.width
  }
  const gap = size && text !== '' ? height * MARK_GAP : 0
  const left = inside.width - width - gap
  // Beside a wide picture there may be no room to write: then the picture alone is the mark.
  const set =
    text === '' || left < height ? null : oneLine(text, height / (face.ascent + face.descent), left, face.measure)
  const textWidth = set ? face.measure(set.text, set.sizePx) : 0
  const whole = width + (set ? gap + textWidth : 0)
  const start = {
    left: inside.x,
    center: inside.x + (inside.width - whole) / 2,
    right: inside.x + inside.width - whole,
  }[align]
  const top = mark.place === 'top' ? inside.y : inside.y + inside.height - height
  const isRight = align === 'right'
  const textLeft = isRight ? start : start + width + gap
  return {
    height,
    picture: size ? { x: isRight ? start + whole - width : start, y: top, width, height } : null,
    text: set && {
      ...set,
      x: { left: textLeft, center: textLeft + textWidth / 2, right: textLeft + textWidth }[align],
      y: top + (height - set.sizePx * (face.ascent + face.descent)) / 2 + set.sizePx * face.ascent,
    },
  }
}
