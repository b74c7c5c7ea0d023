import { describe, expect, test } from 'vitest'
import { findJsonFault } from './json-fault'

describe('findJsonFault', () => {
  test.each([
    ['{"a": 1,}', 8],
    ['[1, 2,, 3]', 6],
    ['{"a" 1}', 5],
    ["{'a': 1}", 1],
    ['{"a": "b\nc"}', 6],
    ['{"a": 1', 7],
    ['{} x', 3],
    ['nul', 0],
    ['[01]', 2],
    ['"\\x"', 0],
  ])('%j fails at %i', (text, offset) => {
    expect(findJsonFault(text)).toBe(offset)
    expect(() => JSON.parse(text)).toThrow()
  })

  test.each(['{}', '[]', '[{"a":[1,-2.5e3,true,null,"\\u00e9"]}]', ' "x" ', '0'])('%j is valid', (text) => {
    expect(findJsonFault(text)).toBeNull()
    expect(() => JSON.parse(text)).not.toThrow()
  })

  test('a hundred thousand open brackets do not overflow', () => {
    expect(findJsonFault('['.repeat(100_000))).toBe(100_000)
  })
})
