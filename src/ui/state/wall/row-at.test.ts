import { expect, test } from 'vitest'
import type { WallRow } from '@/store/database'
import { rowAt } from './row-at'

test('a row is found by its address, in each list its own', () => {
  const list = (run: string) => ['a', 'b'].map((url) => ({ run, url }) as WallRow)
  const [one, other] = [list('one'), list('other')]
  expect(rowAt(one, 'b')).toBe(one[1])
  expect(rowAt(other, 'b')).toBe(other[1])
  expect(rowAt(one, 'c')).toBeUndefined()
  expect(rowAt(one, 'a')).toBe(one[0])
})
