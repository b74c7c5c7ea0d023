import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { holdKey, typeInto } from './type-ahead'

const key = (name: string, more: object = {}) => ({ key: name, ctrlKey: false, metaKey: false, altKey: false, ...more })
let frames: (() => void)[] = []
const nextFrame = () => {
  for (const frame of frames.splice(0)) frame()
}

/** What a text field does with what is put into it. */
function fieldWith(text: string) {
  const field = {
    value: text,
    focus: vi.fn(),
    setRangeText: (put: string, from: number, to: number) => {
      field.value = field.value.slice(0, from) + put + field.value.slice(to)
    },
    dispatchEvent: vi.fn(),
  }
  return field as typeof field & HTMLTextAreaElement
}

beforeEach(() => {
  frames = []
  vi.stubGlobal('requestAnimationFrame', (frame: () => void) => frames.push(frame))
})
afterEach(() => {
  holdKey(key('Escape'))
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

test('what is typed before a field is there goes into it, and into nothing else', () => {
  expect(holdKey(key('j'))).toBe(false)
  let field: HTMLTextAreaElement | null = null
  typeInto(() => field)
  nextFrame()
  for (const letter of ['L', 'a', 'x', 'Backspace', 'm', 'p', ' ', 'é']) expect(holdKey(key(letter))).toBe(true)
  field = fieldWith('Old ')
  nextFrame()
  expect(field.value).toBe('Old Lamp é')
  expect(field.dispatchEvent).toHaveBeenCalledOnce()
  expect(holdKey(key('j'))).toBe(false)
})

test('keys of the browser and keys that are no letters are left alone', () => {
  typeInto(() => null)
  expect(holdKey(key('r', { ctrlKey: true }))).toBe(false)
  expect(holdKey(key('Tab'))).toBe(false)
  expect(holdKey(key('ArrowDown'))).toBe(false)
})

test('Escape ends the wait, and so does a field that never comes', () => {
  typeInto(() => null)
  holdKey(key('a'))
  expect(holdKey(key('Escape'))).toBe(false)
  expect(holdKey(key('b'))).toBe(false)
  let now = 0
  vi.spyOn(performance, 'now').mockImplementation(() => now)
  typeInto(() => null)
  nextFrame()
  expect(holdKey(key('a'))).toBe(true)
  now = 10_001
  nextFrame()
  expect(holdKey(key('b'))).toBe(false)
})

test('nothing typed is nothing changed', () => {
  const field = fieldWith('Old')
  typeInto(() => field)
  nextFrame()
  expect(field.focus).toHaveBeenCalledOnce()
  expect(field.dispatchEvent).not.toHaveBeenCalled()
})
