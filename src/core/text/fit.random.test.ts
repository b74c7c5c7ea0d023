import { describe, expect, test } from 'vitest'
import { LineIndex } from '../page'
import { collapseWhiteSpace, isBlank, trimAscii } from './collapse'
import { fitText } from './fit'
import { measureText, splitGraphemes } from './measure'

/** Numbers that are the same each time: a text that once failed fails again. */
function numbers(seed: number): () => number {
  let state = seed
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296
    return state / 4294967296
  }
}

const LETTERS = [
  'a',
  'i',
  'W',
  ' ',
  ' ',
  '-',
  '–',
  '/',
  '.',
  'é',
  'e\u0301',
  '机',
  '。',
  '🔧',
  '👩‍🔧',
  'ש',
  'ж',
  '\u00A0',
  '9',
  '…',
]

function textOf(seed: number): string {
  const next = numbers(seed)
  const parts = Array.from({ length: 1 + Math.floor(next() * 90) }, () => LETTERS[Math.floor(next() * LETTERS.length)]!)
  return collapseWhiteSpace(parts.join(''))
}

describe.each(Array.from({ length: 60 }, (_, index) => index * 7919 + 3))('text of seed %i', (seed) => {
  const next = numbers(seed + 1)
  const text = textOf(seed)
  const box = { sizePx: 14, weight: 400 as const, widthPx: 60 + next() * 300, lines: 1 + Math.floor(next() * 4) }
  const fitted = fitText(text, box)

  test('what is shown is a prefix, whole graphemes, and all of it when nothing is cut', () => {
    expect(text.startsWith(fitted.shown)).toBe(true)
    const whole = splitGraphemes(text)
    expect(whole.slice(0, splitGraphemes(fitted.shown).length).join('')).toBe(fitted.shown)
    if (!fitted.cut) expect(fitted.shown).toBe(text)
  })

  test('no line is wider than the box, the last one with its ellipsis', () => {
    fitted.lines.forEach((line, index) => {
      const shown = fitted.cut && index === fitted.lines.length - 1 ? `${line}…` : line
      const isOne = splitGraphemes(line).length <= 1
      if (!isOne) expect(measureText(shown, 14, 400)).toBeLessThanOrEqual(box.widthPx + 0.01)
    })
    expect(fitted.lines.length).toBeLessThanOrEqual(box.lines)
  })

  test('lines hold everything that is shown, and nothing else', () => {
    expect(fitted.lines.join('').replaceAll(' ', '')).toBe(fitted.shown.replaceAll(' ', ''))
  })
})

describe('white space', () => {
  test.each([
    [' a\t\n b ', 'a b'],
    ['\u00A0a ', '\u00A0a'],
    ['', ''],
  ])('collapseWhiteSpace(%j)', (text, expected) => {
    expect(collapseWhiteSpace(text)).toBe(expected)
  })

  test.each([
    [null, true],
    ['', true],
    ['\u00A0\u2003\u200B', true],
    [' . ', false],
  ])('isBlank(%j) is %s', (text, expected) => {
    expect(isBlank(text)).toBe(expected)
  })

  test('trimming a long inner gap takes no time', () => {
    const text = `a${' '.repeat(200_000)}b`
    expect(trimAscii(`  ${text}\n`)).toBe(text)
  })
})

describe('LineIndex, held against counting by hand', () => {
  test.each(Array.from({ length: 25 }, (_, index) => index))('seed %i', (seed) => {
    const next = numbers(seed + 11)
    const text = Array.from({ length: 60 }, () => ['a', '\n', '\r', '\r\n', '🔧'][Math.floor(next() * 5)]).join('')
    const index = new LineIndex(text)
    let line = 1
    let column = 1
    for (let offset = 0; offset < text.length; offset++) {
      expect(index.positionOf(offset)).toEqual({ line, column })
      const isPairStart = text[offset] === '\r' && text[offset + 1] === '\n'
      if (text[offset] === '\n' || (text[offset] === '\r' && !isPairStart)) {
        line++
        column = 1
      } else column++
    }
    expect(index.count).toBe(line)
  })
})
