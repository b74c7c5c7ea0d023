import { expect, test } from 'vitest'
import { countPageFiles } from '@/core/crawl'
import { largeSource } from './large-source'

const paths = (pages: number) => Array.from({ length: pages }, (_, index) => `p${index}.html`)
const use = { usedBytes: 0, quotaBytes: 10_000_000_000 }

test('of ten thousand pages nothing is said, of one more what they ask of the browser', () => {
  expect(largeSource(countPageFiles([...paths(10_000), 'a.css', '404.html']), use)).toBeNull()
  expect(largeSource(10_001, use)).toMatchObject({ pages: 10_001, doesFit: true, minutes: 1 })
  expect(largeSource(50_000, use)).toMatchObject({ needsBytes: 335_000_000, minutes: 4 })
})

test('a folder that the browser has no room for is said, however few its pages', () => {
  const full = { usedBytes: 9_000_000, quotaBytes: 10_000_000 }
  expect(largeSource(200, full)).toMatchObject({ doesFit: false, leftBytes: 1_000_000 })
  expect(largeSource(100, full)).toBeNull()
  expect(largeSource(20_000, null)).toMatchObject({ doesFit: true, leftBytes: null })
})
