import fc from 'fast-check'
import picomatch from 'picomatch/posix'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { globFault, globMatcher } from './globs'
import { limits } from './limits'

describe('globMatcher', () => {
  test.each([
    ['/guides/*', '/guides/lamp', true],
    ['/guides/*', '/guides/lamp/', true],
    ['/guides/*', '/guides/', false],
    ['/guides/*', '/guides/a/b', false],
    ['/guides/**', '/guides', true],
    ['/guides/**', '/guides/a/b', true],
    ['/guides/**/print', '/guides/print', true],
    ['/guides/**/print', '/guides/a/b/print', true],
    ['/**/print', '/print', true],
    ['**', '/a/b', true],
    ['/gu**', '/guides', true],
    ['/gu**', '/guides/a', false],
    ['/[0-9]*', '/2026-11', true],
    ['/[!0-9]*', '/2026-11', false],
    ['/a?c', '/abc', true],
    ['/a?c', '/a/c', false],
    ['/a\\*', '/a*', true],
    ['/a\\*', '/ab', false],
    ['/[a', '/[a', true],
    ['/a.c(d|e)+', '/a.c(d|e)+', true],
    ['/A', '/a', false],
  ])('%s and %s: %s', (glob, path, expected) => {
    expect(globMatcher(glob)(path)).toBe(expected)
  })

  test('says what a well-known matcher says', () => {
    const sign = fc.constantFrom('a', 'b', '/', '*', '?', '**', '/**', '/*', '[ab]', '[^a]', '-', '.')
    const glob = fc.array(sign, { minLength: 1, maxLength: 8 }).map((signs) => `/${signs.join('')}`)
    const path = fc
      .array(fc.constantFrom('a', 'b', '/', '-', '.'), { maxLength: 9 })
      .map((signs) => `/${signs.join('')}`)
    // Empty segments and dots alone have no meaning that paths would ask for; theirs wants `/**/*` to lie deeper than `/a`.
    const isPlain = (text: string) => !/\/\/|\/\.{1,2}(?:\/|$)|\*\*(?!$)|[^/]\*\*/.test(text)
    fc.assert(
      fc.property(glob.filter(isPlain), path.filter(isPlain), (one, at) => {
        const theirs = picomatch(one, { dot: true, nobrace: true, noextglob: true })
        expect(globMatcher(one)(at)).toBe(theirs(at))
      }),
      runs(5000),
    )
  })

  test('what would take a pattern with ways back for ever is held against a path at once', () => {
    const long = `/${'a'.repeat(limits.addressCharacters - 2)}b`
    for (const glob of ['/*a*a*a*a*a*a*a*a*a*a*a*a*a*a*a*c', `/${'*a'.repeat(400)}c`, `/${'**/'.repeat(300)}c`]) {
      expect(globMatcher(glob)(long)).toBe(false)
    }
  })
})

test.each([
  ['', /empty/],
  ['a'.repeat(limits.globCharacters + 1), /1001 characters/],
])('%j is refused', (glob, says) => {
  expect(globFault(glob)).toMatch(says)
})
