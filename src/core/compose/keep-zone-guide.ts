import { type Crop, keepZone, type Shape } from '../image'
import type { GatheredImage } from '../model'
import { type CardKind, cropsFor, type Surface } from '../surface'
import { escapeXml } from '../text'

/** A picture of that shape of which nothing else is known. */
const blank = ({ width, height }: Shape): GatheredImage => ({
  url: '',
  status: 200,
  format: 'png',
  width,
  height,
  bytes: null,
  alpha: false,
  animated: false,
  hash: null,
  contentType: null,
  error: null,
  errorCode: null,
  iconOnly: false,
})

/** What each place cuts from a picture of a shape, on a page that asks for a card of this kind. */
const cropsOf = (shape: Shape, surfaces: readonly Surface[], kind: CardKind) =>
  cropsFor(blank(shape), surfaces, kind).flatMap((one) => (one.kind === 'kept' ? [one] : []))

/** The part of a picture of a shape that all of these places keep; null when they have none in common. */
export const keepZoneOf = (shape: Shape, surfaces: readonly Surface[], kind: CardKind): Crop | null =>
  keepZone(cropsOf(shape, surfaces, kind).map(({ crop }) => crop))

/**
 * A guide for drawing programs: what each place cuts from a picture of this shape, and the zone that all of them keep.
 *
 * @param kind the card that the pages ask for
 * @returns an SVG document, as large as the shape
 */
export function keepZoneGuide(shape: Shape, surfaces: readonly Surface[], kind: CardKind): string {
  const { width, height } = shape
  const kept = cropsOf(shape, surfaces, kind)
  const zone = keepZone(kept.map(({ crop }) => crop))
  const line = Math.max(1, Math.round(Math.min(width, height) / 315))
  const letters = Math.max(9, Math.round(Math.min(width, height) / 32))
  const byCrop = new Map<string, { crop: { x: number; y: number; width: number; height: number }; names: string[] }>()
  for (const { crop, surface } of kept) {
    const key = `${crop.x} ${crop.y} ${crop.width} ${crop.height}`
    byCrop.set(key, { crop, names: [...(byCrop.get(key)?.names ?? []), surface.name] })
  }
  const frames = [...byCrop.values()].map(
    ({ crop, names }, index) =>
      `  <rect x="${crop.x}" y="${crop.y}" width="${crop.width}" height="${crop.height}" fill="none" stroke="#2a5bd0" stroke-width="${line}" stroke-dasharray="${6 * line} ${4 * line}"/>\n` +
      `  <text x="${crop.x + letters}" y="${crop.y + crop.height - letters - index * letters * 1.4}">${escapeXml(names.join(', '))}</text>`,
  )
  const share = zone ? Math.round(((zone.width * zone.height) / (width * height)) * 100) : 0
  const inside = zone
    ? `  <rect x="${zone.x}" y="${zone.y}" width="${zone.width}" height="${zone.height}" fill="#0a7d4d" fill-opacity=".12" stroke="#0a7d4d" stroke-width="${2 * line}"/>\n` +
      `  <text x="${zone.x + letters}" y="${zone.y + letters * 1.8}" font-weight="bold" fill="#0a7d4d">Keep zone, ${share} %</text>`
    : '  <!-- No part is kept by all of these places. -->'
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="${letters}" fill="#2a5bd0">\n${[...frames, inside].join('\n')}\n</svg>\n`
}
