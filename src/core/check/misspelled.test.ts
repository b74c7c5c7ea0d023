import { describe, expect, test } from 'vitest'
import { knownKeys } from '../tag'
import { meantKey } from './misspelled'

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
