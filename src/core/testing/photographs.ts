import type { Crop, Pixels } from '../image'

/** A picture as a camera might have taken it, made by rule, with the box of what it was taken of. */
export type Photograph = { name: string; pixels: Pixels; subject: Crop }

type Color = readonly [number, number, number]

/** Numbers from 0 to 1 that are the same for the same seed (mulberry32). */
function numbersFrom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

/** Soft noise, 0 to 1: random values on a grid of `size` pixels, eased between. */
function noiseOf(random: () => number, size: number): (x: number, y: number) => number {
  const values = Array.from({ length: 1024 }, random)
  const at = (column: number, row: number) => values[(((column * 57 + row * 131) % 1024) + 1024) % 1024]!
  const ease = (t: number) => t * t * (3 - 2 * t)
  return (x, y) => {
    const [column, row] = [Math.floor(x / size), Math.floor(y / size)]
    const [across, down] = [ease(x / size - column), ease(y / size - row)]
    const top = at(column, row) * (1 - across) + at(column + 1, row) * across
    const bottom = at(column, row + 1) * (1 - across) + at(column + 1, row + 1) * across
    return top * (1 - down) + bottom * down
  }
}

const shaded = ([red, green, blue]: Color, by: number): Color => [red * by, green * by, blue * by]

class Scene {
  readonly data: Uint8ClampedArray
  readonly random: () => number

  constructor(
    readonly width: number,
    readonly height: number,
    seed: number,
  ) {
    this.data = new Uint8ClampedArray(width * height * 4).fill(255)
    this.random = numbersFrom(seed)
  }

  between = (low: number, high: number) => low + (high - low) * this.random()

  paint(inside: (x: number, y: number) => boolean, colorAt: (x: number, y: number) => Color): void {
    for (let y = 0; y < this.height; y++)
      for (let x = 0; x < this.width; x++) {
        if (!inside(x, y)) continue
        const [red, green, blue] = colorAt(x, y)
        const at = (y * this.width + x) * 4
        this.data[at] = red
        this.data[at + 1] = green
        this.data[at + 2] = blue
      }
  }

  /** A surface of two colours, in patches of so many pixels, with a camera's grain on it. */
  surface(inside: (x: number, y: number) => boolean, from: Color, to: Color, sizePx: number, grain = 6): void {
    const noise = noiseOf(this.random, sizePx)
    this.paint(inside, (x, y) => {
      const part = noise(x, y)
      const extra = (this.random() - 0.5) * grain * 2
      const mixed = (one: 0 | 1 | 2) => from[one] + (to[one] - from[one]) * part + extra
      return [mixed(0), mixed(1), mixed(2)]
    })
  }

  ellipse = (cx: number, cy: number, rx: number, ry: number) => (x: number, y: number) =>
    ((x - cx) / rx) ** 2 + ((y - cy) / ry) ** 2 <= 1
  box = (left: number, top: number, width: number, height: number) => (x: number, y: number) =>
    x >= left && x < left + width && y >= top && y < top + height
  all = () => true

  sky(horizon: number): void {
    const [hue, light] = [this.between(0.7, 1), this.between(150, 215)]
    this.paint(
      (_x, y) => y < horizon,
      (_x, y) => {
        const part = y / Math.max(1, horizon)
        return [light * hue * (0.75 + 0.25 * part), light * (0.9 + 0.1 * part), 215 + 30 * part]
      },
    )
    const clouds = noiseOf(this.random, this.width / 5)
    this.paint(
      (x, y) => y < horizon && clouds(x, y * 2.5) > 0.68,
      (x, y) => {
        const part = (clouds(x, y * 2.5) - 0.68) * 3
        return [215 + 40 * part, 222 + 30 * part, 240]
      },
    )
  }

