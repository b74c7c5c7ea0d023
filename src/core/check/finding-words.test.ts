import { describe, expect, test } from 'vitest'
import { fixAnywhere, fromWords, inWords } from './finding-words'

const own = 'https://good.example/a.html'
const stale = {
  rule: 'address-differs',
  said: 'differs',
  data: { key: 'og:url', seen: '/b', own, line: 7 },
}

describe('words of a finding', () => {
  test('are its check’s messages, filled with its data', () => {
    expect(inWords(stale)).toEqual({
      message: `og:url: /b. The page is ${own}.`,
      fix: `Change it to ${own} on line 7, or make sure that the other page is meant.`,
    })
  })

  test('name no line where they speak for many pages', () => {
    expect(fixAnywhere(stale)).toBe(`Change it to ${own}, or make sure that the other page is meant.`)
    expect(fixAnywhere({ rule: 'image-heavy', said: 'heavy', data: { url: 'x', weight: '1 MB' } })).toMatch(/^Save it/)
  })

  test('a message that the check does not have is a fault of ours, and is said', () => {
    expect(() => inWords({ rule: 'title-long', said: 'no-such' })).toThrow(/title-long has no message/)
    expect(() => inWords({ rule: 'no-such', said: 'x' })).toThrow()
  })

  test('a finding that was kept in words keeps them', () => {
    const kept = fromWords({ rule: 'gone-by', level: 'note', message: 'It was so.', fix: 'Do so.' })
    expect(kept).not.toHaveProperty('message')
    expect(inWords(kept as never)).toEqual({ message: 'It was so.', fix: 'Do so.' })
    expect(fromWords(stale)).toEqual(stale)
  })
})
