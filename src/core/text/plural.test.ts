import { expect, test } from 'vitest'
import { listed, plural } from './plural'

test.each([
  [0, '0 pages'],
  [1, '1 page'],
  [2, '2 pages'],
  [1200, '1,200 pages'],
])('%i', (count, said) => expect(plural(count, 'page')).toBe(said))

test('a noun that takes no s has its plural given', () => {
  expect([plural(1, 'copy', 'copies'), plural(2, 'copy', 'copies')]).toEqual(['1 copy', '2 copies'])
})

test.each([
  [[], ''],
  [['a'], 'a'],
  [['a', 'b'], 'a and b'],
  [['a', 'b', 'c'], 'a, b and c'],
])('%j is said as: %s', (things, said) => expect(listed(things)).toBe(said))
