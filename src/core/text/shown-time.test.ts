import { expect, test } from 'vitest'
import { shownTime } from './shown-time'

test('a moment is written out, with its time zone', () => {
  expect(shownTime('2026-11-27T19:14:03Z')).toBe('27 November 2026, 19:14 UTC')
  expect(shownTime('2026-07-01T22:30:00Z', 'Europe/Berlin')).toBe('2 July 2026, 00:30 CEST')
})

test('what is no moment stays as it is', () => {
  expect(shownTime('yesterday <b>')).toBe('yesterday <b>')
})
