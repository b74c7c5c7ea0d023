import sharp from 'sharp'
import { lettering } from './lettering'
import { type MotifName, motifs, type PaletteName, palettes } from './motifs'

/** A picture of the site: what is on it, how large, how saved. */
export type Picture = {
  file: string
  width: number
  height: number
  motif: MotifName
  palette: PaletteName
  /** Where the thing stands, as shares of the picture; the middle when not given. */
  at?: [number, number]
  /** Size of the thing as a share of the shorter side. */
  scale?: number
  /** Lines of lettering: text, x and y as shares, size as a share of the height. */
  words?: { text: string; x: number; y: number; size: number }[]
  quality?: number
  /** Fine grain: makes a photograph heavy. */
  grain?: number
  transparent?: boolean
}

/** A small generator of numbers that gives the same ones each time. */
function numbers(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296
    return state / 4294967296
  }
}

const seedOf = (text: string) =>
  [...text].reduce((sum, character) => (sum * 31 + character.charCodeAt(0)) % 4294967296, 7)

/** Soft lights on the wall, so that a crop can be told from the whole. */
function lights(picture: Picture, colour: string): string {
  const next = numbers(seedOf(picture.file))
  return Array.from({ length: 7 }, () => {
    const [x, y, r] = [next() * picture.width, next() * picture.height * 0.7, (0.04 + next() * 0.12) * picture.width]
    return `<circle cx="${x}" cy="${y}" r="${r}" fill="${colour}" opacity="${0.05 + next() * 0.12}"/>`
  }).join('')
}

function sceneSvg(picture: Picture): string {
  const { width, height, transparent } = picture
  const p = palettes[picture.palette]
  const [atX, atY] = picture.at ?? [0.5, 0.5]
  const scale = ((picture.scale ?? 0.72) * Math.min(width, height)) / 360
  const [x, y] = [atX * width, atY * height]
  const tableY = Math.min(height, y + 148 * scale)
  const room = transparent
    ? ''
    : `<rect width="${width}" height="${height}" fill="url(#wall)"/><g filter="url(#soft)">${lights(picture, p.light)}</g>
      <rect y="${tableY}" width="${width}" height="${height}" fill="url(#table)"/>
      <ellipse cx="${x}" cy="${tableY + 6 * scale}" rx="${190 * scale}" ry="${22 * scale}" fill="#000" opacity=".35" filter="url(#soft)"/>`
  const words = (picture.words ?? []).map((word) =>
    lettering(word.text, word.x * width, word.y * height, word.size * height, '#fff'),
  )
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">
    <defs>
      <linearGradient id="wall" x1="0" y1="0" x2=".6" y2="1"><stop offset="0" stop-color="${p.light}"/><stop offset=".35" stop-color="${p.wall}"/><stop offset="1" stop-color="${p.table}"/></linearGradient>
      <linearGradient id="table" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="${p.table}"/><stop offset="1" stop-color="${p.main}"/></linearGradient>
      <filter id="soft" x="-50%" y="-50%" width="200%" height="200%"><feGaussianBlur stdDeviation="${10 * scale + 4}"/></filter>
      <radialGradient id="edge" cx=".5" cy=".45" r=".8"><stop offset=".55" stop-color="#000" stop-opacity="0"/><stop offset="1" stop-color="#000" stop-opacity=".4"/></radialGradient>
    </defs>
    ${room}
    <g transform="translate(${x} ${y}) scale(${scale})">${motifs[picture.motif](p)}</g>
    ${transparent ? '' : `<rect width="${width}" height="${height}" fill="url(#edge)"/>`}
    ${words.join('')}
  </svg>`
}

/** Grey noise with the same grains each time. */
function grainOf(picture: Picture): Buffer {
  const next = numbers(seedOf(picture.file) + 1)
  const pixels = Buffer.alloc(picture.width * picture.height * 4)
  const strength = picture.grain ?? 0.16
  for (let index = 0; index < pixels.length; index += 4) {
    const value = next() > 0.5 ? 255 : 0
    pixels.fill(value, index, index + 3)
    pixels[index + 3] = Math.round(next() * 255 * strength)
  }
  return pixels
}

/** Draws a picture and encodes it by its file name's ending. */
export async function encodePicture(picture: Picture): Promise<Buffer> {
  const svg = Buffer.from(sceneSvg(picture))
  if (picture.file.endsWith('.svg')) return svg
  const { width, height, quality = 80 } = picture
  const raw = { raw: { width, height, channels: 4 as const } }
  const scene = sharp(svg)
  const grained = picture.transparent ? scene : scene.composite([{ input: grainOf(picture), ...raw, blend: 'overlay' }])
  if (picture.file.endsWith('.png'))
    return grained.png({ palette: !picture.transparent, quality: 90, colours: 96 }).toBuffer()
  if (picture.file.endsWith('.webp')) return grained.webp({ quality }).toBuffer()
  return grained.flatten({ background: '#fff' }).jpeg({ quality, mozjpeg: true }).toBuffer()
}
