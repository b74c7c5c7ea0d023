import { describe, expect, test } from 'vitest'
import { measureText } from './measure'

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
