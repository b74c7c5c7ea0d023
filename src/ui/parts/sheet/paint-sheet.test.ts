import { describe, expect, test } from 'vitest'
import { fileNameOf } from '@/core/sheet'
import { asDataAddress } from '@/workers/data-address'
import { covering, scaleOf } from './paint-sheet'
import { pictureKey } from './sheet-pictures'

describe('painting a sheet', () => {
  test('is twice as fine as it is shown, unless a canvas could not hold that', () => {
    expect(scaleOf({ widthPx: 1000, heightPx: 2000 })).toBe(2)
    expect(scaleOf({ widthPx: 1000, heightPx: 16_000 })).toBe(1)
    const { widthPx, heightPx } = { widthPx: 10_000, heightPx: 15_000 }
    const scale = scaleOf({ widthPx, heightPx })
    expect(widthPx * scale * heightPx * scale).toBeLessThanOrEqual(100_000_001)
  })

  test('a picture covers its box with its middle', () => {
    expect(covering({ width: 400, height: 100 }, 1)).toEqual({ x: 150, y: 0, width: 100, height: 100 })
    expect(covering({ width: 100, height: 400 }, 1)).toEqual({ x: 0, y: 150, width: 100, height: 100 })
    expect(covering({ width: 191, height: 100 }, 1.91)).toEqual({ x: 0, y: 0, width: 191, height: 100 })
  })

  test('the same address in two runs is two pictures', () => {
    expect(pictureKey('a', 'x')).not.toBe(pictureKey('b', 'x'))
  })

  test('bytes become a data: address, however many', async () => {
    const bytes = Uint8Array.from({ length: 20_000 }, (_, index) => index % 256)
    const address = await asDataAddress(new Blob([bytes], { type: 'image/png' }))
    expect(address.startsWith('data:image/png;base64,')).toBe(true)
    expect(Buffer.from(address.split(',')[1]!, 'base64')).toEqual(Buffer.from(bytes))
  })
})

test.each([
  ['/', 'home'],
  ['/guides/rewire-a-lamp', 'guides-rewire-a-lamp'],
  ['/../../x y?z=1', '..-..-x-y-z-1'],
  ['https://other.example/ä', 'https-other.example-ä'],
])('%s is saved as %s', (path, name) => {
  expect(fileNameOf(path)).toBe(name)
})
