import { describe, expect, it } from 'vitest'
import { surfaces } from '../testing/places'
import { composePlan, directionOf, type FaceMetrics } from './compose-plan'
import { firstTemplate, type PictureTemplate } from './template'

/** Each code unit is half a type size wide; letters reach 0.8 above and 0.2 beneath their line. */
const face: FaceMetrics = { measure: (text, sizePx) => text.length * sizePx * 0.5, ascent: 0.8, descent: 0.2 }
const first = firstTemplate(null)
const texts = { title: 'Rewire a table lamp', line: '', mark: 'Brasswick' }

const plan = (
  change: Partial<PictureTemplate> = {},
  said: Partial<typeof texts> = {},
  mark: { width: number; height: number } | null = null,
) => composePlan({ ...first, ...change }, { ...texts, ...said }, mark, face, surfaces)

/** Everything drawn, as boxes. */
function boxes(made: ReturnType<typeof plan>) {
  const lines = [...made.title, ...[made.line ?? []].flat(), ...[made.markText ?? []].flat()]
  const written = lines.map(({ text, x, y, sizePx }) => {
    const width = face.measure(text, sizePx)
    const left = x - { left: 0, center: width / 2, right: width }[made.align]
    return { left, right: left + width, top: y - 0.8 * sizePx, bottom: y + 0.2 * sizePx }
  })
  const { markPicture } = made
  const drawn = markPicture
    ? [
        {
          left: markPicture.x,
          right: markPicture.x + markPicture.width,
          top: markPicture.y,
          bottom: markPicture.y + markPicture.height,
        },
      ]
    : []
  return [...written, ...drawn]
}

describe('composePlan', () => {
  it('writes inside what every place keeps: the square in the middle of 1200 × 630', () => {
    const made = plan({ places: undefined })
    expect(made.zone).toMatchObject({ x: 285, width: 630 })
    expect(made.inside.x).toBe(285 + 64)
    expect(made.inside.width).toBe(630 - 128)
  })

  it('begins with the places that show a picture large, whose whole width it writes on', () => {
    const made = plan()
    expect(made.zone!.width).toBe(1200)
    expect(first.places).not.toContain('feed-reply')
    expect(made.titleBox.width).toBe(1200 - 128)
  })

  it('has more room where the small square doesn’t count', () => {
    const { zone } = plan({ places: ['wide-feed', 'microblog'] })
    expect(zone!.width).toBe(1200)
  })

  const variants: [
    string,
    Partial<PictureTemplate>,
    Partial<typeof texts>,
    { width: number; height: number } | null,
  ][] = [
    ['as it begins', {}, {}, null],
    ['title at the top, mark beneath', { title: { ...first.title, at: 'top' } }, {}, null],
    [
      'title at the bottom, mark above',
      { title: { ...first.title, at: 'bottom' }, mark: { ...first.mark!, place: 'top' } },
      {},
      null,
    ],
    [
      'in the middle',
      { align: 'center', line: { text: 'x', size: 30 } },
      { line: 'Guides, 12 March' },
      { width: 200, height: 100 },
    ],
    [
      'a long title',
      {},
      { title: 'What to do when a sewing machine skips every third stitch and nobody knows why' },
      null,
    ],
    ['a title without end', {}, { title: 'unbreakable'.repeat(60) }, null],
    ['a mark as wide as a street', { mark: { ...first.mark!, height: 200 } }, {}, { width: 4000, height: 100 }],
    ['a mark as tall as a tower', { mark: { ...first.mark!, height: 600 } }, {}, { width: 100, height: 4000 }],
    ['a margin beyond all sense', { margin: 400 }, {}, { width: 50, height: 50 }],
    ['right to left', {}, { title: 'תיקון מנורת שולחן', mark: 'בראסוויק' }, { width: 50, height: 50 }],
    ['tall', { shape: { width: 1000, height: 1500 } }, {}, null],
    [
      'a second line too long for its size',
      { line: { text: 'x', size: 60 } },
      { line: 'line '.repeat(40).trim() },
      null,
    ],
  ]
  it.each(variants)('draws nothing outside, and nothing over another: %s', (_name, change, said, mark) => {
    const made = plan(change, said, mark)
    const all = boxes(made)
    expect(all.length).toBeGreaterThanOrEqual(2)
    for (const { left, right, top, bottom } of all) {
      expect(left).toBeGreaterThanOrEqual(made.inside.x - 0.01)
      expect(right).toBeLessThanOrEqual(made.inside.x + made.inside.width + 0.01)
      expect(top).toBeGreaterThanOrEqual(made.inside.y - 0.01)
      expect(bottom).toBeLessThanOrEqual(made.inside.y + made.inside.height + 0.01)
    }
    for (const [index, a] of all.entries()) {
      for (const b of all.slice(index + 1)) {
        const isApart =
          a.right <= b.left + 0.01 || b.right <= a.left + 0.01 || a.bottom <= b.top + 0.01 || b.bottom <= a.top + 0.01
        expect(isApart, JSON.stringify([a, b])).toBe(true)
      }
    }
  })

  it('begins right-to-left texts at the right, with the mark’s picture outermost', () => {
    const made = plan({}, { title: 'תיקון', mark: 'בראסוויק' }, { width: 30, height: 30 })
    expect([made.direction, made.align]).toEqual(['rtl', 'right'])
    expect(made.title[0]!.x).toBe(made.inside.x + made.inside.width)
    expect(made.markPicture!.x + made.markPicture!.width).toBe(made.inside.x + made.inside.width)
    expect(made.markText!.x).toBeLessThan(made.markPicture!.x)
  })

  it('says that a title has no room', () => {
    expect(plan().isCut).toBe(false)
    expect(plan({}, { title: 'word '.repeat(100) }).isCut).toBe(true)
  })

  it('gives the mark’s room to the title where there is no mark', () => {
    const { mark: _mark, ...without } = first
    const made = composePlan({ ...without, title: { ...first.title, at: 'bottom' } }, texts, null, face, surfaces)
    expect(made.markText).toBeNull()
    const last = made.title.at(-1)!
    expect(last.y + 0.2 * last.sizePx).toBeCloseTo(made.inside.y + made.inside.height, 5)
  })
})

describe('directionOf', () => {
  it.each([
    ['Lamp', 'ltr'],
    ['3. תיקון', 'rtl'],
    ['إصلاح lamp', 'rtl'],
    ['lamp إصلاح', 'ltr'],
    ['1234', 'ltr'],
  ])('%s: %s', (text, direction) => expect(directionOf(text)).toBe(direction))
})
