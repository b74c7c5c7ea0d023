import { expect, test } from 'vitest'
import { firstTemplate } from '@/core/compose'
import { type Past, withPast } from './template-past'

const template = (margin: number) => ({ ...firstTemplate(null), margin })

test('a slider that is drawn is one change, from what stood before it', () => {
  let past: Past = withPast([], null, 'margin', 0)
  for (let at = 1; at < 20; at++) past = withPast(past, template(at), 'margin', at * 1000)
  expect(past).toEqual([{ template: null, what: 'margin', at: 19_000 }])
})

test('another part, or the same after a pause, is another change; the oldest are let go', () => {
  const first = withPast([], null, 'margin', 0)
  expect(withPast(first, template(1), 'color', 10)).toHaveLength(2)
  expect(withPast(first, template(1), 'margin', 5000)).toHaveLength(2)
  let past: Past = []
  for (let at = 0; at < 150; at++) past = withPast(past, template(at), 'margin', at * 5000)
  expect([past.length, past[0]!.template!.margin]).toEqual([100, 50])
})
