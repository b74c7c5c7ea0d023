import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { fitText } from './fit'
import { measureText, plainWidthEm } from './measure'

describe('measureText', () => {
  test('adds up the advance widths of the face', () => {
    // From the face's own table, in 1/2048 em: M 1706, e 1139, n 1139, d 1139.
    expect(measureText('Mend', 2048, 400)).toBeCloseTo(1706 + 1139 * 3, 0)
  })

  test('bold is wider than regular', () => {
    expect(measureText('Rewire a lamp', 16, 700)).toBeGreaterThan(measureText('Rewire a lamp', 16, 400))
  })

  test('grows in line with the type size', () => {
    expect(measureText('Rewire', 32, 600)).toBeCloseTo(2 * measureText('Rewire', 16, 600))
  })

  test('marks and joiners take no room of their own', () => {
    expect(measureText('e\u0301', 16, 400)).toBe(measureText('e', 16, 400))
    expect(measureText('a\u200Db', 16, 400)).toBe(measureText('ab', 16, 400))
  })

  test('an ideograph is as wide as the type is high', () => {
    expect(measureText('机', 16, 400)).toBe(16)
  })

  test('a joined emoji is one glyph', () => {
    expect(measureText('👨‍👩‍👧‍👦', 16, 400)).toBe(measureText('🔧', 16, 400))
  })
})

describe('scripts beyond the measuring face', () => {
  const em = (text: string) => measureText(text, 1, 400)

  // Advances of Noto Sans Arabic 400, of 1000 units.
  test.each<[string, string, number]>([
    ['beh alone', 'ب', 0.993],
    ['beh first and last', 'بب', 0.269 + 1.093],
    ['beh first, in the middle and last', 'ببب', 0.269 + 0.343 + 1.093],
    ['alef joins nothing after it', 'با', 0.269 + 0.291],
    ['alef and beh stay apart', 'اب', 0.238 + 0.993],
    ['lam and alef are one sign', 'لا', 0.582],
    ['and another after a letter', 'بلا', 0.269 + 0.599],
    ['a mark changes nothing', 'بِب', 0.269 + 1.093],
    ['a non-joiner parts two letters', 'ب\u200Cب', 0.993 + 0.993],
    ['hamza joins nothing', 'بءب', 0.993 * 2 + em('ء')],
  ])('%s', (_name, text, width) => expect(em(text)).toBeCloseTo(width, 3))

  test('Thai vowels above and below take no room', () => {
    expect(em('กี่')).toBeCloseTo(em('ก'), 6)
    expect(em('ก')).toBe(0.6)
  })

  test('full-width signs share their empty halves', () => {
    expect(em('。「')).toBe(1.5)
    expect(em('（「')).toBe(1.5)
    expect(em('、、')).toBe(1.5)
    expect(em('「。')).toBe(2)
    expect(em('す。')).toBe(2)
  })

  test('the long-vowel sign is as wide as a letter', () => expect(em('シェード')).toBe(4))
})

describe('printable ASCII', () => {
  const plain = fc.stringMatching(/^[ -~]{0,80}$/)
  const weight = fc.constantFrom(400 as const, 600 as const, 700 as const)

  test('is as wide by its table as grapheme by grapheme', () => {
    fc.assert(
      fc.property(plain, weight, (text, of) => {
        expect(plainWidthEm(text, of)! * 16).toBeCloseTo(measureText(text, 16, of), 9)
      }),
      runs(400),
    )
  })

  test('in one line is shown whole exactly where it has room there', () => {
    fc.assert(
      fc.property(
        plain.map((text) => text.trim().replace(/ +/g, ' ')).filter((text) => text.length > 1),
        weight,
        (text, of) => {
          const widthPx = measureText(text, 16, of)
          const inRoom = (room: number) => fitText(text, { sizePx: 16, weight: of, widthPx: room, lines: 1 })
          expect(inRoom(widthPx + 0.01)).toEqual({ shown: text, cut: false, lines: [text] })
          expect(inRoom(widthPx - 0.01).cut).toBe(true)
        },
      ),
      runs(200),
    )
  })

  test('other signs are none of it', () => {
    for (const text of ['é', 'a\u0301', 'tab\there', '機械', 'a\u007F']) expect(plainWidthEm(text, 400)).toBeNull()
  })
})
