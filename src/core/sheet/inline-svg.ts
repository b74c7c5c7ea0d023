import { escapeText, escapeXml, measureText } from '../text'
import { boxFor, type Drawing, fillOf, inks, roundedPath, type Step, UNDERLINE_PX } from './drawing'

const px = (value: number) => String(Math.round(value * 10) / 10)

function stepInline(step: Step, idOf: (picture: string) => string | null): string {
  if (step.kind === 'text') {
    const length = measureText(step.text, step.sizePx, step.weight)
    const fixed = length > 0 ? ` textLength="${px(length)}" lengthAdjust="spacingAndGlyphs"` : ''
    const weight = step.weight === 400 ? '' : ` font-weight="${step.weight}"`
    const line = step.underlined
      ? `<rect x="${px(step.x)}" y="${px(step.baseline + UNDERLINE_PX)}" width="${px(length)}" height="1" fill="${inks[step.ink]}"/>`
      : ''
    return `<text x="${px(step.x)}" y="${px(step.baseline)}" font-size="${step.sizePx}"${weight} fill="${inks[step.ink]}"${fixed}>${escapeXml(step.text)}</text>${line}`
  }
  const box = `x="${px(step.x)}" y="${px(step.y)}" width="${px(step.width)}" height="${px(step.height)}"`
  if (step.kind === 'picture') {
    const outline = roundedPath(step)
    const id = idOf(step.picture)
    if (id === null) return `<path d="${outline}" fill="${inks[boxFor(step)]}"/>`
    if (step.corners.every((radius) => radius === 0)) return `<use href="#${id}" ${box}/>`
    // Called by its shape: cards of one kind share it, and whichever of them a reader takes is the same.
    const clip = `k${outline.replace(/[^\dA-Z]+/g, '-')}`
    return `<clipPath id="${clip}"><path d="${outline}"/></clipPath><use href="#${id}" ${box} clip-path="url(#${clip})"/>`
  }
  const round = step.radius > 0 ? ` rx="${step.radius}"` : ''
  const line = step.line ? ` stroke="${inks[step.line]}"${step.dashed ? ' stroke-dasharray="5 4"' : ''}` : ''
  return `<rect ${box}${round} fill="${escapeXml(fillOf(step.fill))}"${line}/>`
}

/**
 * A drawing inside an HTML page. Its pictures are told by the ids of symbols that the page holds once, however many cards
 * show them.
 *
 * @param name what it is of, for those who don't see it
 * @param idOf id of a picture's symbol; null: a grey box stands for it
 */
export function inlineSvg(
  { widthPx, heightPx, steps }: Drawing,
  name: string,
  idOf: (picture: string) => string | null,
): string {
  const inside = steps.map((step) => stepInline(step, idOf)).join('')
  const [width, height] = [px(widthPx), px(heightPx)]
  return `<svg role="img" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}"><title>${escapeText(name)}</title>${inside}</svg>`
}

/** Pictures as symbols, each filling whatever box it is used in. @param pictures data: addresses by id, with their sizes */
export const pictureSymbols = (
  pictures: readonly { id: string; source: string; width: number; height: number }[],
): string =>
  pictures
    .map(
      ({ id, source, width, height }) =>
        `<symbol id="${id}" viewBox="0 0 ${width} ${height}" preserveAspectRatio="xMidYMid slice"><image width="${width}" height="${height}" href="${escapeXml(source)}"/></symbol>`,
    )
    .join('')
