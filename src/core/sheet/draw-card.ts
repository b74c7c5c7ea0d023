import {
  type BoxFigure,
  CARD_PADDING_PX,
  type Card,
  type CardPart,
  NATURAL_PX,
  isTextFirst as putsTextFirst,
  type Surface,
  THUMBNAIL_PX,
} from '../surface'
import { fitText, type Weight } from '../text'
import { baselineOf, type Drawing, type Ink, type Step } from './drawing'

const RADIUS_PX = 7
const WIDE_RATIO = 1.91
const LINE_HEIGHT = 1.3
const SITE_LINE = { sizePx: 12, lineHeightPx: 17, gapPx: 3 }
const LABELS = { sizePx: 13, lineHeightPx: 18, gapPx: 6 }
const GAP_BEFORE_PICTURE_PX = 8
/** Width of a card that has no box of its own: a bare address. */
const PLAIN_PX = 400
const PLAIN_LINES = 3
/** More lines than any place shows. */
const MOST_LINES = 20

/** What is drawn of a text: as a card has it, or a document. */
type DrawnText = Pick<Card['title'], 'text' | 'shown' | 'cut'> & { lines?: readonly string[] | undefined }

/** What is drawn of a card: what documents of any writer have. */
export type DrawnCard = Pick<Card, 'layout' | 'siteLine' | 'labels'> & {
  bareBecause?: string | null | undefined
  title: DrawnText
  description: DrawnText
  image: { url: string | null; crop?: Card['image']['crop'] | undefined; unseen?: true | undefined }
}

export type CardOptions = {
  /** Key of a picture for the painter, by its address. */
  keyOf: (url: string) => string
  /** Parts that are outlined. */
  marked?: ReadonlySet<CardPart>
}

/** Puts steps one under the other. */
class Column {
  readonly steps: Step[] = []

  constructor(
    readonly x: number,
    public y: number,
    readonly width: number,
  ) {}

  line(
    text: string,
    sizePx: number,
    weight: Weight,
    lineHeightPx: number,
    ink: Ink,
    x = this.x,
    underlined = false,
  ): void {
    const baseline = baselineOf(this.y, sizePx, lineHeightPx)
    this.steps.push({
      kind: 'text',
      x,
      baseline,
      text,
      sizePx,
      weight,
      ink,
      ...(underlined ? { underlined: true } : {}),
    })
    this.y += lineHeightPx
  }

  /** Outlines what was put since `top`. */
  outline(top: number): void {
    const { x, width, y } = this
    this.steps.push({
      kind: 'box',
      x: x - 3,
      y: top,
      width: width + 6,
      height: y - top,
      radius: 2,
      line: 'ink',
      dashed: true,
    })
  }
}

function putText(
  column: Column,
  part: DrawnText,
  box: BoxFigure | null,
  ink: Ink,
  isMarked: boolean,
  underlined: boolean,
): void {
  if (!box || part.text === null || part.shown === '') return
  const top = column.y
  // A document may leave the lines out: what it shows breaks again where it broke.
  const lines = part.lines ?? fitText(part.shown, { ...box, lines: MOST_LINES }).lines
  for (const [index, line] of lines.entries()) {
    const text = part.cut && index === lines.length - 1 ? `${line}…` : line
    column.line(text, box.sizePx, box.weight, box.sizePx * LINE_HEIGHT, ink, column.x, underlined)
  }
  if (isMarked) column.outline(top)
}

function putLabels(column: Column, labels: Card['labels'], isMarked: boolean): void {
  if (labels.length === 0) return
  const { sizePx, lineHeightPx, gapPx } = LABELS
  column.y += gapPx
  const top = column.y
  for (const [index, { label, data }] of labels.entries()) {
    column.y = top
    const x = column.x + (index * column.width) / 2
    const width = column.width / 2 - 8
    for (const [text, weight, ink] of [
      [label, 600, 'ink'],
      [data, 400, 'quiet'],
    ] as const)
      column.line(firstLine(text, sizePx, weight, width), sizePx, weight, lineHeightPx, ink, x)
  }
  if (isMarked) column.outline(top)
}

/** As much of a text as one line holds, with an ellipsis where there is more. */
export function firstLine(text: string, sizePx: number, weight: Weight, widthPx: number): string {
  const { shown, cut } = fitText(text, { sizePx, weight, widthPx, lines: 1 })
  return cut ? `${shown}…` : shown
}

