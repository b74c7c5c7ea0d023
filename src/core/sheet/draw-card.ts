import { WIDE_RATIO } from '../image'
import {
  type BoxFigure,
  CARD_PADDING_PX,
  type Card,
  type CardPart,
  type Face,
  isPlainColour,
  NATURAL_PX,
  richDetails,
  type Surface,
  THUMBNAIL_PX,
} from '../surface'
import { fitText, type Weight } from '../text'
import { baselineOf, type Corners, type Drawing, type Ink, type Region, type Step } from './drawing'

const RADIUS_PX = 7
/** Radius of a picture inside the line of the card. */
const INNER_PX = RADIUS_PX - 1
const LINE_HEIGHT = 1.3
const SITE_LINE = { sizePx: 12, lineHeightPx: 17, gapPx: 3 }
const ICON = { sizePx: 18, radius: 4, gapPx: 7 }
const SWATCH_PX = 11
const DETAILS = { sizePx: 13, lineHeightPx: 18, gapPx: 4, lines: 2 }
/** A tab: the strip round it, the icon in it. */
const TAB = { marginPx: 8, paddingPx: 9, iconPx: 16, gapPx: 7 }
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
  image: {
    url: string | null
    crop?: { width: number; height: number } | null | undefined
    unseen?: true | undefined
  }
  favicon?: { url: string } | null | undefined
  themeColor?: string | null | undefined
  /** Fields of a rich layout, as the place shows them. Absent: those of `rich`. */
  details?: readonly string[] | undefined
  rich?: Pick<NonNullable<Card['rich']>, 'kind' | 'fields' | 'lacks'> | null | undefined
}

/** A card as it is drawn, and where its parts are on it. */
export type CardDrawing = Drawing & { regions: Region[] }

