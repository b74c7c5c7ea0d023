import { CENTER, type Focus, type Shape } from './refit-plan'

/** What is asked of a picture's pixels: RGBA, row by row. */
export type Pixels = { data: Uint8Array | Uint8ClampedArray; width: number; height: number }

/** Longest side, in pixels, to which a picture is brought down before it is looked at: a subject is larger than grain. */
export const FOCUS_PX = 96

/** Shapes that a focus has to serve: what large cards keep, and what square ones do. */
const SHAPES: readonly Shape[] = [
  { width: 1200, height: 630 },
  { width: 1, height: 1 },
]

/** Steps of a colour channel when colours are counted. */
const COLOR_STEPS = 8
/** Part of each side that counts as the picture's edge, whose colours are its ground. */
const EDGE = 0.06
/** How much each hint weighs: of those tried on the pictures of the test these kept most; figures in docs/picture-templates.md. */
const WEIGHTS = { ground: 1, rarity: 0.6, detail: 0.7, skin: 1.4 }
/** How much nearness to the middle counts: the standard deviation of a bell over half the picture. */
const MIDDLE = 0.85

type Map2 = Float32Array

/** Means over a square of so many pixels to each side, by running sums. */
function blurred(map: Map2, width: number, height: number, reach: number): Map2 {
  const sums = new Float64Array((width + 1) * (height + 1))
  for (let y = 0; y < height; y++) {
    let row = 0
    for (let x = 0; x < width; x++) {
      row += map[y * width + x]!
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1]! + row
    }
  }
  const out = new Float32Array(width * height)
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.max(0, y - reach), Math.min(height, y + reach + 1)]
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.max(0, x - reach), Math.min(width, x + reach + 1)]
      const at = (row: number, column: number) => sums[row * (width + 1) + column]!
      const sum = at(bottom, right) - at(top, right) - at(bottom, left) + at(top, left)
      out[y * width + x] = sum / ((bottom - top) * (right - left))
    }
  }
  return out
}

/** Brings a hint to 0 … 1: what lies below its mean says nothing. */
function normal(map: Map2): Map2 {
  let [mean, most] = [0, 0]
  for (const value of map) mean += value / map.length
  for (const value of map) most = Math.max(most, value - mean)
  // What differs by rounding alone is one value.
  return most <= 1e-4 ? new Float32Array(map.length) : map.map((value) => Math.max(0, value - mean) / most)
}

/** Luma and colour differences of a pixel (ITU-R BT.601). */
function colorAt(data: Pixels['data'], index: number): [number, number, number] {
  const [red, green, blue] = [data[index * 4]!, data[index * 4 + 1]!, data[index * 4 + 2]!]
  const luma = 0.299 * red + 0.587 * green + 0.114 * blue
  return [luma, 0.564 * (blue - luma) + 128, 0.713 * (red - luma) + 128]
}

const binOf = ([luma, blue, red]: readonly [number, number, number]) => {
  const step = (value: number) => Math.min(COLOR_STEPS - 1, Math.max(0, Math.floor((value / 256) * COLOR_STEPS)))
  // Colour differences of photographs lie close to the middle: they are counted in finer steps than light.
  const fine = (value: number) => step(128 + (value - 128) * 2.5)
  return (step(luma) * COLOR_STEPS + fine(blue)) * COLOR_STEPS + fine(red)
}

/** How common each colour is, smoothed over its neighbours so that a step's border does not part one colour in two. */
function commonness(bins: Uint16Array, isCounted: (index: number) => boolean): Float32Array {
  const counts = new Float32Array(COLOR_STEPS ** 3)
  let total = 0
  for (const [index, bin] of bins.entries()) {
    if (!isCounted(index)) continue
    total++
    const [luma, blue, red] = [
      Math.floor(bin / COLOR_STEPS ** 2),
      Math.floor(bin / COLOR_STEPS) % COLOR_STEPS,
      bin % COLOR_STEPS,
    ]
    for (let a = Math.max(0, luma - 1); a <= Math.min(COLOR_STEPS - 1, luma + 1); a++)
      for (let b = Math.max(0, blue - 1); b <= Math.min(COLOR_STEPS - 1, blue + 1); b++)
        for (let c = Math.max(0, red - 1); c <= Math.min(COLOR_STEPS - 1, red + 1); c++) {
          const apart = Math.abs(a - luma) + Math.abs(b - blue) + Math.abs(c - red)
          counts[(a * COLOR_STEPS + b) * COLOR_STEPS + c]! += apart === 0 ? 1 : apart === 1 ? 0.5 : 0.2
        }
  }
  return total === 0 ? counts : counts.map((value) => value / total)
}

/** Change from pixel to pixel (Sobel's operator) beyond what the whole neighbourhood has: foliage is busy all over. */
function detailOf(luma: Map2, width: number, height: number): Map2 {
  const edges = new Float32Array(width * height)
  for (let y = 1; y < height - 1; y++) {
    for (let x = 1; x < width - 1; x++) {
      const at = (dx: number, dy: number) => luma[(y + dy) * width + x + dx]!
      const across = at(1, -1) + 2 * at(1, 0) + at(1, 1) - at(-1, -1) - 2 * at(-1, 0) - at(-1, 1)
      const down = at(-1, 1) + 2 * at(0, 1) + at(1, 1) - at(-1, -1) - 2 * at(0, -1) - at(1, -1)
      edges[y * width + x] = Math.min(160, Math.hypot(across, down) / 4)
    }
  }
  const longer = Math.max(width, height)
  const near = blurred(edges, width, height, Math.round(longer / 24))
  const around = blurred(edges, width, height, Math.round(longer / 5))
  return near.map((value, index) => Math.max(0, value - 0.6 * around[index]!))
}

