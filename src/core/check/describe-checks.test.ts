import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { describeChecks } from './describe-checks'
import { checks } from './rules'

const text = describeChecks(checks)

test('docs/checks.md is what the checks say; npm run docs writes it again', () => {
  expect(readFileSync(new URL('../../../docs/checks.md', import.meta.url), 'utf8')).toBe(text)
})

test('every check has a heading, a level and its words, without markup that would be read', () => {
  for (const { id, level } of checks) expect(text).toContain(`### ${id}\n\n**${level}**, looks at `)
  expect(text).toContain('- There is no &lt;title>.')
  expect(text).not.toMatch(/\{\w+\}/)
})
