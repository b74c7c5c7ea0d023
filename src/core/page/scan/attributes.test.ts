import { describe, expect, test } from 'vitest'
import { Attributes } from './attributes'

/** The piece of a tag that an attribute takes up. */
function pieceOf(tag: string, name: string): string | null {
  const attributes = new Attributes()
  attributes.read(tag, '<meta'.length)
  const span = attributes.spanOf(name)
  return span && tag.slice(span.start, span.end)
}

describe('where an attribute stands', () => {
  test.each([
    ['<meta content="a b" name=x>', 'content="a b"'],
    ['<meta content=\'a "b"\'/>', 'content=\'a "b"\''],
    ['<meta content=plain>', 'content=plain'],
    ['<meta CONTENT = "x" >', 'CONTENT = "x"'],
    ['<meta content="">', 'content=""'],
    ["<meta content=''/>", "content=''"],
    ['<meta content name=x>', 'content'],
    ['<meta content= name=x>', 'content= name=x'],
    ['<meta content="first" content="second">', 'content="first"'],
    ['<meta data-content="x" name=y>', null],
    ['<meta>', null],
  ])('%s: %s', (tag, piece) => {
    expect(pieceOf(tag, 'content')).toBe(piece)
  })
})
