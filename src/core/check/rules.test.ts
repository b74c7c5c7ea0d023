import { readdirSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { checks } from './rules'

const files = readdirSync(new URL('./rules', import.meta.url)).filter((name) => name !== 'index.ts')
const ids = files.filter((name) => !name.endsWith('.test.ts')).map((name) => name.replace('.ts', ''))

describe('the list of checks', () => {
  test('holds every file of the folder, once, in order', () => {
    expect(checks.map(({ id }) => id)).toEqual([...ids].sort())
  })

  test('has a test beside every check', () => {
    expect(
      files
        .filter((name) => name.endsWith('.test.ts'))
        .map((name) => name.replace('.test.ts', ''))
        .sort(),
    ).toEqual([...ids].sort())
  })

  test('has a label of its own for every check', () => {
    expect(new Set(checks.map(({ label }) => label)).size).toBe(checks.length)
  })

  test.each(checks.map((check) => [check.id, check] as const))('%s explains itself', (_id, check) => {
    expect(check.looksAt.length).toBeGreaterThan(10)
    expect(check.why.length).toBeGreaterThan(20)
    // There is room for two or three words under a card.
    expect(check.label.length).toBeLessThanOrEqual(24)
    if (check.lacks) expect(check.id).toMatch(/-(?:missing|undeclared)$/)
    for (const { says, fix, anywhere } of Object.values(check.messages)) {
      expect(anywhere === undefined).toBe(!fix.includes('{line}'))
      expect(anywhere ?? '').not.toContain('{line}')
      expect(says).toMatch(/[.”}]$/)
      expect(fix).toMatch(/\.$/)
    }
  })
})
