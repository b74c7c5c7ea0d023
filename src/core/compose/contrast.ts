/** Relative luminance of an sRGB colour, 0 to 1 (WCAG 2.2). @param channels 0 to 255 each */
export function luminance([red, green, blue]: readonly [number, number, number]): number {
  const linear = (channel: number) => {
    const share = channel / 255
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
  }
  return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue)
}

/** The three channels of `#rrggbb`. */
export const channelsOf = (color: string): [number, number, number] => [
  Number.parseInt(color.slice(1, 3), 16),
  Number.parseInt(color.slice(3, 5), 16),
  Number.parseInt(color.slice(5, 7), 16),
]

/** Contrast of two luminances, 1 to 21 (WCAG 2.2). */
export const contrastOf = (a: number, b: number): number => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05)

/** Contrast of two colours `#rrggbb`, 1 to 21. */
export const contrast = (a: string, b: string): number => contrastOf(luminance(channelsOf(a)), luminance(channelsOf(b)))

/** Black or white, whichever stands out more. */
export function legibleOn(ground: string): string {
  const [white, black] = ['#ffffff', '#111111']
  return contrast(ground, white) >= contrast(ground, black) ? white : black
}
