import { expect, test } from 'vitest'
import { usualOf } from './usual-of'

test.each([
  [['a', 'b', 'b'], 'b'],
  [['b', 'a', 'a', 'b'], 'b'],
  [[], null],
])('of %j it is %j', (values, usual) => {
  expect(usualOf(values)).toBe(usual)
})
