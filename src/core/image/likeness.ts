/**
 * How alike two pictures look. A picture is kept as a small grey square (its *look*), of which two things are made: 64
 * bits that change little when a picture is resized, recompressed or cut (to find candidates), and patches that are
 * held side by side (to be sure: pictures from one template differ in a line of letters only).
 */

import { base64Of, bytesOfBase64 } from '../text'
import { WIDE_RATIO } from './crop'

/** Side of the grey square that stands for a picture. */
export const LOOK_SIDE = 48
/** Side of the patch whose frequencies give the bits. */
const PATCH = 32
/** Lowest frequencies that count, both ways. */
const LOW = 8
/** Bits in which two pictures that look the same may differ. */
const MAX_BITS = 7
/** Grey levels, of 255, by which the most different sixteenth of two patches may differ. */
const MAX_LEVELS = 11
/**
 * Grey levels, of 255, by which the most different square of 2 × 2 of two looks may differ where both pictures are of one
 * size: encoded again at a quality of 28 it is 4 (measured on pictures with words, 1200 × 630), another letter makes 9.
 */
const MAX_FINE = 7
/** Pictures of one template share their bits by the thousand: of one list so many are looked at, */
const MAX_OF_BUCKET = 64
/** and so many patches are held side by side for one picture. */
const MAX_HELD = 300
/** Below this spread of grey levels there is nothing to compare: plain areas all look the same. */
const MIN_SPREAD = 6

/** Tints are kept of so many squares both ways: a drawing in other colours is another picture. */
const TINT_SIDE = 6
/** Levels, of 255, by which the mean tint of two pictures that look the same may differ. */
const MAX_TINT = 9
const GREYS = LOOK_SIDE ** 2
const TINTS = TINT_SIDE ** 2
const LOOK_BYTES = GREYS + 2 * TINTS

/**
 * A picture stretched to {@link LOOK_SIDE} squared: grey levels row by row, then the mean blue and red tints (Cb and Cr of
 * ITU-R BT.601, 128 is none) of each of six by six squares.
 */
export type Look = Uint8Array

/** A look as text, as it is kept beside a picture. */
export const lookAsText = (look: Look): string => base64Of(look)

/** The look that a text keeps; null when it keeps none. */
export function lookFromText(text: string | null | undefined): Look | null {
  const bytes = text ? bytesOfBase64(text) : null
  return bytes?.length === LOOK_BYTES ? bytes : null
}

/** The look of RGBA pixels, {@link LOOK_SIDE} squared of them, drawn on white. */
export function lookOfPixels(rgba: Uint8ClampedArray | Uint8Array): Look {
  const look = new Uint8Array(LOOK_BYTES)
  const [blue, red] = [new Float64Array(TINTS), new Float64Array(TINTS)]
  const step = LOOK_SIDE / TINT_SIDE
  for (let index = 0; index < GREYS; index++) {
    const at = index * 4
    const alpha = rgba[at + 3]! / 255
    const [r, g, b] = [0, 1, 2].map((part) => rgba[at + part]! * alpha + 255 * (1 - alpha)) as [number, number, number]
    const grey = 0.299 * r + 0.587 * g + 0.114 * b
    look[index] = Math.round(grey)
    const square = Math.floor(index / LOOK_SIDE / step) * TINT_SIDE + Math.floor((index % LOOK_SIDE) / step)
    blue[square]! += (0.564 * (b - grey)) / step ** 2
    red[square]! += (0.713 * (r - grey)) / step ** 2
  }
  for (let square = 0; square < TINTS; square++) {
    look[GREYS + square] = Math.round(128 + blue[square]!)
    look[GREYS + TINTS + square] = Math.round(128 + red[square]!)
  }
  return look
}

