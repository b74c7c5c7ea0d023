import { expect, test } from 'vitest'
import { atRest, isPassing, paceAfter } from './scroll-pace'

const PANE = 600

/** Offsets seen 16 ms apart, as frames are. */
const scrolled = (offsets: number[], everyMs = 16) =>
  offsets.reduce((pace, offset, index) => paceAfter(pace, offset, PANE, index * everyMs), atRest)

test('one leap – a key, a click on the bar – draws what is there', () => {
  expect(isPassing(scrolled([90_000]))).toBe(false)
  expect(isPassing(scrolled([90_000, 0], 400))).toBe(false)
})

test('leap upon leap passes, downwards and upwards', () => {
  expect(isPassing(scrolled([3000, 6000]))).toBe(true)
  expect(isPassing(scrolled([90_000, 87_000]))).toBe(true)
})

test('a leap is further than the pane is high, and no less', () => {
  expect(isPassing(scrolled([601, 1202]))).toBe(true)
  expect(isPassing(scrolled([600, 1200, 1800, 2400]))).toBe(false)
})

test('slower again, it is drawn; the same offset drawn twice changes nothing', () => {
  expect(isPassing(scrolled([3000, 6000, 6100]))).toBe(false)
  expect(isPassing(scrolled([3000, 6000, 6000, 6000]))).toBe(true)
})
