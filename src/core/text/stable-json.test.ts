import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { stableJson } from './stable-json'

test('the order of fields is nothing, that of a list is', () => {
  expect(stableJson({ b: { d: 1, c: [2, 1] }, a: null })).toBe(stableJson({ a: null, b: { c: [2, 1], d: 1 } }))
  expect(stableJson({ a: [1, 2] })).not.toBe(stableJson({ a: [2, 1] }))
  expect(stableJson(undefined)).not.toBe(stableJson(null))
})

test('two values are alike only if they are', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (a, b) => {
      expect(JSON.parse(stableJson(a))).toEqual(JSON.parse(JSON.stringify(a)))
      if (stableJson(a) === stableJson(b)) expect(JSON.parse(JSON.stringify(a))).toEqual(JSON.parse(JSON.stringify(b)))
    }),
    runs(200),
  )
})
