import { describe, expect, test } from 'vitest'
import { crawlDelayFor, isAllowed, parseRobots } from './robots'

const allowed = (text: string, path: string, token = 'NimbleParrot') => isAllowed(parseRobots(text), token, path)

describe('which rule decides', () => {
  test.each([
    ['the longest match', 'User-agent: *\nDisallow: /a\nAllow: /a/b', '/a/b/c', true],
    ['allow, of two equally long', 'User-agent: *\nDisallow: /page\nAllow: /page', '/page', true],
    ['none: allowed', 'User-agent: *\nDisallow: /private', '/public', true],
    ['an empty disallow allows all', 'User-agent: *\nDisallow:', '/x', true],
    ['a wildcard', 'User-agent: *\nDisallow: /*.pdf', '/docs/a.pdf?x=1', false],
    ['a wildcard to the end', 'User-agent: *\nDisallow: /*.pdf$', '/docs/a.pdf?x=1', true],
    ['an end mark', 'User-agent: *\nDisallow: /a$', '/a', false],
    ['an end mark, longer path', 'User-agent: *\nDisallow: /a$', '/ab', true],
    ['percent-encoding made equal', 'User-agent: *\nDisallow: /café', '/caf%C3%A9', false],
    ['a comment after the rule', 'User-agent: * # all\nDisallow: /x # not here', '/x', false],
  ])('%s', (_name, text, path, expected) => {
    expect(allowed(text, path)).toBe(expected)
  })
})

describe('which group holds', () => {
  const text = 'User-agent: *\nDisallow: /\n\nUser-agent: nimbleparrot\nUser-agent: Other\nDisallow: /own'

  test('the one that names the crawler, in any case', () => {
    expect(allowed(text, '/x')).toBe(true)
    expect(allowed(text, '/own')).toBe(false)
    expect(allowed(text, '/own', 'Other')).toBe(false)
  })

  test('else the one for all', () => {
    expect(allowed(text, '/x', 'Twitterbot')).toBe(false)
  })

  test('two groups for one crawler count together', () => {
    const two = 'User-agent: a\nDisallow: /1\n\nUser-agent: b\nDisallow: /2\n\nUser-agent: a\nDisallow: /3'
    expect([1, 2, 3].map((path) => allowed(two, `/${path}`, 'a'))).toEqual([false, true, false])
  })
})

test('crawl delay and sitemaps are kept', () => {
  const rules = parseRobots('Sitemap: https://a.example/s.xml\nUser-agent: *\nCrawl-delay: 2.5')
  expect(rules.sitemaps).toEqual(['https://a.example/s.xml'])
  expect(crawlDelayFor(rules, 'NimbleParrot')).toBe(2.5)
})

test.each(['', '<html>not robots</html>', ':::', 'Disallow: /before-any-group'])('%j keeps no crawler out', (text) => {
  expect(allowed(text, '/before-any-group')).toBe(true)
})

test.each([
  ['/caf%c3%a9', '/café'],
  ['/café', '/caf%C3%A9'],
  ['/%63afe', '/cafe'],
  ['/a%2Fb', '/a%2fb'],
])('a rule of %s holds for %s: codes are compared in one form', (rule, path) => {
  expect(isAllowed(parseRobots(`User-agent: *\nDisallow: ${rule}`), 'Any', path)).toBe(false)
})

test('a code that stands for a separator is none', () => {
  expect(isAllowed(parseRobots('User-agent: *\nDisallow: /a%2Fb'), 'Any', '/a/b')).toBe(true)
})
