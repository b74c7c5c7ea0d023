import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { OtherPieces, type PieceDecoder, Utf8Pieces } from './piece-decoder'

const inPieces = (decoder: PieceDecoder, bytes: Uint8Array, size: number) => {
  let text = ''
  for (let at = 0; at < bytes.length; at += size) text += decoder.decode(bytes.subarray(at, at + size))
  return text + decoder.end()
}

describe('texts that come in pieces', () => {
  // Whole characters, their parts, and bytes that stand in no UTF-8.
  const piece = fc.oneof(
    fc.constantFrom('a', 'é', '€', '😀', '\uFEFF').map((text) => [...new TextEncoder().encode(text)]),
    fc.constantFrom([0xe2], [0x82], [0xf0, 0x9f], [0xf0, 0x80], [0xc0], [0xff], [0xed, 0xa0, 0x80], [0xf4, 0x90]),
  )
  const bytes = fc.array(piece, { maxLength: 12 }).map((pieces) => Uint8Array.from(pieces.flat()))

  test('UTF-8 is what it is in one piece, however it is cut', () => {
    fc.assert(
      fc.property(bytes, fc.integer({ min: 1, max: 5 }), (all, size) => {
        const whole = new TextDecoder('utf-8', { ignoreBOM: true }).decode(all)
        expect(inPieces(new Utf8Pieces(), all, size)).toBe(whole)
      }),
      runs(5000),
    )
  })

  test('a character begun in one piece is kept when the caller writes over its bytes', () => {
    const decoder = new Utf8Pieces()
    const buffer = Uint8Array.from([0xe2, 0x82])
    expect(decoder.decode(buffer)).toBe('')
    buffer.fill(0x41)
    expect(decoder.decode(Uint8Array.from([0xac]))).toBe('€')
  })

  test('other encodings too', () => {
    const bytes = Uint8Array.from([0x82, 0xa0, 0x41, 0x82, 0xa2])
    expect(inPieces(new OtherPieces('shift_jis'), bytes, 1)).toBe('あAい')
  })
})
