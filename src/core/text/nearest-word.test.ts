import { describe, expect, test } from 'vitest'
import { editsBetween, nearestWord } from './nearest-word'

describe('edits between words', () => {
  test.each([
    ['title', 'title', 0],
    ['title', 'titel', 1],
    ['title', 'titles', 1],
    ['title', 'ttle', 1],
    ['title', 'tutla', 2],
    ['ab', 'ba', 1],
  ])('%s and %s: %d', (a, b, edits) => {
    expect(editsBetween(a, b, 3)).toBe(edits)
    expect(editsBetween(b, a, 3)).toBe(edits)
  })

  test('what is much longer is not counted out', () => {
    expect(editsBetween('a', 'abcdef', 2)).toBe(3)
  })
})

describe('the word that was meant', () => {
  test.each([
    ['titel', 'title'],
    ['Heading', 'heading'],
    ['secton', 'section'],
    ['x', null],
    ['colour', null],
  ])('%s: %s', (word, meant) => {
    expect(nearestWord(word, ['title', 'heading', 'section', 'no'])).toBe(meant)
  })

  test('a word is not turned into another by changing all of it', () => {
    expect(nearestWord('ab', ['no'])).toBeNull()
  })
})
