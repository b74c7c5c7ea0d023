import { escapeXml, measureText } from '../text'
import { boxFor, type Drawing, fillOf, inks, roundedPath, type Step, UNDERLINE_PX } from './drawing'

const FAMILY = 'Arimo, Arial, Helvetica, sans-serif'

/** Two places after the point are more than anybody sees. */
const px = (value: number) => String(Math.round(value * 100) / 100)

type TextStep = Extract<Step, { kind: 'text' }>

/** How the letters of an SVG get to where there may be no face for them. */
export type SvgLetters = {
  /** Rules of @font-face with the files inside. They are trusted: nothing of a page is in them. */
  fontFaces?: string
  /** A line as the path of its letters, in its place; null: it stays text. */
  outline?: (step: TextStep) => string | null
}

function textAsSvg(step: TextStep, { fontFaces, outline }: SvgLetters): string {
  const path = outline?.(step) ?? null
  const length = measureText(step.text, step.sizePx, step.weight)
  const line = step.underlined
    ? `<rect x="${px(step.x)}" y="${px(step.baseline + UNDERLINE_PX)}" width="${px(length)}" height="1" fill="${inks[step.ink]}"/>`
    : ''
  if (path !== null) {
    return `<path d="${path}" fill="${inks[step.ink]}"/>${line}`
  }
  // Opened where there is another face, the letters are set closer, and still stand where ours do.
  const fixed =
    length > 0 && fontFaces === undefined ? ` textLength="${px(length)}" lengthAdjust="spacingAndGlyphs"` : ''
  return `<text x="${px(step.x)}" y="${px(step.baseline)}" font-size="${px(step.sizePx)}" font-weight="${step.weight}" fill="${inks[step.ink]}"${fixed} xml:space="preserve">${escapeXml(step.text)}</text>${line}`
}

function stepAsSvg(step: Step, index: number, pictures: ReadonlyMap<string, string>, letters: SvgLetters): string {
  if (step.kind === 'text') return textAsSvg(step, letters)
  const box = `x="${px(step.x)}" y="${px(step.y)}" width="${px(step.width)}" height="${px(step.height)}"`
  if (step.kind === 'box') {
    const line = step.line ? ` stroke="${inks[step.line]}"${step.dashed ? ' stroke-dasharray="5 4"' : ''}` : ''
    return `<rect ${box} rx="${px(step.radius)}" fill="${escapeXml(fillOf(step.fill))}"${line}/>`
  }
  const outline = roundedPath(step)
  const source = pictures.get(step.picture)
  if (source === undefined) return `<path d="${outline}" fill="${inks[boxFor(step)]}"/>`
  return `<clipPath id="p${index}"><path d="${outline}"/></clipPath><image ${box} preserveAspectRatio="xMidYMid slice" clip-path="url(#p${index})" href="${escapeXml(source)}"/>`
}

/**
 * A drawing as SVG 1.1, with its pictures inside.
 * @param pictures data: addresses by their keys
 */
export function sheetAsSvg(
  { widthPx, heightPx, steps }: Drawing,
  pictures: ReadonlyMap<string, string>,
  letters: SvgLetters = {},
): string {
  const inside = steps.map((step, index) => stepAsSvg(step, index, pictures, letters)).join('\n')
  const faces = letters.fontFaces ? `<style>${letters.fontFaces}</style>\n` : ''
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${px(widthPx)}" height="${px(heightPx)}" viewBox="0 0 ${px(widthPx)} ${px(heightPx)}" font-family="${FAMILY}">\n${faces}${inside}\n</svg>\n`
}
