import { expect, test } from 'vitest'
import { createAddressMap, parseRobots } from '../address'
import { isKeptOutByRobots } from './robots-of-site'

const context = {
  addresses: createAddressMap('https://brasswick.example/docs/', null),
  robots: parseRobots('User-agent: Twitterbot\nDisallow: /docs/private/'),
}

test.each([
  ['https://brasswick.example/docs/private/a', 'Twitterbot', true],
  ['https://brasswick.example/docs/a', 'Twitterbot', false],
  ['https://brasswick.example/docs/private/a', 'WhatsApp', false],
  // Another host of a list has a robots.txt of its own, which was not read.
  ['https://other.example/docs/private/a', 'Twitterbot', false],
])('%s, %s: kept out %s', (url, token, isOut) => {
  expect(isKeptOutByRobots(url, token, context)).toBe(isOut)
})

test('without a robots.txt no crawler is kept out', () => {
  expect(
    isKeptOutByRobots('https://brasswick.example/docs/private/a', 'Twitterbot', { ...context, robots: null }),
  ).toBe(false)
})
