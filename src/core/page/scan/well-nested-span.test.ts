import { describe, expect, test } from 'vitest'
import * as T from './tag-table'
import { WellNestedSpan } from './well-nested-span'

/** What the last of some start tags does in a navigation. */
function lastOf(...tags: number[]) {
  const piece = new WellNestedSpan(T.NAV)
  return tags.map((tag) => piece.start(tag, true)).at(-1)
}

describe('a piece that closes what it opens', () => {
  test('elements end in order, and the piece with its holder', () => {
    const piece = new WellNestedSpan(T.NAV)
    expect([piece.start(T.UL, false), piece.start(T.LI, false), piece.start(T.A, false)]).toEqual([
      'push',
      'push',
      'push',
    ])
    expect([piece.isEnd(T.NAV), piece.close(T.LI), piece.close(T.A), piece.close(T.LI)]).toEqual([
      false,
      false,
      true,
      true,
    ])
    expect([piece.close(T.UL), piece.isEnd(T.NAV), piece.close(T.NAV)]).toEqual([true, true, false])
  })

  test('a link may follow a link, and stand in none', () => {
    const piece = new WellNestedSpan(T.NAV)
    piece.start(T.A, true)
    expect(piece.start(T.A, true)).toBe('undecided')
    piece.close(T.A)
    expect(piece.start(T.A, true)).toBe('push')
  })

  test.each([
    ['a block in a paragraph closes it', T.P, T.DIV],
    ['a paragraph in a paragraph does too', T.P, T.P],
    ['a heading in a heading closes it', T.H2, T.H3],
    ['a button in a button closes it', T.BUTTON, T.BUTTON],
    ['an li outside of a list may close another', T.DIV, T.LI],
    ['a part of a table is dropped outside of one', T.DIV, T.TD],
    ['what the page is about is for the tree', T.DIV, T.MAIN],
    ['text that is not seen is not counted', T.DIV, T.NOSCRIPT],
  ])('%s', (_, outer, inner) => {
    expect(lastOf(outer, inner)).toBe('undecided')
  })

  test('the first heading of a page is for the tree, any later one is not', () => {
    expect([new WellNestedSpan(T.NAV).start(T.H1, false), new WellNestedSpan(T.NAV).start(T.H1, true)]).toEqual([
      'undecided',
      'push',
    ])
  })

  test('what stands for itself', () => {
    expect([T.BR, T.IMG, T.SCRIPT, T.STYLE, T.SVG, T.SELECT, T.MATH, T.TEMPLATE].map((tag) => lastOf(tag))).toEqual([
      'void',
      'fact',
      'script',
      'raw',
      'drawing',
      'choices',
      'undecided',
      'undecided',
    ])
  })
})
