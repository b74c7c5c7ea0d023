import { describe, expect, test } from 'vitest'
import { checks } from '../check'
import {
  allTags,
  attributeAsked,
  attributeFor,
  isKnownKey,
  isSingleValued,
  knownKeys,
  mayRepeat,
  needsFor,
  placeOf,
  subjectOfTag,
  tagOf,
} from './index'

describe('the vocabulary', () => {
  test('has each tag once, in small letters', () => {
    const keys = allTags().map(({ key }) => key)
    expect(keys.filter((key, index) => keys.indexOf(key) !== index)).toEqual([])
    expect(keys.filter((key) => key !== key.toLowerCase())).toEqual([])
  })

  test('a part names a tag that stands before it and is about the same', () => {
    const keys = [...knownKeys()]
    for (const { key, partOf, subject } of allTags()) {
      if (partOf === undefined) continue
      expect(keys.indexOf(partOf), key).toBeGreaterThanOrEqual(0)
      expect(keys.indexOf(partOf), key).toBeLessThan(keys.indexOf(key))
      if (subject !== 'picture-text') expect(subject, key).toBe(tagOf(partOf)!.subject)
    }
  })

  test('none is single and a list; a key that is neither known nor of a family is neither', () => {
    for (const key of knownKeys()) expect(isSingleValued(key) && mayRepeat(key), key).toBe(false)
    expect([isSingleValued('og:colour'), mayRepeat('og:colour'), isKnownKey('og:colour')]).toEqual([
      false,
      false,
      false,
    ])
  })

  test('every tag that a check misses is in it, with what it is about', () => {
    const lacked = checks.flatMap(({ lacks }) => lacks ?? [])
    expect(lacked.length).toBeGreaterThan(5)
    expect(lacked.filter((key) => tagOf(key) === undefined && !isKnownKey(key))).toEqual([])
  })
})

test.each([
  ['og:title', 'title'],
  ['og:image:width', 'picture'],
  ['og:image:alt', 'picture-text'],
  ['og:image:unheard-of', 'picture'],
  ['article:section', 'type'],
  ['music:musician', 'type'],
  ['twitter:player:height', 'card'],
  ['twitter:app:name:iphone', 'card'],
  ['twitter:site:id', 'account'],
  ['fb:profile_id', 'account'],
  ['og:locale:alternate', 'language'],
  ['html lang', 'language'],
  ['googlebot', 'access'],
  ['unheard-of', 'tags'],
  ['', 'tags'],
])('%s is about: %s', (key, subject) => {
  expect(subjectOfTag(key)).toBe(subject)
})

test('which attribute: by the standard of its prefix, and asked only where places mind', () => {
  expect(['og:title', 'fb:app_id', 'article:tag'].map(attributeAsked)).toEqual(['property', 'property', 'property'])
  expect(['twitter:card', 'description'].map(attributeAsked)).toEqual(['name', 'name'])
  expect(['author', 'keywords', 'robots'].map(attributeAsked)).toEqual([null, null, null])
  expect(attributeFor('author')).toBe('name')
})

test('what has to be made first is told by what the tag is, also of one that nobody knows', () => {
  expect(needsFor('twitter:title')).toBe(needsFor('title'))
  expect(needsFor('og:url')).toBe('the production URL')
  expect(needsFor('x:y')).toBe('a value for x:y')
})

test('parts of one image stand in their order, of several with their own image', () => {
  const order = (keys: string[], several: boolean) =>
    keys.toSorted((a, b) => placeOf(a, () => several) - placeOf(b, () => several))
  expect(order(['unheard-of', 'og:image:alt', 'twitter:card', 'og:image', 'og:title'], false)).toEqual([
    'og:title',
    'og:image',
    'og:image:alt',
    'twitter:card',
    'unheard-of',
  ])
  expect(order(['og:image', 'og:image:alt', 'og:image', 'og:image:width'], true)).toEqual([
    'og:image',
    'og:image:alt',
    'og:image',
    'og:image:width',
  ])
})
