import { expect, test } from 'vitest'
import { afterGoingBack, replaceRun } from './newer-runs'
import { parseView } from './view'

test('going back leads to where one was, in the run that was read last', () => {
  const wall = parseView('/wall', '?run=a&section=/guides/*&show=errors')
  expect(afterGoingBack(wall)).toBe(null)
  replaceRun('a', 'b')
  replaceRun('b', 'c')
  expect(afterGoingBack(wall)).toEqual({ ...wall, run: 'c' })
  expect(afterGoingBack({ ...wall, run: 'c' })).toBe(null)
  expect(afterGoingBack({ ...wall, run: null })).toBe(null)
})
