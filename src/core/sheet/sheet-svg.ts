import { escapeXml, measureText } from '../text'
import { type Drawing, inks, type Step } from './drawing'

const FAMILY = 'Arimo, Arial, Helvetica, sans-serif'

/** Two places after the point are more than anybody sees. */
const px = (value: number) => String(Math.round(value * 100) / 100)

function stepAsSvg(step: Step, index: number, pictures: ReadonlyMap<string, string>): string {
  if (step.kind === 'text') {
    // It may be opened where there is another face: the letters are then set closer, and still stand where ours do.
    const length = measureText(step.text, step.sizePx, step.weight)
    const fixed = length > 0 ? ` textLength="${px(length)}" lengthAdjust="spacingAndGlyphs"` : ''
    const underline = step.underlined ? ' text-decoration="underline"' : ''
    return `<text x="${px(step.x)}" y="${px(step.baseline)}" font-size="${px(step.sizePx)}" font-weight="${step.weight}" fill="${inks[step.ink]}"${underline}${fixed} xml:space="preserve">${escapeXml(step.text)}</text>`
  }
  const box = `x="${px(step.x)}" y="${px(step.y)}" width="${px(step.width)}" height="${px(step.height)}"`
  if (step.kind === 'box') {
    const line = step.line ? ` stroke="${inks[step.line]}"${step.dashed ? ' stroke-dasharray="5 4"' : ''}` : ''
    return `<rect ${box} rx="${px(step.radius)}" fill="${step.fill ? inks[step.fill] : 'none'}"${line}/>`
  }
  const source = pictures.get(step.picture)
  if (source === undefined) return `<rect ${box} rx="${px(step.radius)}" fill="${inks.line}"/>`
  return `<clipPath id="p${index}"><rect ${box} rx="${px(step.radius)}"/></clipPath><image ${box} preserveAspectRatio="xMidYMid slice" clip-path="url(#p${index})" href="${escapeXml(source)}"/>`
}

/**
 * A drawing as SVG 1.1, with its pictures inside.
 * @param pictures data: addresses by their keys
 */
export function sheetAsSvg({ widthPx, heightPx, steps }: Drawing, pictures: ReadonlyMap<string, string>): string {
  const inside = steps.map((step, index) => stepAsSvg(step, index, pictures)).join('\n')
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${px(widthPx)}" height="${px(heightPx)}" viewBox="0 0 ${px(widthPx)} ${px(heightPx)}" font-family="${FAMILY}">\n${inside}\n</svg>\n`
}
