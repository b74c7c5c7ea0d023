// Tries a font in a process of its own: what a hostile one makes of whoever opens it ends with it.
import { create } from 'fontkit'

/** Letters that are set and drawn for a trial: more than any title has. */
const MAX_LETTERS = 5000
/** Letters set at once, as those of a title are. */
const AT_ONCE = 40

/** Does it call itself for ever? Letters that are at odds with each other in another way are told where they are used. */
function goesRoundIn(draw) {
  try {
    draw()
    return false
  } catch (error) {
    return error instanceof RangeError
  }
}

process.on('message', ({ bytes, weight }) => {
  let isUnfit = false
  try {
    const opened = create(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength))
    if ('glyphForCodePoint' in opened) {
      const font = Object.keys(opened.variationAxes).length === 0 ? opened : opened.getVariation({ wght: weight })
      const letters = font.characterSet.slice(0, MAX_LETTERS).filter((point) => point > 0x1f && point < 0xd800)
      for (let at = 0; at < letters.length; at += AT_ONCE) {
        const text = String.fromCodePoint(...letters.slice(at, at + AT_ONCE))
        isUnfit ||= goesRoundIn(() => {
          for (const glyph of font.layout(text).glyphs) glyph.path.toSVG()
          font.layout(text, undefined, undefined, undefined, 'rtl')
        })
      }
    }
  } catch {
    // What is no font is told by who opens it.
  }
  process.send(isUnfit ? 'unfit' : 'tried')
})
process.on('disconnect', () => process.exit())
