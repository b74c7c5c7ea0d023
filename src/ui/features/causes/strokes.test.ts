import fc from 'fast-check'
import { expect, test } from 'vitest'
import { runs } from '@/core/testing/property-runs'
import { strokesOf } from './strokes'

test('a stroke is tall where one of its pages has the cause, in whatever order the cause names them', () => {
  const section = fc.integer({ min: 0, max: 130 })
  fc.assert(
    fc.property(section, fc.array(fc.nat(140)), fc.boolean(), (length, named, isInOrder) => {
      const rows = Array.from({ length }, (_, index) => ({ url: `https://x.example/${index}` }))
      const order = isInOrder ? [...new Set(named)].sort((a, b) => a - b) : named
      const pages = order.map((index) => `https://x.example/${index}`)
      const per = Math.max(1, Math.ceil(length / 40))
      const expected = Array.from({ length: Math.ceil(length / per) }, (_, stroke) =>
        rows.slice(stroke * per, (stroke + 1) * per).some(({ url }) => pages.includes(url)),
      )
      expect(strokesOf({ pages }, rows)).toEqual(expected)
    }),
    runs(200),
  )
})

test('is worked out once for the same rows, and again for others', () => {
  const cause = { pages: ['b'] }
  const rows = [{ url: 'a' }, { url: 'b' }]
  const first = strokesOf(cause, rows)
  expect(first).toEqual([false, true])
  expect(strokesOf(cause, rows)).toBe(first)
  expect(strokesOf(cause, [{ url: 'b' }])).toEqual([true])
})
