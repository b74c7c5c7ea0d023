import { execFileSync } from 'node:child_process'
import sharp from 'sharp'
import { describe, expect, test, vi } from 'vitest'
import { createDecode } from './decoder'

const decode = createDecode(new AbortController().signal)
const both = { alpha: true, look: true }

/** Processes of this one that decode pictures. */
function decoders(): number {
  const list = execFileSync('ps', ['-o', 'args=', '--ppid', String(process.pid)], { encoding: 'utf8' })
  return list.split('\n').filter((line) => line.includes('decoder-process')).length
}

const plain = (width: number, height: number, alpha: number) =>
  sharp({ create: { width, height, channels: 4, background: { r: 10, g: 120, b: 77, alpha } } })

describe('a picture is decoded in a process of its own', () => {
  test.each(['jpeg', 'png', 'gif', 'webp', 'avif', 'tiff'] as const)('%s', async (format) => {
    const bytes = await plain(64, 48, 1).toFormat(format).toBuffer()
    const { alpha, look } = await decode(bytes, both)
    expect(alpha).toBe(false)
    expect(look).toBeInstanceOf(Uint8Array)
  })

  test('a hole is seen', async () => {
    expect((await decode(await plain(20, 20, 0.5).png().toBuffer(), both)).alpha).toBe(true)
  })

  test('what can’t be decoded is broken, and the next picture is decoded all the same', async () => {
    const png = await plain(400, 300, 1).png().toBuffer()
    const broken = Buffer.concat([png.subarray(0, png.length - 60), Buffer.alloc(60, 1)])
    expect((await decode(broken, both)).look).toBe('broken')
    expect((await decode(png, both)).look).toBeInstanceOf(Uint8Array)
  })

  test('a drawing never reaches a renderer, whatever it is called', async () => {
    const svg = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><rect width="9" height="9"/></svg>',
    )
    expect(await decode(svg, both)).toEqual({ alpha: null, look: null })
    // As it would have to be written to pass for something else: the loader itself is not there.
    const hidden = Buffer.concat([Buffer.from('GIF89a'), svg])
    expect((await decode(hidden, both)).look).not.toBeInstanceOf(Uint8Array)
  })

  test('more pixels than may be are not decoded', async () => {
    const unread = { alpha: null, look: null }
    expect(await decode(await plain(6000, 5000, 1).webp({ effort: 0 }).toBuffer(), both)).toEqual(unread)
    expect(await decode(await plain(11_000, 10_000, 1).png({ compressionLevel: 1 }).toBuffer(), both)).toEqual(unread)
    // What is scaled down while it is decoded may have more.
    const large = await decode(await plain(10_000, 9000, 1).jpeg({ quality: 40 }).toBuffer(), both)
    expect([large.alpha, large.look instanceof Uint8Array]).toEqual([false, true])
  })
})

test('two at most at once, and none is left after a while', async () => {
  const bytes = await plain(1800, 1800, 1).avif({ effort: 0 }).toBuffer()
  let most = 0
  const watch = setInterval(() => {
    most = Math.max(most, decoders())
  }, 50)
  const looks = await Promise.all(Array.from({ length: 6 }, () => decode(bytes, both)))
  clearInterval(watch)
  expect(looks.every(({ look }) => look instanceof Uint8Array)).toBe(true)
  expect(most).toBeGreaterThan(0)
  expect(most).toBeLessThanOrEqual(2)
  await vi.waitFor(() => expect(decoders()).toBe(0), 10_000)
})

test('a stop ends what is being decoded, and what waits for it', async () => {
  const bytes = await plain(4900, 4900, 1).avif({ effort: 0 }).toBuffer()
  const stop = new AbortController()
  const stoppable = createDecode(stop.signal)
  const asked = Array.from({ length: 8 }, () => stoppable(bytes, both))
  await vi.waitFor(() => expect(decoders()).toBeGreaterThan(0), 5000)
  stop.abort()
  expect(await Promise.all(asked)).toEqual(asked.map(() => ({ alpha: null, look: null })))
  await vi.waitFor(() => expect(decoders()).toBe(0), 5000)
})