/** A card in short is drawn as the whole card: its texts are what is shown, an ellipsis where they are cut. */
export function drawnFace(face: Face): DrawnCard {
  const asShown = (text: string): DrawnText => ({ text, shown: text, cut: false })
  const isUnseen = face.image !== null && face.pictureFault !== null
  return {
    layout: face.layout,
    bareBecause: face.bareBecause,
    title: asShown(face.title),
    description: asShown(face.description),
    siteLine: face.siteLine,
    // Rows that were stored before places had labels have none.
    labels: face.labels ?? [],
    image: {
      url: face.image,
      crop: face.ratio === null ? null : { width: face.ratio, height: 1 },
      ...(isUnseen ? { unseen: true } : {}),
    },
    favicon: face.favicon === null ? null : { url: face.favicon },
    themeColor: face.themeColor,
    details: face.rich?.shown ?? [],
  }
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
  readonly regions: Region[] = []

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

  /** What was put since `top` is one part of the card; outlined where it is marked. */
  part(part: CardPart, top: number, marked: CardOptions['marked']): void {
    const { x, width, y } = this
    this.regions.push({ part, x, y: top, width, height: y - top })
    if (!marked?.has(part)) return
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
  name: 'title' | 'description',
  part: DrawnText,
  box: BoxFigure | null,
  marked: CardOptions['marked'],
  underlined: boolean,
): void {
  if (!box || part.text === null || part.shown === '') return
  const top = column.y
  const ink = name === 'title' ? 'ink' : 'quiet'
  // A document may leave the lines out: what it shows breaks again where it broke.
  const lines = part.lines ?? fitText(part.shown, { ...box, lines: MOST_LINES }).lines
  for (const [index, line] of lines.entries()) {
    const text = part.cut && index === lines.length - 1 ? `${line}…` : line
    column.line(text, box.sizePx, box.weight, box.sizePx * LINE_HEIGHT, ink, column.x, underlined)
  }
  column.part(name, top, marked)
}

function putLabels(column: Column, labels: Card['labels'], marked: CardOptions['marked']): void {
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
  column.part('labels', top, marked)
}

/** Fields of a rich layout, in one row after the other. */
function putDetails(column: Column, details: readonly string[]): void {
  if (details.length === 0) return
  const { sizePx, lineHeightPx, gapPx, lines: most } = DETAILS
  column.y += gapPx
  const { lines, cut } = fitText(details.join(' · '), { sizePx, weight: 400, widthPx: column.width, lines: most })
  for (const [index, line] of lines.entries())
    column.line(cut && index === lines.length - 1 ? `${line}…` : line, sizePx, 400, lineHeightPx, 'quiet')
}

const icon = (x: number, y: number, sizePx: number, picture: string): Step => ({
  kind: 'picture',
  x,
  y,
  width: sizePx,
  height: sizePx,
  corners: [ICON.radius, ICON.radius, ICON.radius, ICON.radius],
  picture,
  isIcon: true,
})

/** The icon of the site, the colour of the page, and whose page it is. */
function putSiteLine(column: Column, card: DrawnCard, surface: Surface, { keyOf, marked }: CardOptions): void {
  if (card.siteLine === null) return
  const top = column.y
  const hasIcon = surface.favicon && card.favicon
  const lineHeightPx = hasIcon ? ICON.sizePx : SITE_LINE.lineHeightPx
  let x = column.x
  if (hasIcon) {
    column.steps.push(icon(x, top, ICON.sizePx, keyOf(card.favicon!.url)))
    x += ICON.sizePx + ICON.gapPx
  }
  // A document of another writer may say anything.
  if (card.themeColor && isPlainColour(card.themeColor)) {
    const y = top + (lineHeightPx - SWATCH_PX) / 2
    const fill = { css: card.themeColor }
    column.steps.push({ kind: 'box', x, y, width: SWATCH_PX, height: SWATCH_PX, radius: 2, fill, line: 'line' })
    x += SWATCH_PX + ICON.gapPx
  }
  const room = column.x + column.width - x
  column.line(firstLine(card.siteLine, SITE_LINE.sizePx, 400, room), SITE_LINE.sizePx, 400, lineHeightPx, 'quiet', x)
  column.part('siteLine', top, marked)
  column.y += SITE_LINE.gapPx
}

/** As much of a text as one line holds, with an ellipsis where there is more. */
export function firstLine(text: string, sizePx: number, weight: Weight, widthPx: number): string {
  const { shown, cut } = fitText(text, { sizePx, weight, widthPx, lines: 1 })
  return cut ? `${shown}…` : shown
}

function drawPlain(card: DrawnCard, { marked }: CardOptions): CardDrawing {
  const column = new Column(CARD_PADDING_PX, CARD_PADDING_PX, PLAIN_PX - 2 * CARD_PADDING_PX)
  const { lines, cut } = fitText(card.title.text ?? '', {
    sizePx: 13,
    weight: 400,
    widthPx: column.width,
    lines: PLAIN_LINES,
  })
  for (const [index, line] of lines.entries())
    column.line(cut && index === lines.length - 1 ? `${line}…` : line, 13, 400, 18, 'ink')
  column.part('title', CARD_PADDING_PX, marked)
  const because = `${card.layout === 'not-listed' ? 'Not listed.' : 'A bare link.'} ${card.bareBecause ?? ''}`
  const why = fitText(because.trim(), { sizePx: 12, weight: 400, widthPx: column.width, lines: PLAIN_LINES })
  for (const [index, line] of why.lines.entries())
    column.line(why.cut && index === why.lines.length - 1 ? `${line}…` : line, 12, 400, 18, 'quiet')
  const heightPx = column.y + CARD_PADDING_PX
  const steps: Step[] = [ground(PLAIN_PX, heightPx), ...column.steps, edge(PLAIN_PX, heightPx, true)]
  return { widthPx: PLAIN_PX, heightPx, steps, regions: column.regions }
}

/** One line with an icon, as wide as it is there. */
function drawTab(card: DrawnCard, box: BoxFigure, { keyOf, marked }: CardOptions): CardDrawing {
  const { marginPx, paddingPx, iconPx, gapPx } = TAB
  const widthPx = 2 * (marginPx + paddingPx) + iconPx + gapPx + box.widthPx
  const heightPx = 2 * (marginPx + paddingPx) + iconPx
  const [x, y] = [marginPx + paddingPx, marginPx + paddingPx]
  const column = new Column(x + iconPx + gapPx, y, box.widthPx)
  const text = card.title.cut ? `${card.title.shown}…` : card.title.shown
  column.line(firstLine(text, box.sizePx, box.weight, box.widthPx), box.sizePx, box.weight, iconPx, 'ink')
  column.part('title', y, marked)
  const inner = { x: marginPx, y: marginPx, width: widthPx - 2 * marginPx, height: heightPx - 2 * marginPx }
  const steps: Step[] = [
    ground(widthPx, heightPx, 'soft'),
    { kind: 'box', ...inner, radius: 5, fill: 'card' },
    ...(card.favicon ? [icon(x, y, iconPx, keyOf(card.favicon.url))] : []),
    ...column.steps,
    edge(widthPx, heightPx),
  ]
  return { widthPx, heightPx, steps, regions: column.regions }
}

const ground = (width: number, height: number, fill: Ink = 'card'): Step => ({
  kind: 'box',
  x: 0,
  y: 0,
  width,
  height,
  radius: RADIUS_PX,
  fill,
})

/** The line round a card, over what is on it. All of it is inside of the drawing. */
const edge = (width: number, height: number, dashed = false): Step => ({
  kind: 'box',
  x: 0.5,
  y: 0.5,
  width: width - 1,
  height: height - 1,
  radius: RADIUS_PX - 0.5,
  line: 'line',
  ...(dashed ? { dashed: true } : {}),
})

const UNSEEN_PX = 13

/** In place of a picture that was not seen: a box that says so. */
const unseenPicture = (x: number, y: number, width: number, height: number, radius: number): Step[] => [
  { kind: 'box', x, y, width, height, radius, fill: 'soft', line: 'quiet', dashed: true },
  { kind: 'text', x: x + 8, baseline: y + height / 2, text: 'Not seen', sizePx: UNSEEN_PX, weight: 600, ink: 'quiet' },
]

/** A place that shows an icon and no site line shows a page as a tab. */
const isTab = ({ siteLine, favicon }: Surface) => siteLine === 'none' && favicon

/** How wide a place draws its usual card, in px: the large one where it has such, else the one with a small picture. */
export function cardWidth(surface: Surface): number {
  const { wide, natural, thumbnail, text } = surface.boxes
  const textPx = ((wide ?? natural ?? thumbnail ?? text).title ?? text.title)?.widthPx ?? PLAIN_PX
  if (isTab(surface)) return 2 * (TAB.marginPx + TAB.paddingPx) + TAB.iconPx + TAB.gapPx + textPx
  return textPx + 2 * CARD_PADDING_PX + (!wide && !natural && thumbnail ? THUMBNAIL_PX : 0)
}

/** A card at its true size, as steps: the lines that the place breaks its texts into, the part that it keeps of a picture. */
export function drawCard(card: DrawnCard, surface: Surface, options: CardOptions): CardDrawing {
  const { keyOf, marked } = options
  if (card.layout === 'bare' || card.layout === 'not-listed') return drawPlain(card, options)
  const boxes = surface.boxes[card.layout] ?? surface.boxes.text
  if (isTab(surface) && boxes.title) return drawTab(card, boxes.title, options)
  const isTextFirst = surface.textFirst === true
  const { url, crop } = card.image
  const isBeside = card.layout === 'thumbnail' && url !== null
  const isLarge = (card.layout === 'wide' || card.layout === 'natural') && url !== null
  const textPx = (boxes.title?.widthPx ?? PLAIN_PX) + 2 * CARD_PADDING_PX
  const widthPx = textPx + (isBeside ? THUMBNAIL_PX : 0)
  const steps: Step[] = []
  const regions: Region[] = []
  const putPicture = (x: number, y: number, width: number, height: number, corners: Corners) => {
    regions.push({ part: 'image', x, y, width, height })
    if (card.image.unseen) steps.push(...unseenPicture(x, y, width, height, Math.max(...corners)))
    else steps.push({ kind: 'picture', x, y, width, height, corners, picture: keyOf(url!) })
    if (marked?.has('image'))
      steps.push({
        kind: 'box',
        x: x + 1,
        y: y + 1,
        width: width - 2,
        height: height - 2,
        radius: 0,
        line: 'ink',
        dashed: true,
      })
  }
  const ratio = card.layout === 'natural' && crop ? crop.width / crop.height : WIDE_RATIO
  const above = isLarge && !isTextFirst ? widthPx / ratio : 0
  if (above > 0) putPicture(0, 0, widthPx, above, [INNER_PX, INNER_PX, 0, 0])
  const left = isBeside && !isTextFirst ? THUMBNAIL_PX : 0
  const column = new Column(left + CARD_PADDING_PX, above + CARD_PADDING_PX, textPx - 2 * CARD_PADDING_PX)
  putSiteLine(column, card, surface, options)
  putText(column, 'title', card.title, boxes.title, marked, surface.isListing)
  putText(column, 'description', card.description, boxes.description, marked, false)
  putDetails(column, card.details ?? richDetails(card.rich ?? null, surface))
  if (surface.labels) putLabels(column, card.labels, marked)
  if (isLarge && isTextFirst) {
    const width = Math.min(NATURAL_PX, column.width)
    column.y += GAP_BEFORE_PICTURE_PX
    putPicture(column.x, column.y, width, width / ratio, [5, 5, 5, 5])
    column.y += width / ratio
  }
  const heightPx = Math.max(column.y + CARD_PADDING_PX, isBeside ? THUMBNAIL_PX : 0)
  if (isBeside) {
    const low = heightPx > THUMBNAIL_PX ? 0 : INNER_PX
    if (isTextFirst) putPicture(widthPx - THUMBNAIL_PX, 0, THUMBNAIL_PX, THUMBNAIL_PX, [0, INNER_PX, low, 0])
    else putPicture(0, 0, THUMBNAIL_PX, THUMBNAIL_PX, [INNER_PX, 0, 0, low])
  }
  return {
    widthPx,
    heightPx,
    steps: [ground(widthPx, heightPx), ...steps, ...column.steps, edge(widthPx, heightPx)],
    regions: [...regions, ...column.regions],
  }
}
