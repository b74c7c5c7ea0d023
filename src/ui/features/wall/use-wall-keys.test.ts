import { describe, expect, test } from 'vitest'
import { actionOf } from '../../state/keys/keys'
import { indexAfter, stepOf } from './use-wall-keys'

const pressed = (key: string) => ({ key, code: '', shiftKey: false, ctrlKey: false, metaKey: false, altKey: false })

describe('moving by keys', () => {
  test.each([
    ['ArrowDown', 3],
    ['j', 3],
    ['k', -3],
    ['h', -1],
    ['l', 1],
    ['x', null],
  ])('%s steps %s in three columns', (key, step) => {
    expect(stepOf(actionOf(pressed(key))!, 3)).toBe(step)
  })

  test('stays on the wall', () => {
    expect(indexAfter(-1, 1, 5)).toBe(0)
    expect(indexAfter(4, 1, 5)).toBe(4)
    expect(indexAfter(1, -3, 5)).toBe(1)
    expect(indexAfter(1, 3, 5)).toBe(4)
  })
})
