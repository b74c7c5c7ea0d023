import { describe, expect, test } from 'vitest'
import { knownKeys } from './known-keys'
import { editsBetween, meantKey } from './misspelled'

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

describe('the key that was meant', () => {
  test.each([
    ['og:titel', 'og:title'],
    ['og.title', 'og:title'],
    ['og_image', 'og:image'],
    ['twitter-card', 'twitter:card'],
    ['twitter:desciption', 'twitter:description'],
    ['og:image:heigth', 'og:image:height'],
    ['descripton', 'description'],
  ])('%s → %s', (seen, meant) => {
    expect(meantKey(seen)).toBe(meant)
  })

  test('no known key is taken for another, nor is a tag of another kind', () => {
    for (const key of knownKeys()) expect([key, meantKey(key)]).toEqual([key, null])
    for (const key of [
      'viewport',
      'generator',
      'referrer',
      'rating',
      'google-site-verification',
      'og:isbn',
      'og:phone_number',
      'article:tag',
      'color-scheme',
      'format-detection',
      'apple-mobile-web-app-title',
      'msapplication-tilecolor',
    ]) {
      expect([key, meantKey(key)]).toEqual([key, null])
    }
  })
})
