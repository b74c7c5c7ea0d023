import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../../testing/property-runs'
import { LineIndex } from '../lines'
import { Positions } from './positions'

const isAscii = (text: string) => [...text].every((character) => character.charCodeAt(0) < 0x80)

/** Positions of ascending offsets, the text given in pieces of which none is let go of. */
function positionsOf(pieces: string[], offsets: number[], encoding = 'utf-8', bomBytes = 0) {
  const positions = new Positions(encoding, bomBytes)
  let text = ''
  const found: { line: number; column: number; bytes: number }[] = []
  let next = 0
  for (const piece of pieces) {
    text += piece
    positions.extend(text, 0, piece, isAscii(piece))
    while (next < offsets.length && offsets[next]! < text.length) {
      const offset = offsets[next++]!
      found.push({ ...positions.at(offset), bytes: positions.bytesBefore(offset) })
    }
  }
  return found
}

const character = fc.constantFrom('a', ' ', '\n', '\r\n', '\r', 'é', '漢', '😀', '<')

describe('positions while a page goes by', () => {
  test('are those of counting the whole page, in one piece', () => {
    fc.assert(
      fc.property(fc.array(character, { maxLength: 60 }), (characters) => {
        const text = characters.join('')
        const offsets = Array.from({ length: text.length }, (_, index) => index).filter(
          (at) => text[at] !== '\n' || text[at - 1] !== '\r',
        )
        const whole = offsets.filter((at) => !(text.charCodeAt(at) >= 0xdc00 && text.charCodeAt(at) <= 0xdfff))
        const lines = new LineIndex(text)
        expect(positionsOf([text], whole)).toEqual(
          whole.map((at) => ({ ...lines.positionOf(at), bytes: new TextEncoder().encode(text.slice(0, at)).length })),
        )
      }),
      runs(800),
    )
  })

  test('a text without a line end, and one whose pieces turn from ASCII to more', () => {
    expect(positionsOf(['abc', 'dé<', 'f<'], [2, 5, 7])).toEqual([
      { line: 1, column: 3, bytes: 2 },
      { line: 1, column: 6, bytes: 6 },
      { line: 1, column: 8, bytes: 8 },
    ])
  })

  test('bytes of a mark and of other encodings', () => {
    expect(positionsOf(['é<'], [1], 'utf-8', 3)[0]!.bytes).toBe(5)
    expect(positionsOf(['é<'], [1], 'windows-1252')[0]!.bytes).toBe(1)
    expect(positionsOf(['a<'], [1], 'utf-16le', 2)[0]!.bytes).toBe(4)
    expect(positionsOf(['漢<'], [1], 'gbk')[0]!.bytes).toBe(2)
  })

  test('after text was let go of, offsets count on', () => {
    const positions = new Positions('utf-8', 0)
    positions.extend('one\ntwo\n', 0, 'one\ntwo\n', true)
    expect([positions.at(8), positions.bytesBefore(8)]).toEqual([{ line: 3, column: 1 }, 8])
    positions.extend('three\nfour', 8, 'three\nfour', true)
    expect([positions.at(14), positions.bytesBefore(14)]).toEqual([{ line: 4, column: 1 }, 14])
  })
})
