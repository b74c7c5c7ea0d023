import { describe, expect, test } from 'vitest'
import { isStorageFull, UserFacingError, wordsFor } from './user-facing-error'

const named = (name: string, rest: object = {}) => Object.assign(new Error(name), { name, ...rest })

describe('full storage', () => {
  test.each([
    ['by its name', named('QuotaExceededError')],
    ['wrapped by the database', named('BulkError', { inner: named('QuotaExceededError') })],
    ['wrapped twice', named('AbortError', { inner: named('X', { inner: named('QuotaExceededError') }) })],
    ['by its cause', new Error('write failed', { cause: named('QuotaExceededError') })],
    ['by its words alone', new Error('The quota has been exceeded.')],
  ])('is known %s', (_name, error) => {
    expect(isStorageFull(error)).toBe(true)
    expect(wordsFor(error)).toMatch(/storage is full.*Delete runs/)
  })

  test('other faults are not', () => {
    expect(isStorageFull(named('AbortError'))).toBe(false)
    expect(isStorageFull('quota')).toBe(false)
  })
})

test('what the server said is told as it is; a lost server says what to look at', () => {
  expect(wordsFor(new UserFacingError('Nothing answered at x.'))).toBe('Nothing answered at x.')
  expect(wordsFor(new TypeError('Failed to fetch'))).toMatch(
    /own server did not answer \(Failed to fetch\).*npm run demo/,
  )
})
