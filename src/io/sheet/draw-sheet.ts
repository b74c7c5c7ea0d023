import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { type Drawing, facesNeeded, fontFaceRule, sheetAsSvg } from '@/core/sheet'
import type { PictureCopy } from '../decoder/decoder'
import { asDataAddress } from './data-address'
import { faceFiles } from './face-files'
import { outlineText } from './outline-text'

const inside = (pictures: ReadonlyMap<string, PictureCopy>) =>
  new Map([...pictures].map(([key, copy]) => [key, asDataAddress(copy)]))

/** Dots for a px of an SVG that says nothing of dots: 72 an inch. */
const DENSITY = 72
/** Pixels for one px of the drawing, so that letters stay sharp. */
const SHARP = 2
/** Longest side of a picture that every viewer opens, in pixels; the same as the app's canvas. */
const MAX_SIDE = 16_000

/** A drawing as SVG, with its pictures, and the parts of the face that its letters are in. */
export function sheetAsSvgFile(drawing: Drawing, pictures: ReadonlyMap<string, PictureCopy>): string {
  const rules = facesNeeded(drawing, faceFiles()).map((part) =>
    fontFaceRule(part, `data:font/woff2;base64,${readFileSync(part.file).toString('base64')}`),
  )
  return sheetAsSvg(drawing, inside(pictures), { fontFaces: rules.join('') })
}

/** Lines whose letters the face lacks: a face of the machine draws them, if it has one. */
export const linesOfOtherFaces = ({ steps }: Drawing): string[] =>
  steps.flatMap((step) => (step.kind === 'text' && outlineText(step) === null ? [step.text] : []))

/** A drawing as PNG, twice as fine as it is shown. What its face has no letters for, a face of the machine draws. */
export async function sheetAsPng(drawing: Drawing, pictures: ReadonlyMap<string, PictureCopy>): Promise<Uint8Array> {
  const { widthPx, heightPx } = drawing
  const scale = Math.min(SHARP, MAX_SIDE / widthPx, MAX_SIDE / heightPx)
  const svg = sheetAsSvg(drawing, inside(pictures), { outline: outlineText })
  // Large pictures inside make it longer than an XML parser takes from strangers. This one is ours, and all in it escaped.
  const made = sharp(Buffer.from(svg), { density: DENSITY * scale, unlimited: true })
  return new Uint8Array(await made.png({ compressionLevel: 9, palette: false }).toBuffer())
}