  /** A person, head to chest. @returns the box of head and shoulders */
  person(cx: number, cy: number, size: number): Crop {
    const skins: Color[] = [
      [236, 196, 170],
      [205, 152, 118],
      [156, 105, 78],
      [108, 70, 52],
    ]
    const skin = skins[Math.floor(this.random() * skins.length)]!
    const coat: Color = [this.between(30, 200), this.between(30, 160), this.between(40, 200)]
    const hair: Color = this.random() < 0.7 ? [45, 34, 28] : [168, 130, 84]
    const darker = shaded(skin, 0.86)
    this.surface(this.ellipse(cx, cy + size * 1.75, size * 1.35, size * 0.95), coat, coat, 8)
    this.surface(this.box(cx - size * 0.28, cy + size * 0.5, size * 0.56, size * 0.55), darker, darker, 8)
    this.surface(this.ellipse(cx, cy - size * 0.2, size * 0.8, size * 0.95), hair, hair, 4)
    this.surface(this.ellipse(cx, cy, size * 0.66, size * 0.86), skin, darker, size)
    for (const side of [-1, 1])
      this.surface(
        this.ellipse(cx + side * size * 0.27, cy - size * 0.12, size * 0.1, size * 0.07),
        [40, 32, 30],
        [40, 32, 30],
        4,
      )
    this.surface(this.ellipse(cx, cy + size * 0.42, size * 0.24, size * 0.07), [150, 74, 70], [150, 74, 70], 4)
    return { x: cx - size, y: cy - size * 1.15, width: size * 2, height: size * 2.1 }
  }
}

type Maker = (scene: Scene, at: { x: number; y: number }) => Crop