/** Is it a colour of skin, of any people? In colour differences skin of all kinds lies close together (BT.601). */
const isSkin = ([luma, blue, red]: readonly [number, number, number]) =>
  luma > 35 && luma < 240 && red > 136 && red < 175 && blue > 80 && blue < 125 && red - blue > 14

/**
 * Skin as a face has it: in a patch that is neither a speck nor the whole ground, with something darker within it – eyes,
 * brows, a mouth, hair above.
 */
function faceLike(skin: Map2, luma: Map2, width: number, height: number): Map2 {
  const longer = Math.max(width, height)
  const near = blurred(skin, width, height, Math.max(1, Math.round(longer / 32)))
  const around = blurred(skin, width, height, Math.round(longer / 4))
  const light = blurred(luma, width, height, Math.max(1, Math.round(longer / 20)))
  const dark = blurred(
    luma.map((value, index) => (value < light[index]! - 18 ? 1 : 0)),
    width,
    height,
    Math.max(1, Math.round(longer / 24)),
  )
  return near.map((value, index) => {
    const patch = Math.max(0, value - 0.9 * around[index]!)
    return patch * (0.6 + Math.min(0.4, dark[index]! * 2))
  })
}

/** What stands out of a picture, 0 to 1 for each of its pixels: a hint, from colours, edges and skin alone. */
function salience({ data, width, height }: Pixels): Float32Array {
  const count = width * height
  const colors = Array.from({ length: count }, (_, index) => colorAt(data, index))
  const luma = Float32Array.from(colors, ([light]) => light)
  const bins = Uint16Array.from(colors, binOf)
  const rim = Math.max(1, Math.round(EDGE * Math.min(width, height)))
  const isAtEdge = (index: number) => {
    const [x, y] = [index % width, Math.floor(index / width)]
    return x < rim || y < rim || x >= width - rim || y >= height - rim
  }
  const ofEdge = commonness(bins, isAtEdge)
  const ofAll = commonness(bins, () => true)
  const reach = Math.max(1, Math.round(Math.max(width, height) / 40))
  const smooth = (map: Map2) => normal(blurred(map, width, height, reach))
  // A colour that the edge has much of is the picture's ground; a rare one is what was looked at.
  const ground = smooth(Float32Array.from(bins, (bin) => 1 / (1 + 60 * ofEdge[bin]!)))
  const rarity = smooth(Float32Array.from(bins, (bin) => 1 / (1 + 30 * ofAll[bin]!)))
  const detail = normal(detailOf(luma, width, height))
  const skinOf = Float32Array.from(colors, (color) => (isSkin(color) ? 1 : 0))
  const skin = normal(faceLike(skinOf, luma, width, height))
  const map = new Float32Array(count)
  for (let index = 0; index < count; index++) {
    const [x, y] = [(index % width) / width - 0.5, Math.floor(index / width) / height - 0.5]
    const middle = Math.exp(-(x * x + y * y) / (2 * (MIDDLE / 2) ** 2))
    const sum =
      WEIGHTS.ground * ground[index]! +
      WEIGHTS.rarity * rarity[index]! +
      WEIGHTS.detail * detail[index]! +
      WEIGHTS.skin * skin[index]!
    map[index] = sum * middle
  }
  return normal(map)
}

/** Windows that hold so much of what the best one does are as good. */
const AS_GOOD = 0.985

/** Where a window of so many pixels along one side holds most; of equals the middle one. @returns its centre */
function bestCentre(along: readonly number[], size: number): number {
  if (size >= along.length) return along.length / 2
  let sum = along.slice(0, size).reduce((all, one) => all + one, 0)
  const sums = [sum]
  for (let start = 1; start + size <= along.length; start++) {
    sum += along[start + size - 1]! - along[start - 1]!
    sums.push(sum)
  }
  const most = Math.max(...sums)
  // Between windows that are as good the subject stands in the middle.
  const good = sums.flatMap((one, start) => (one >= most * AS_GOOD ? [start] : []))
  return (good[0]! + good.at(-1)!) / 2 + size / 2
}

/**
 * Proposes the point of a picture that crops should keep: of all windows of a wide and of a square card the one that holds
 * most of what stands out, along each side. It knows nothing of what is meant: a proposal, to be moved.
 *
 * @param pixels brought down to {@link FOCUS_PX} along the longer side
 */
export function proposeFocus(pixels: Pixels): Focus {
  const { width, height } = pixels
  const map = salience(pixels)
  if (!map.some((value) => value > 0)) return { ...CENTER }
  const columns = Array.from({ length: width }, (_, x) => {
    let sum = 0
    for (let y = 0; y < height; y++) sum += map[y * width + x]!
    return sum
  })
  const rows = Array.from({ length: height }, (_, y) => {
    let sum = 0
    for (let x = 0; x < width; x++) sum += map[y * width + x]!
    return sum
  })
  // The window that leaves least along a side decides there: a larger one around the same point holds it too.
  let kept = { width, height }
  for (const shape of SHAPES) {
    const scale = Math.max(shape.width / width, shape.height / height)
    kept = {
      width: Math.min(kept.width, Math.max(1, Math.round(shape.width / scale))),
      height: Math.min(kept.height, Math.max(1, Math.round(shape.height / scale))),
    }
  }
  const x = bestCentre(columns, kept.width) / width
  const y = bestCentre(rows, kept.height) / height
  return { x: Math.round(x * 100) / 100, y: Math.round(y * 100) / 100 }
}