/** Mean tints of a part, of the squares whose middle lies in it. */
function tintOf(look: Look, part: Part): [number, number] {
  let [blue, red, count] = [0, 0, 0]
  for (let square = 0; square < TINTS; square++) {
    const x = ((square % TINT_SIDE) + 0.5) / TINT_SIDE
    const y = (Math.floor(square / TINT_SIDE) + 0.5) / TINT_SIDE
    if (x < part.x || x > part.x + part.width || y < part.y || y > part.y + part.height) continue
    blue += look[GREYS + square]!
    red += look[GREYS + TINTS + square]!
    count++
  }
  return [blue / Math.max(1, count), red / Math.max(1, count)]
}

function isSameTint(a: [number, number], b: [number, number]): boolean {
  return Math.abs(a[0] - b[0]) <= MAX_TINT && Math.abs(a[1] - b[1]) <= MAX_TINT
}

/** A part of a look, 0 to 1 from left and top. */
type Part = { x: number; y: number; width: number; height: number }

/** The part as a square patch, each pixel the mean of what it covers. */
function patchOf(look: Look, part: Part): Float64Array {
  const patch = new Float64Array(PATCH * PATCH)
  const most = LOOK_SIDE - 1
  for (let row = 0; row < PATCH; row++) {
    const y = Math.max(0, (part.y + ((row + 0.5) / PATCH) * part.height) * LOOK_SIDE - 0.5)
    const top = Math.floor(y)
    const upper = Math.min(most, top) * LOOK_SIDE
    const lower = Math.min(most, top + 1) * LOOK_SIDE
    for (let column = 0; column < PATCH; column++) {
      const x = Math.max(0, (part.x + ((column + 0.5) / PATCH) * part.width) * LOOK_SIDE - 0.5)
      const left = Math.floor(x)
      const right = Math.min(most, left + 1)
      const over = x - left
      const above = look[upper + left]! * (1 - over) + look[upper + right]! * over
      const below = look[lower + left]! * (1 - over) + look[lower + right]! * over
      patch[row * PATCH + column] = above * (1 - (y - top)) + below * (y - top)
    }
  }
  return patch
}

/** Cosines of the discrete cosine transform (type II), once. */
const COSINES = Array.from({ length: LOW + 1 }, (_, frequency) =>
  Float64Array.from({ length: PATCH }, (_, index) => Math.cos((Math.PI * frequency * (2 * index + 1)) / (2 * PATCH))),
)

/** 64 bits: is each of the low frequencies above their median? As two halves, since JavaScript counts in 32 bits. */
type Bits = readonly [number, number]

function bitsOf(patch: Float64Array): Bits {
  // Along the rows first, then down the columns: a sixth of the work of both at once.
  const rows = COSINES.slice(1).map((cosine) =>
    Float64Array.from({ length: PATCH }, (_, row) => {
      let sum = 0
      for (let column = 0; column < PATCH; column++) sum += patch[row * PATCH + column]! * cosine[column]!
      return sum
    }),
  )
  const values: number[] = []
  for (let down = 1; down <= LOW; down++) {
    for (const line of rows) {
      let sum = 0
      for (let row = 0; row < PATCH; row++) sum += line[row]! * COSINES[down]![row]!
      values.push(sum)
    }
  }
  const median = [...values].sort((a, b) => a - b)[values.length >> 1]!
  const half = (from: number) =>
    values.slice(from, from + 32).reduce((bits, value, index) => (value > median ? bits | (1 << index) : bits), 0) >>> 0
  return [half(0), half(32)]
}

