import { InvalidArgumentError } from 'commander'
import type { Fill, Focus, Shape } from '@/core/image'

/** A side longer than this is a slip: no place shows a tenth of it. */
const MAX_SIDE = 10_000

/** `1200x630`. */
export function shapeOf(text: string): Shape {
  const found = /^(\d+)[x×](\d+)$/.exec(text.trim())
  const [width, height] = [Number(found?.[1]), Number(found?.[2])]
  if (!found || width < 1 || height < 1 || width > MAX_SIDE || height > MAX_SIDE)
    throw new InvalidArgumentError(`Write width and height in pixels, each from 1 to ${MAX_SIDE}, as 1200x630.`)
  return { width, height }
}

/** `0.47,0.52`. */
export function focusOf(text: string): Focus {
  const parts = text.split(',').map(Number)
  const [x, y] = parts
  if (parts.length !== 2 || !parts.every((part) => part >= 0 && part <= 1))
    throw new InvalidArgumentError('Write two numbers from 0 to 1, as 0.47,0.52.')
  return { x: x!, y: y! }
}

/** `crop`, `extend`, `blur`, or a colour. */
export function fillOf(text: string): Fill {
  if (text === 'crop' || text === 'extend' || text === 'blur') return { kind: text }
  if (/^#[0-9a-f]{6}$/i.test(text)) return { kind: 'color', color: text.toLowerCase() }
  throw new InvalidArgumentError('Write crop, extend, blur, or a colour as #1a2b3c.')
}

const UNITS: Record<string, number> = { '': 1, b: 1, kb: 1000, mb: 1_000_000, kib: 1024, mib: 1_048_576 }

/** `100kB` is 100,000 bytes, `100KiB` 102,400. */
export function bytesOf(text: string): number {
  const found = /^(\d+(?:\.\d+)?)\s*([a-z]*)$/i.exec(text.trim())
  const unit = UNITS[(found?.[2] ?? 'none').toLowerCase()]
  const bytes = Math.floor(Number(found?.[1]) * (unit ?? Number.NaN))
  if (!(bytes > 0)) throw new InvalidArgumentError('Write a weight, as 100kB, 0.5MB or 120000.')
  return bytes
}
