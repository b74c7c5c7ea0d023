import { describe, expect, test } from 'vitest'
import { isDeeperThan, parseJson } from './read-json'

describe('isDeeperThan', () => {
  test.each([
    ['[[1]]', 2, false],
    ['[[1]]', 1, true],
    ['{"a":{"b":[]}}', 3, false],
    ['{"a":{"b":[]}}', 2, true],
    ['"[[[[["', 1, false],
    ['["\\"[[[["]', 1, false],
    ['[],[],[]', 1, false],
    ['["never closed', 1, false],
  ])('%s, %i: %s', (text, most, expected) => {
    expect(isDeeperThan(text, most)).toBe(expected)
  })
})

test('what lies too deep, or is too long, is refused before it is taken apart', () => {
  const deep = parseJson(`${'['.repeat(50_000)}${']'.repeat(50_000)}`)
  expect(deep).toMatchObject({ ok: false, faults: [{ message: expect.stringContaining('deeper') }] })
  expect(parseJson('"abcdef"', 5)).toMatchObject({ ok: false, faults: [{ message: expect.stringContaining('5 are') }] })
  expect(parseJson('\uFEFF{"a":1}')).toEqual({ ok: true, value: { a: 1 } })
})
