import { expect, test } from 'vitest'
import { areas } from '../view/areas'
import { actionOf, controlledActionOf, keyHelp } from './keys'

const pressed = (key: string, over: Partial<KeyboardEvent> = {}) => ({
  key,
  code: '',
  shiftKey: false,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
  ...over,
})

test.each([
  [pressed('j'), 'down'],
  [pressed('ArrowDown'), 'down'],
  [pressed('0', { code: 'Digit0' }), 'surface'],
  [pressed('!', { code: 'Digit1', shiftKey: true }), 'beside'],
  [pressed('?', { code: 'Slash', shiftKey: true }), 'help'],
  [pressed('/', { code: 'Digit7', shiftKey: false }), 'search'],
  [pressed('r', { ctrlKey: true }), null],
  [pressed('r', { altKey: true }), null],
  [pressed('q'), null],
])('%o: %s', (event, action) => expect(actionOf(event)).toBe(action))

test.each([
  [pressed('z', { ctrlKey: true }), 'undo'],
  [pressed('Z', { metaKey: true, shiftKey: true }), 'redo'],
  [pressed('y', { ctrlKey: true }), 'redo'],
  [pressed('K', { metaKey: true }), 'jump'],
  [pressed('z', { ctrlKey: true, altKey: true }), null],
  [pressed('z'), null],
])('with Ctrl or ⌘, %o: %s', (event, action) => expect(controlledActionOf(event)).toBe(action))

test('no key does two things, and no letter of an area begins a pair itself', () => {
  const told = keyHelp().map(([shown]) => shown)
  expect(new Set(told).size).toBe(told.length)
  expect(actionOf(pressed('g'))).toBeNull()
  const letters = areas.flatMap(({ letter }) => letter ?? [])
  expect(new Set(letters).size).toBe(letters.length)
  for (const letter of letters) expect(told).toContain(`G ${letter.toUpperCase()}`)
})
