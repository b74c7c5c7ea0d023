import { describeCheck } from '../../testing/describe-check'
import { pngBytes } from '../../testing/good-site'

/** A PNG that says of itself that it moves: an acTL chunk before the pixels. */
function animatedPng(): Uint8Array {
  const still = pngBytes(1200, 630)
  const chunk = Uint8Array.from([0, 0, 0, 8, 0x61, 0x63, 0x54, 0x4c, 0, 0, 0, 2, 0, 0, 0, 0, 0, 0, 0, 0])
  return Uint8Array.from([...still.slice(0, 33), ...chunk, ...still.slice(33)])
}

describeCheck('image-animated', {
  raises: { 'an animated PNG': { files: { 'img/Ferns.png': animatedPng() }, expect: { level: 'note' } } },
  passes: { 'a still one': { files: { 'img/Ferns.png': pngBytes(1200, 630) } } },
})