function drawPlain(card: DrawnCard): Drawing {
  const column = new Column(CARD_PADDING_PX, CARD_PADDING_PX, PLAIN_PX - 2 * CARD_PADDING_PX)
  const { lines, cut } = fitText(card.title.text ?? '', {
    sizePx: 13,
    weight: 400,
    widthPx: column.width,
    lines: PLAIN_LINES,
  })
  for (const [index, line] of lines.entries())
    column.line(cut && index === lines.length - 1 ? `${line}…` : line, 13, 400, 18, 'ink')
  const because = `${card.layout === 'not-listed' ? 'Not listed.' : 'A bare link.'} ${card.bareBecause ?? ''}`
  column.line(firstLine(because, 12, 400, column.width), 12, 400, 18, 'quiet')
  const heightPx = column.y + CARD_PADDING_PX
  return {
    widthPx: PLAIN_PX,
    heightPx,
    steps: [frame(PLAIN_PX, heightPx, true), ...column.steps],
  }
}

const frame = (width: number, height: number, dashed = false): Step => ({
  kind: 'box',
  x: 0,
  y: 0,
  width,
  height,
  radius: RADIUS_PX,
  fill: 'card',
  line: 'line',
  ...(dashed ? { dashed: true } : {}),
})

const UNSEEN_PX = 13

/** In place of a picture that was not seen: a box that says so. */
const unseenPicture = (x: number, y: number, width: number, height: number, radius: number): Step[] => [
  { kind: 'box', x, y, width, height, radius, fill: 'soft', line: 'quiet', dashed: true },
  { kind: 'text', x: x + 8, baseline: y + height / 2, text: 'Not seen', sizePx: UNSEEN_PX, weight: 600, ink: 'quiet' },
]

/** A card at its true size, as steps: the lines that the place breaks its texts into, the part that it keeps of a picture. */
export function drawCard(card: DrawnCard, surface: Surface, { keyOf, marked }: CardOptions): Drawing {
  if (card.layout === 'bare' || card.layout === 'not-listed') return drawPlain(card)
  const boxes = surface.boxes[card.layout] ?? surface.boxes.text
  const isTextFirst = putsTextFirst(surface.id)
  const { url, crop } = card.image
  const isBeside = card.layout === 'thumbnail' && url !== null
  const isLarge = (card.layout === 'wide' || card.layout === 'natural') && url !== null
  const textPx = (boxes.title?.widthPx ?? PLAIN_PX) + 2 * CARD_PADDING_PX
  const widthPx = textPx + (isBeside ? THUMBNAIL_PX : 0)
  const steps: Step[] = []
  const putPicture = (x: number, y: number, width: number, height: number, radius = 0) => {
    if (card.image.unseen) steps.push(...unseenPicture(x, y, width, height, radius))
    else steps.push({ kind: 'picture', x, y, width, height, radius, picture: keyOf(url!) })
    if (marked?.has('image'))
      steps.push({
        kind: 'box',
        x: x + 1,
        y: y + 1,
        width: width - 2,
        height: height - 2,
        radius,
        line: 'ink',
        dashed: true,
      })
  }
  const ratio = card.layout === 'natural' && crop ? crop.width / crop.height : WIDE_RATIO
  const above = isLarge && !isTextFirst ? widthPx / ratio : 0
  if (above > 0) putPicture(0, 0, widthPx, above)
  const left = isBeside && !isTextFirst ? THUMBNAIL_PX : 0
  const column = new Column(left + CARD_PADDING_PX, above + CARD_PADDING_PX, textPx - 2 * CARD_PADDING_PX)
  if (card.siteLine !== null) {
    const top = column.y
    column.line(
      firstLine(card.siteLine, SITE_LINE.sizePx, 400, column.width),
      SITE_LINE.sizePx,
      400,
      SITE_LINE.lineHeightPx,
      'quiet',
    )
    if (marked?.has('siteLine')) column.outline(top)
    column.y += SITE_LINE.gapPx
  }
  putText(column, card.title, boxes.title, 'ink', marked?.has('title') ?? false, surface.isListing)
  putText(column, card.description, boxes.description, 'quiet', marked?.has('description') ?? false, false)
  if (surface.labels) putLabels(column, card.labels, marked?.has('labels') ?? false)
  if (isLarge && isTextFirst) {
    const width = Math.min(NATURAL_PX, column.width)
    column.y += GAP_BEFORE_PICTURE_PX
    putPicture(column.x, column.y, width, width / ratio, 5)
    column.y += width / ratio
  }
  const heightPx = Math.max(column.y + CARD_PADDING_PX, isBeside ? THUMBNAIL_PX : 0)
  if (isBeside) putPicture(isTextFirst ? widthPx - THUMBNAIL_PX : 0, 0, THUMBNAIL_PX, Math.min(heightPx, THUMBNAIL_PX))
  return { widthPx, heightPx, steps: [frame(widthPx, heightPx), ...steps, ...column.steps] }
}
