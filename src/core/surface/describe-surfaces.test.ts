import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { surfaces } from '../testing/places'
import { describeSurfaces } from './describe-surfaces'

const text = describeSurfaces(surfaces)

test('docs/surfaces.md is what the profiles say; npm run docs writes it again', () => {
  expect(readFileSync(new URL('../../../docs/surfaces.md', import.meta.url), 'utf8')).toBe(text)
})

test('names every surface with its key, and the basis of its figures', () => {
  for (const { name, id } of surfaces) expect(text).toContain(`## ${name}\n\n\`${id}\`, key `)
  expect(text).toContain('| Reads | the first 32 KiB of HTML (documented) |')
  expect(text).toContain('| Large from | 401 px wide (observed) |')
  expect(text).toContain('`tab`, key 0.')
})
