import { expect, test } from 'vitest'
import { groupBy } from './group-by'

test('groups keep the order in which they were met, and items theirs', () => {
  const groups = groupBy(['b1', 'a1', 'b2', 'a2', 'c1'], (item) => item[0])
  expect([...groups]).toEqual([
    ['b', ['b1', 'b2']],
    ['a', ['a1', 'a2']],
    ['c', ['c1']],
  ])
  expect(groupBy([], () => 1).size).toBe(0)
})
