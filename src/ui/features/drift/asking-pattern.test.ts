import { afterEach, describe, expect, test, vi } from 'vitest'
import { askingHref, askingPatternFault, keepAskingPattern, readAskingPatterns } from './asking-pattern'

const ADDRESS = 'https://site.example/a?b=c&d#e'

afterEach(() => vi.unstubAllGlobals())

/** A store as the browser has it. */
function stubStorage(first: Record<string, string> = {}): Map<string, string> {
  const kept = new Map(Object.entries(first))
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => kept.set(key, value),
  })
  return kept
}

describe('asking again', () => {
  test('the address is put in, encoded whole', () => {
    const href = askingHref(' https://place.example/again?u={address}&go=1 ', ADDRESS)!
    expect(new URL(href).searchParams.get('u')).toBe(ADDRESS)
    expect(new URL(href).searchParams.get('go')).toBe('1')
  })

  test.each([
    ['', null],
    ['https://place.example/{address}', null],
    ['place.example/{address}', /https:\/\//],
    ['javascript:alert({address})', /https:\/\//],
    ['https://place.example/', /\{address\}/],
    ['https://{address}', null],
    ['https://a b/{address}', /no address/],
  ])('%s', (pattern, fault) => {
    if (fault === null) expect(askingPatternFault(pattern)).toBeNull()
    else {
      expect(askingPatternFault(pattern)).toMatch(fault)
      expect(askingHref(pattern, ADDRESS)).toBeNull()
    }
  })

  test('there is no address to open without a pattern', () => {
    expect(askingHref('  ', ADDRESS)).toBeNull()
  })
})

describe('patterns of this browser', () => {
  test('are kept by surface', () => {
    stubStorage()
    keepAskingPattern('wide-feed', 'https://a.example/{address}')
    keepAskingPattern('search', 'https://b.example/{address}')
    keepAskingPattern('wide-feed', 'https://c.example/{address}')
    expect(readAskingPatterns()).toEqual({
      'wide-feed': 'https://c.example/{address}',
      search: 'https://b.example/{address}',
    })
  })

  test.each(['{', '[1]', 'null', '{"wide-feed":7}'])('what something else left there is passed over: %s', (text) => {
    stubStorage({ 'nimble-parrot asking again': text })
    expect(Object.values(readAskingPatterns()).filter((pattern) => typeof pattern !== 'string')).toEqual([])
  })

  test('storage that is closed holds none, and stops no one', () => {
    vi.stubGlobal('localStorage', undefined)
    expect(readAskingPatterns()).toEqual({})
    expect(() => keepAskingPattern('search', 'x')).not.toThrow()
  })
})
