import { XMLValidator } from 'fast-xml-parser'
import sharp from 'sharp'
import { describe, expect, test } from 'vitest'
import { type Drawing, sheetAsSvg } from '@/core/sheet'
import { measureText } from '@/core/text'
import { linesOfOtherFaces, sheetAsPng, sheetAsSvgFile } from './draw-sheet'
import { outlineText } from './outline-text'

const step = (text: string, weight: 400 | 600 | 700 = 400) => ({
  kind: 'text' as const,
  x: 10,
  baseline: 40,
  text,
  sizePx: 20,
  weight,
  ink: 'ink' as const,
})
const sheet = (...texts: string[]): Drawing => ({
  widthPx: 400,
  heightPx: 60,
  steps: [
    { kind: 'box', x: 0, y: 0, width: 400, height: 60, radius: 0, fill: 'card' },
    ...texts.map((text) => step(text)),
  ],
})

/** Leftmost and rightmost dark column, in px of the drawing. */
async function inkOf(png: Uint8Array): Promise<[number, number]> {
  const { data, info } = await sharp(png).greyscale().raw().toBuffer({ resolveWithObject: true })
  const columns = Array.from({ length: info.width }, (_, x) => x).filter((x) =>
    Array.from({ length: info.height }, (_, y) => data[(y * info.width + x) * info.channels]!).some(
      (grey) => grey < 128,
    ),
  )
  return [columns[0]! / 2, (columns.at(-1)! + 1) / 2]
}

describe('a line as outlines', () => {
  test.each(['Rewire a table lamp', 'Zażółć gęślą jaźń', 'Ремонт лампы', 'AVATAR, To We', 'Ελληνικά', 'Tiếng Việt'])(
    '%s ends where it is measured to end',
    async (text) => {
      const [left, right] = await inkOf(await sheetAsPng(sheet(text), new Map()))
      expect(left).toBeGreaterThanOrEqual(9)
      expect(left).toBeLessThanOrEqual(13)
      expect(Math.abs(right - 10 - measureText(text, 20, 400))).toBeLessThan(3)
    },
  )

  test('letters that the face lacks, and those that are set together, are left to other faces', () => {
    expect(outlineText(step('日本'))).toBeNull()
    expect(outlineText(step('שלום'))).toBeNull()
    expect(outlineText(step('مرحبا'))).toBeNull()
    expect(outlineText(step('plain'))).toMatch(/^M/)
    expect(linesOfOtherFaces(sheet('plain', '日本 lamp'))).toEqual(['日本 lamp'])
  })

  test('what is not to be seen takes no room', () => {
    expect(outlineText(step('a\u200Bb\uFEFF'))).toBe(outlineText(step('ab')))
  })
})

describe('a sheet in a file', () => {
  test('an SVG holds the parts of the face that it needs, and its text as text', () => {
    const svg = sheetAsSvgFile(sheet('Lamp', 'Лампа'), new Map())
    expect(svg.match(/@font-face/g)).toHaveLength(2)
    expect(svg).toMatch(/url\(data:font\/woff2;base64,d09GMg/)
    expect(svg).toContain('>Лампа</text>')
    expect(svg).not.toContain('textLength')
    expect(XMLValidator.validate(svg)).toBe(true)
  })

  test('nothing of a page breaks out of either', async () => {
    const hostile = '</text><script>x()</script><image href="http://127.0.0.1:9/x"/>]]>&x; \u0000\uFFFE'
    const svg = sheetAsSvgFile(sheet(hostile), new Map())
    expect(svg).not.toMatch(/<script|<image/)
    expect(XMLValidator.validate(svg)).toBe(true)
    expect((await sharp(await sheetAsPng(sheet(hostile), new Map())).metadata()).width).toBe(800)
  })

  test('a very long sheet is drawn less fine, and never too large to open', async () => {
    const long = { ...sheet('x'), heightPx: 12_000 }
    const { width, height } = await sharp(await sheetAsPng(long, new Map())).metadata()
    expect(height).toBeLessThanOrEqual(16_000)
    expect(width! / height!).toBeCloseTo(400 / 12_000, 3)
  })

  test('outlines and text say the same in SVG', () => {
    const outlined = sheetAsSvg(sheet('Lamp'), new Map(), { outline: outlineText })
    expect(outlined).toContain('<path d="M')
    expect(outlined).not.toContain('<text')
  })
})
