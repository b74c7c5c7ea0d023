import { describe, expect, test } from 'vitest'
import { fitText, type TextBox } from './fit'
import { measureText } from './measure'

const box = (over: Partial<TextBox>): TextBox => ({ sizePx: 16, weight: 400, widthPx: 200, lines: 1, ...over })

describe('one line', () => {
  test('a text exactly as wide as the box stays whole; a hair less and it is cut', () => {
    const text = 'Sharpen a chisel by hand'
    const widthPx = measureText(text, 16, 400)
    expect(fitText(text, box({ widthPx: widthPx + 0.001 }))).toEqual({ shown: text, cut: false, lines: [text] })
    const cut = fitText(text, box({ widthPx: widthPx - 0.1 }))
    expect(cut.cut).toBe(true)
    expect(text.startsWith(cut.shown)).toBe(true)
    expect(cut.shown.length).toBeLessThan(text.length)
  })

  test('the ellipsis takes its own room', () => {
    const cut = fitText('A long line that will not go into the box at all', box({ widthPx: 120 }))
    expect(measureText(`${cut.shown}…`, 16, 400)).toBeLessThanOrEqual(120)
  })

  test('what is shown never ends in a space', () => {
    for (let widthPx = 20; widthPx < 200; widthPx++) {
      expect(fitText('To be or not to be a lamp', box({ widthPx })).shown).not.toMatch(/ $/)
    }
  })
})

describe('several lines', () => {
  test('breaks at spaces and keeps every word of a text that fits', () => {
    const fitted = fitText('Rewire a table lamp safely in one evening', box({ widthPx: 180, lines: 2 }))
    expect(fitted.cut).toBe(false)
    expect(fitted.lines).toHaveLength(2)
    expect(fitted.lines.join(' ')).toBe('Rewire a table lamp safely in one evening')
  })

  test('cuts only in the last line', () => {
    const text = 'Rewire a table lamp safely in one evening, with parts from the hall'
    const fitted = fitText(text, box({ widthPx: 150, lines: 2 }))
    expect(fitted.cut).toBe(true)
    expect(fitted.lines).toHaveLength(2)
    expect(fitted.shown).toBe(fitted.lines.join(' '))
  })

  test('a word wider than the box is broken, not lost', () => {
    const word = 'x'.repeat(60)
    const fitted = fitText(word, box({ widthPx: 100, lines: 10 }))
    expect(fitted.lines.join('')).toBe(word)
  })
})

describe('counted characters', () => {
  test.each([
    [70, false],
    [71, true],
  ])('%i code points against a limit of 70: cut is %s', (length, cut) => {
    const fitted = fitText('a'.repeat(length), box({ widthPx: 5000, maxCodePoints: 70 }))
    expect(fitted.cut).toBe(cut)
    expect(fitted.shown).toHaveLength(70)
  })

  test('an emoji outside the basic plane counts once', () => {
    expect(fitText('🔧'.repeat(4), box({ widthPx: 5000, maxCodePoints: 4 })).cut).toBe(false)
  })
})

describe('scripts', () => {
  test.each([
    ['a family emoji', '👨‍👩‍👧‍👦👨‍👩‍👧‍👦👨‍👩‍👧‍👦👨‍👩‍👧‍👦', 60],
    ['a letter with its mark', 'e\u0301e\u0301e\u0301e\u0301e\u0301', 32],
    ['a flag', '🇪🇺🇪🇺🇪🇺🇪🇺', 45],
  ])('%s is never split', (_name, text, widthPx) => {
    const { shown, cut } = fitText(text, box({ widthPx }))
    expect(cut).toBe(true)
    const parts = [...new Intl.Segmenter('und', { granularity: 'grapheme' }).segment(text)].map((part) => part.segment)
    expect(parts.slice(0, [...new Intl.Segmenter('und').segment(shown)].length).join('')).toBe(shown)
    expect(shown.length).toBeGreaterThan(0)
  })

  test('ideographs break anywhere but before a closing mark', () => {
    const { lines } = fitText('机の脚を直す。机の脚を直す。', box({ widthPx: 16 * 6, lines: 4 }))
    expect(lines.every((line) => !line.startsWith('。'))).toBe(true)
    expect(lines.length).toBeGreaterThan(1)
  })
})

test.each([
  ['plain', 'word '],
  ['accented', 'wörd '],
])('a %s text of half a million characters is cut without reading it all', (_name, word) => {
  const fitted = fitText(word.repeat(100_000).trim(), box({ lines: 2 }))
  expect(fitted.cut).toBe(true)
})
