import { describe, expect, test } from 'vitest'
import { PatternFault, parsePattern, renderTitle } from './title-pattern'

const values = { title: 'Rewire a lamp', site: 'Brasswick', author: 'Ada', heading: '' }
const rendered = (source: string, fits?: (title: string) => boolean) => renderTitle(parsePattern(source), values, fits)

describe('a title pattern', () => {
  test.each([
    ['{title} | {site}', 'Rewire a lamp | Brasswick'],
    ['{site}: { title }', 'Brasswick: Rewire a lamp'],
    ['{title}[ by {author}]', 'Rewire a lamp by Ada'],
    ['{title}[ ({heading})] | {site}', 'Rewire a lamp | Brasswick'],
    ['{title}[ – {category}, {author}]', 'Rewire a lamp'],
    ['\\[{title}\\] \\\\ \\{x\\}', '[Rewire a lamp] \\ {x}'],
  ])('%s', (source, title) => {
    expect(rendered(source)).toBe(title)
  })

  test('groups go in their turn until the title fits, and no further', () => {
    const source = '{title}[ · {author}]2[ | {site}]1'
    expect(rendered(source, () => true)).toBe('Rewire a lamp · Ada | Brasswick')
    expect(rendered(source, (title) => title.length <= 20)).toBe('Rewire a lamp · Ada')
    expect(rendered(source, () => false)).toBe('Rewire a lamp')
  })

  test('a group without a turn stays, however long the title', () => {
    expect(rendered('{title}[ | {site}]', () => false)).toBe('Rewire a lamp | Brasswick')
  })

  test.each([
    ['{titel}', 1, /no part “titel”. Is title meant/],
    ['{}', 1, /needs a name/],
    ['{title', 0, /never closed/],
    ['{title} [x', 8, /never closed/],
    ['{title} [x]', 8, /at least one part/],
    ['[{title} [a {site}]]', 9, /group can’t stand in a group/],
    ['{title}]', 7, /closes nothing/],
    ['a } {title}', 2, /closes nothing/],
    ['{title}\\n', 7, /stands before one of/],
    ['Brasswick', 0, /same title/],
    ['', 0, /same title/],
  ])('%s: the fault points at %d', (source, at, words) => {
    try {
      parsePattern(source)
      expect.unreachable()
    } catch (error) {
      expect(error).toBeInstanceOf(PatternFault)
      expect((error as PatternFault).at).toBe(at)
      expect((error as PatternFault).message).toMatch(words)
    }
  })
})
