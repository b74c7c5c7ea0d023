import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { LICENCES, licencesPage, shippedPackages } from './make-licences.mjs'

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'))

test('docs/licences.md is what the lock file says (npm run licences)', () => {
  expect(readFileSync(LICENCES, 'utf8')).toBe(licencesPage(lock))
})

test('every shipped package says its licence, tools of development are left out', () => {
  expect(licencesPage(lock)).not.toContain('not said')
  const names = shippedPackages(lock).map(({ name }) => name)
  expect(names).toContain('sharp')
  expect(names).not.toContain('vitest')
})
