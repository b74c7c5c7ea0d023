import { expect, test } from 'vitest'
import { digestOf, digestOfTexts } from './digest'

test('a text in pieces has the hash of the whole', async () => {
  const pieces = ['Lämp', '', '🪡 and ', 'x'.repeat(70_000)]
  expect(digestOfTexts(pieces)).toBe(await digestOf(new TextEncoder().encode(pieces.join(''))))
})
