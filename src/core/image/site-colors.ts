/** A colour of a site's own, as #rrggbb, and what it is called: a custom property, a tag, a picture. */
export type SiteColor = { name: string; color: string }

/** Names that style sheets give to what stands for the site, the most telling first. */
const TELLING = ['brand', 'primary', 'accent', 'main', 'theme', 'highlight', 'secondary', 'key', 'link']
/** Longest name that is shown. */
const MAX_NAME = 40

const hex = (channels: readonly number[]) =>
  `#${channels
    .map((channel) =>
      Math.round(Math.min(255, Math.max(0, channel)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`

/** A number or a share of a whole, as CSS writes either; NaN for what is neither. */
const amount = (text: string, whole: number) =>
  text.endsWith('%') ? (Number(text.slice(0, -1)) / 100) * whole : Number(text)

/** Hue in degrees, saturation and lightness 0 to 1, as red, green and blue 0 to 255 (CSS Color 4, 7). */
function fromHsl(hue: number, saturation: number, lightness: number): number[] {
  const reach = saturation * Math.min(lightness, 1 - lightness)
  return [0, 8, 4].map((offset) => {
    const turn = (offset + hue / 30) % 12
    return 255 * (lightness - reach * Math.max(-1, Math.min(turn - 3, 9 - turn, 1)))
  })
}

/**
 * An opaque colour as CSS writes it – #rgb, #rrggbb, rgb() and hsl() – as #rrggbb; null for what is none of these.
 *
 * @example cssColor('hsl(160 30% 20%)') // '#244238'
 */
export function cssColor(source: string): string | null {
  const text = source.trim().toLowerCase()
  const short = /^#([0-9a-f])([0-9a-f])([0-9a-f])$/.exec(text)
  if (short)
    return `#${short
      .slice(1)
      .map((one) => one + one)
      .join('')}`
  if (/^#[0-9a-f]{6}$/.test(text)) return text
  const call = /^(rgb|hsl)a?\(([^)]{1,60})\)$/.exec(text)
  if (!call) return null
  const parts = call[2]!.split(/[\s,/]+/).filter(Boolean)
  const [first, second, third, alpha] = parts
  if (parts.length < 3 || parts.length > 4 || (alpha !== undefined && amount(alpha, 1) < 1)) return null
  const channels =
    call[1] === 'rgb'
      ? [amount(first!, 255), amount(second!, 255), amount(third!, 255)]
      : fromHsl(((Number.parseFloat(first!) % 360) + 360) % 360, amount(second!, 1), amount(third!, 1))
  return channels.every(Number.isFinite) ? hex(channels) : null
}

const isGrey = (color: string) => {
  const channels = [1, 3, 5].map((at) => Number.parseInt(color.slice(at, at + 2), 16))
  return Math.max(...channels) - Math.min(...channels) < 24
}

/**
 * Colours that style sheets keep in custom properties, those first whose names say that they stand for the site, greys
 * last. Each colour once.
 */
export function colorsOfStyleSheets(sheets: readonly string[], most = 8): SiteColor[] {
  const found = new Map<string, string>()
  for (const sheet of sheets) {
    for (const [, name, value] of sheet
      .replace(/\/\*[^*]*\*+(?:[^/*][^*]*\*+)*\//g, '')
      .matchAll(/--([\w-]{1,60})\s*:\s*([^;{}]{1,80})/g)) {
      const color = cssColor(value!)
      if (color !== null && !found.has(color)) found.set(color, `--${name}`.slice(0, MAX_NAME))
    }
  }
  const weight = ({ name, color }: SiteColor) => {
    const at = TELLING.findIndex((word) => name.toLowerCase().includes(word))
    return (at < 0 ? TELLING.length : at) + (isGrey(color) ? 100 : 0)
  }
  return [...found]
    .map(([color, name]) => ({ name, color }))
    .sort((a, b) => weight(a) - weight(b))
    .slice(0, most)
}

/** Steps of a channel when colours of a picture are counted. */
const STEPS = 12
/** Colours closer than this, over all three channels, are one to the eye. */
const NEAR = 72

/**
 * Colours that a picture is made of, strong ones before pale ones, each apart from the others.
 *
 * @param data RGBA, row by row
 */
export function colorsOfPixels(data: ArrayLike<number>, most = 4): string[] {
  const bins = new Map<number, { count: number; sums: [number, number, number] }>()
  for (let at = 0; at + 3 < data.length; at += 4) {
    const channels = [data[at]!, data[at + 1]!, data[at + 2]!] as const
    const [red, green, blue] = channels.map((channel) => Math.min(STEPS - 1, Math.floor((channel / 256) * STEPS)))
    const key = (red! * STEPS + green!) * STEPS + blue!
    const bin = bins.get(key) ?? { count: 0, sums: [0, 0, 0] }
    bin.count++
    for (const part of [0, 1, 2] as const) bin.sums[part] += channels[part]
    bins.set(key, bin)
  }
  const colors = [...bins.values()].map(({ count, sums }) => {
    const mean = sums.map((sum) => sum / count)
    const strength = (Math.max(...mean) - Math.min(...mean)) / 255
    return { mean, weight: count * (0.15 + strength) }
  })
  const taken: number[][] = []
  for (const { mean } of colors.sort((a, b) => b.weight - a.weight)) {
    const isApart = taken.every(
      (one) => one.reduce((sum, channel, part) => sum + Math.abs(channel - mean[part]!), 0) >= NEAR,
    )
    if (isApart) taken.push(mean)
    if (taken.length === most) break
  }
  return taken.map(hex)
}