function ones(bits: number): number {
  let left = bits - ((bits >>> 1) & 0x55555555)
  left = (left & 0x33333333) + ((left >>> 2) & 0x33333333)
  return (((left + (left >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24
}

const distance = (a: Bits, b: Bits) => ones(a[0] ^ b[0]) + ones(a[1] ^ b[1])

function meanOf(patch: Float64Array): number {
  let sum = 0
  for (let index = 0; index < patch.length; index++) sum += patch[index]!
  return sum / patch.length
}

function spread(patch: Float64Array): number {
  const mean = meanOf(patch)
  let sum = 0
  for (let index = 0; index < patch.length; index++) sum += (patch[index]! - mean) ** 2
  return Math.sqrt(sum / patch.length)
}

/** Mean difference in levels of the most different sixteenth of two patches, their brightness made equal. */
function worstBlock(a: Float64Array, b: Float64Array): number {
  const shift = meanOf(a) - meanOf(b)
  const block = PATCH / 4
  let worst = 0
  for (let top = 0; top < PATCH; top += block) {
    for (let left = 0; left < PATCH; left += block) {
      let sum = 0
      for (let row = top; row < top + block; row++)
        for (let column = left; column < left + block; column++) {
          const index = row * PATCH + column
          sum += Math.abs(a[index]! - b[index]! - shift)
        }
      worst = Math.max(worst, sum / block ** 2)
    }
  }
  return worst
}

/** Mean difference in levels of the most different 2 × 2 squares of two looks, their brightness made equal. */
function finest(a: Look, b: Look): number {
  let shift = 0
  for (let index = 0; index < GREYS; index++) shift += a[index]! - b[index]!
  shift /= GREYS
  let worst = 0
  for (let row = 0; row + 1 < LOOK_SIDE; row++)
    for (let column = 0; column + 1 < LOOK_SIDE; column++) {
      const at = row * LOOK_SIDE + column
      let sum = 0
      for (const index of [at, at + 1, at + LOOK_SIDE, at + LOOK_SIDE + 1])
        sum += Math.abs(a[index]! - b[index]! - shift)
      worst = Math.max(worst, sum / 4)
    }
  return worst
}

/**
 * Are two whole pictures of one size, and yet not the same? Nothing was drawn smaller then, so that a word is seen: those
 * of one template are of one size.
 */
const differInDetail = (a: Looked, b: Looked) =>
  a.width === b.width && a.height === b.height && finest(a.look, b.look) > MAX_FINE

/** A picture to be compared. */
export type Looked = { id: string; look: Look; width: number; height: number }

/** The centred part of a picture that has a ratio. */
function centred({ width, height }: { width: number; height: number }, ratio: number): Part {
  const own = width / height
  const [across, down] = own > ratio ? [ratio / own, 1] : [1, own / ratio]
  return { x: (1 - across) / 2, y: (1 - down) / 2, width: across, height: down }
}

const WHOLE: Part = { x: 0, y: 0, width: 1, height: 1 }
/** What copies are mostly cut to: the shapes of cards, and a rim of a twentieth taken off. */
const CUTS = [1, WIDE_RATIO, 2 / 3, 4 / 3, 16 / 9]
const RIM: Part = { x: 0.05, y: 0.05, width: 0.9, height: 0.9 }

/** A part of a picture as it is looked up. Its patch is made again when it is needed: kept, they would fill the memory. */
type Variant = { index: number; bits: Bits; part: Part; ratio: number }

function variantOf(picture: Looked, index: number, part: Part): Variant | null {
  const patch = patchOf(picture.look, part)
  if (spread(patch) < MIN_SPREAD) return null
  const ratio = (part.width * picture.width) / (part.height * picture.height)
  return { index, bits: bitsOf(patch), part, ratio }
}

/** Parts beside the whole that a copy may have been cut to; nearly the whole would be found by the whole already. */
const cutsOf = (picture: Looked): Part[] =>
  [...CUTS.map((ratio) => centred(picture, ratio)), RIM].filter(({ width, height }) => width * height <= 0.97)

/** Two shapes count as one: the stretch that a rounding to whole pixels gives. */
const isSameRatio = (a: number, b: number) => Math.abs(Math.log(a / b)) < 0.06

/** Sixteen bits of a hash: pictures that differ in seven bits differ in one at most in one of the four quarters. */
const quarters = ([low, high]: Bits) => [low & 0xffff, low >>> 16, high & 0xffff, high >>> 16]

/** What a quarter is flipped by: nothing, or one bit. */
const FLIPS = [0, ...Array.from({ length: 16 }, (_, bit) => 1 << bit)]

/** Whole pictures by each quarter of their bits: lists that are linked through arrays, since there are many look-ups. */
class QuarterIndex {
  private readonly heads = Array.from({ length: 4 }, () => new Int32Array(65_536).fill(-1))
  private readonly next: Int32Array[]

  constructor(private readonly wholes: readonly (Variant | null)[]) {
    this.next = Array.from({ length: 4 }, () => new Int32Array(wholes.length).fill(-1))
    // From the last to the first: each list begins with the picture that came first.
    for (let index = wholes.length - 1; index >= 0; index--) {
      const whole = wholes[index]
      if (!whole) continue
      for (const [quarter, value] of quarters(whole.bits).entries()) {
        this.next[quarter]![index] = this.heads[quarter]![value]!
        this.heads[quarter]![value] = index
      }
    }
  }

  /** Whole pictures of which a quarter of the bits differs in one at most. */
  near({ bits }: Variant): Set<number> {
    const found = new Set<number>()
    for (const [quarter, value] of quarters(bits).entries()) {
      for (const flip of FLIPS) {
        let index = this.heads[quarter]![value ^ flip]!
        for (let seen = 0; index >= 0 && seen < MAX_OF_BUCKET; seen++) {
          if (distance(this.wholes[index]!.bits, bits) <= MAX_BITS) found.add(index)
          index = this.next[quarter]![index]!
        }
      }
    }
    return found
  }
}

/**
 * Groups pictures that look the same: resized, recompressed, or cut to the shape of a card about their middle. Each is
 * looked up by the quarters of its bits, so that ten thousand are not compared all with all. A plain picture, with
 * nothing on it, is in no group. In a crowd of thousands with nearly the same bits (one template) only the first of each
 * list are held side by side: a copy can be missed there, never is one made up.
 *
 * @returns groups of two and more, by id, in the order given
 */
export function groupAlike(pictures: readonly Looked[]): string[][] {
  const wholes = pictures.map((picture, index) => variantOf(picture, index, WHOLE))
  const index = new QuarterIndex(wholes)
  const parent = pictures.map((_, at) => at)
  const rootOf = (at: number): number => {
    let root = at
    while (parent[root] !== root) root = parent[root]!
    return root
  }
  const join = (variant: Variant) => {
    let patch: Float64Array | null = null
    let held = 0
    for (const other of index.near(variant)) {
      const [a, b] = [rootOf(variant.index), rootOf(other)]
      if (a === b || !isSameRatio(variant.ratio, wholes[other]!.ratio) || held++ >= MAX_HELD) continue
      const [own, its] = [pictures[variant.index]!.look, pictures[other]!.look]
      if (!isSameTint(tintOf(own, variant.part), tintOf(its, WHOLE))) continue
      patch ??= patchOf(own, variant.part)
      if (variant.part === WHOLE && differInDetail(pictures[variant.index]!, pictures[other]!)) continue
      if (worstBlock(patch, patchOf(its, WHOLE)) <= MAX_LEVELS) parent[Math.max(a, b)] = Math.min(a, b)
    }
  }
  for (const [at, picture] of pictures.entries()) {
    const whole = wholes[at]
    if (!whole) continue
    join(whole)
    for (const part of cutsOf(picture)) {
      const cut = variantOf(picture, at, part)
      if (cut) join(cut)
    }
  }
  const groups = new Map<number, string[]>()
  for (const [at, { id }] of pictures.entries()) {
    const root = rootOf(at)
    const group = groups.get(root)
    if (group) group.push(id)
    else groups.set(root, [id])
  }
  return [...groups.values()].filter(({ length }) => length > 1)
}