/** What pictures of sites are taken of, each before a ground of its own. */
const MAKERS: Record<string, Maker> = {
  'a person before trees': (scene, { x, y }) => {
    scene.surface(scene.all, [40, 70, 35], [120, 150, 80], 9, 14)
    return scene.person(x, y, scene.height * 0.16)
  },
  'a person in a room': (scene, { x, y }) => {
    scene.surface(scene.all, [188, 178, 164], [206, 198, 186], 60, 4)
    scene.surface(
      scene.box(scene.width * 0.05, scene.height * 0.1, scene.width * 0.2, scene.height * 0.4),
      [96, 84, 72],
      [120, 108, 92],
      20,
    )
    return scene.person(x, y, scene.height * 0.15)
  },
  'two people': (scene, { x, y }) => {
    scene.sky(scene.height * 0.5)
    scene.surface((_x, row) => row >= scene.height * 0.5, [96, 112, 70], [140, 146, 100], 12, 10)
    const size = scene.height * 0.12
    const left = scene.person(x - size * 1.4, y, size)
    const right = scene.person(x + size * 1.4, y + size * 0.2, size)
    return { x: left.x, y: left.y, width: right.x + right.width - left.x, height: right.y + right.height - left.y }
  },
  'a thing on a table': (scene, { x, y }) => {
    scene.surface((_x, row) => row < scene.height * 0.55, [214, 208, 200], [198, 190, 182], 50, 4)
    scene.surface((_x, row) => row >= scene.height * 0.55, [120, 84, 54], [158, 116, 78], 14, 8)
    const size = scene.height * 0.17
    const color: Color = [scene.between(150, 230), scene.between(30, 120), scene.between(20, 110)]
    scene.surface(scene.ellipse(x, y, size, size * 1.1), color, shaded(color, 0.6), size)
    scene.surface(
      scene.ellipse(x - size * 0.3, y - size * 0.4, size * 0.2, size * 0.16),
      [250, 240, 230],
      [250, 240, 230],
      4,
    )
    return { x: x - size, y: y - size * 1.1, width: size * 2, height: size * 2.2 }
  },
  'a boat on the sea': (scene, { x, y }) => {
    const horizon = scene.height * 0.42
    scene.sky(horizon)
    scene.surface((_x, row) => row >= horizon, [40, 84, 110], [84, 132, 150], 7, 12)
    const size = scene.height * 0.16
    scene.surface(
      (column, row) => row > y - size * 1.4 && row < y && Math.abs(column - x) < (row - (y - size * 1.4)) * 0.55,
      [240, 236, 226],
      [216, 208, 196],
      10,
    )
    scene.surface(scene.ellipse(x, y + size * 0.12, size, size * 0.24), [140, 46, 34], [110, 34, 28], 10)
    return { x: x - size, y: y - size * 1.4, width: size * 2, height: size * 1.8 }
  },
  'an animal in the grass': (scene, { x, y }) => {
    scene.surface(scene.all, [74, 110, 44], [140, 166, 78], 5, 20)
    const size = scene.height * 0.16
    const fur: Color = scene.random() < 0.5 ? [176, 120, 70] : [60, 52, 50]
    scene.surface(scene.ellipse(x, y, size * 1.3, size * 0.75), fur, shaded(fur, 0.7), 7, 10)
    scene.surface(scene.ellipse(x + size * 1.2, y - size * 0.6, size * 0.5, size * 0.45), fur, fur, 7, 10)
    return { x: x - size * 1.3, y: y - size * 1.1, width: size * 3, height: size * 1.9 }
  },
  'a flower before leaves': (scene, { x, y }) => {
    scene.surface(scene.all, [26, 60, 30], [76, 118, 58], 22, 8)
    const size = scene.height * 0.15
    const petal: Color = [scene.between(190, 250), scene.between(60, 200), scene.between(120, 220)]
    for (let turn = 0; turn < 6; turn++) {
      const [dx, dy] = [Math.cos((turn * Math.PI) / 3) * size * 0.6, Math.sin((turn * Math.PI) / 3) * size * 0.6]
      scene.surface(scene.ellipse(x + dx, y + dy, size * 0.45, size * 0.45), petal, shaded(petal, 0.85), 8)
    }
    scene.surface(scene.ellipse(x, y, size * 0.3, size * 0.3), [232, 190, 60], [200, 150, 40], 6)
    return { x: x - size, y: y - size, width: size * 2, height: size * 2 }
  },
  'a house in fields': (scene, { x, y }) => {
    const horizon = scene.height * 0.5
    scene.sky(horizon)
    scene.surface((_x, row) => row >= horizon, [136, 140, 70], [176, 164, 96], 16, 10)
    const size = scene.height * 0.17
    scene.surface(scene.box(x - size, y - size * 0.5, size * 2, size * 1.2), [222, 212, 196], [204, 192, 172], 12)
    scene.surface(
      (column, row) =>
        row > y - size * 1.2 && row < y - size * 0.5 && Math.abs(column - x) < (row - (y - size * 1.25)) * 1.6,
      [150, 64, 48],
      [126, 52, 40],
      6,
    )
    for (const side of [-0.5, 0.35])
      scene.surface(scene.box(x + side * size, y - size * 0.15, size * 0.3, size * 0.35), [60, 70, 84], [60, 70, 84], 4)
    return { x: x - size * 1.1, y: y - size * 1.2, width: size * 2.2, height: size * 1.95 }
  },
}

/** Width and height as cameras and telephones have them. */
const SIDES: readonly [number, number][] = [
  [240, 160],
  [160, 240],
  [220, 220],
  [256, 144],
]

/**
 * Pictures of eight kinds in turn, with their subjects where a photographer would put them and where none would.
 *
 * @param seed other pictures for another seed
 */
export function photographs(count: number, seed: number): Photograph[] {
  const kinds = Object.entries(MAKERS)
  return Array.from({ length: count }, (_, index) => {
    const [name, make] = kinds[index % kinds.length]!
    const [width, height] = SIDES[(index * 5 + Math.floor(index / kinds.length)) % SIDES.length]!
    const scene = new Scene(width, height, seed * 7919 + index * 104_729 + 1)
    const at = { x: width * scene.between(0.22, 0.78), y: height * scene.between(0.28, 0.66) }
    const subject = make(scene, at)
    return { name: `${name}, ${width} × ${height}, ${index}`, pixels: { data: scene.data, width, height }, subject }
  })
}
