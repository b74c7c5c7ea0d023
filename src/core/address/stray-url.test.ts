import { describe, expect, test } from 'vitest'
import { innerUrl, strayUrl, unfilledPart } from './stray-url'

const SITE = 'https://lanterns.example/docs/'
const of = (raw: string, site = SITE) => strayUrl(raw, URL.canParse(raw, site) ? new URL(raw, site).href : null, site)

describe('a URL within another', () => {
  test.each([
    ['https://lanterns.examplehttps://lanterns.example/img/a.png', 'https://lanterns.example/img/a.png'],
    ['https://lanterns.example/https://lanterns.example/img/a.png', 'https://lanterns.example/img/a.png'],
    ['http://localhost:3000https://lanterns.example/a', 'https://lanterns.example/a'],
  ])('%s', (raw, inner) => expect(innerUrl(raw)).toBe(inner))

  test.each([
    'https://lanterns.example/a',
    'https://archive.example/web/2020/https://lanterns.example/a',
    'https://images.example/https://lanterns.example/a.png',
    'https://lanterns.example/go?to=https://lanterns.example/a',
    '/img/https.png',
  ])('none in %s', (raw) => expect(innerUrl(raw)).toBeNull())
})

describe('a part without a value', () => {
  test.each([
    ['https://lanterns.example/undefined/a', 'undefined'],
    ['https://undefined/img/a.png', 'undefined'],
    ['https://lanterns.example/a/null', 'null'],
    ['https://lanterns.example/%5Bobject%20Object%5D/a', '%5Bobject%20Object%5D'],
  ])('%s', (url, part) => expect(unfilledPart(url)).toBe(part))

  test.each([
    'https://lanterns.example/undefined-behaviour/',
    'https://lanterns.example/nullable',
    'https://null.example/',
  ])('none in %s', (url) => expect(unfilledPart(url)).toBeNull())

  test('what follows it is what was meant, on the site', () => {
    expect(of('undefined/img/a.png')).toEqual({ why: 'unfilled', whole: `${SITE}img/a.png` })
    expect(of('https://undefined/img/a.png')).toEqual({ why: 'unfilled', whole: `${SITE}img/a.png` })
    expect(of('https://lanterns.example/docs/undefined')).toEqual({ why: 'unfilled', whole: null })
  })
})

describe('a host where a version of the site is tried out', () => {
  test.each([
    'https://staging.lanterns.example/docs/a.png',
    'https://preview2.lanterns.example/docs/a.png',
    'https://stage.www.lanterns.example/a.png',
    'https://deploy-preview-7--lanterns.builds.example/a.png',
    'https://lanterns-git-new-header-team.builds.example/a.png',
  ])('%s', (raw) => expect(of(raw)).toMatchObject({ why: 'preview', whole: `${SITE}a.png` }))

  test.each([
    'https://images.lanterns.example/a.png',
    'https://dev.lanterns.example/a.png',
    'https://staging.other.example/a.png',
    'https://www.lanterns.example/a.png',
    'https://test.example/a.png',
  ])('%s is none', (raw) => expect(of(raw)).toBeNull())

  test('the site itself may be called so', () => {
    expect(of('https://staging.lanterns.example/a.png', 'https://staging.lanterns.example/')).toBeNull()
  })
})
