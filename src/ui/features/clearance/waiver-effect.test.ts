import { expect, test } from 'vitest'
import type { Finding } from '@/core/model'
import type { WallRow } from '@/store/database'
import { waiverEffect } from './waiver-effect'

const SITE = 'https://site.example/'
const row = (path: string, ...rules: string[]) =>
  ({
    url: `https://site.example${path}`,
    path,
    section: path.startsWith('/guides/') ? '/guides/*' : path,
    findings: rules.map((rule) => ({ rule, level: rule === 'title-cut' ? 'note' : 'error' }) as Finding),
  }) as WallRow
const rows = [row('/', 'title-cut'), row('/guides/a', 'title-cut', 'image-heavy'), row('/guides/b', 'title-cut')]
const effect = (rule: string, glob: string) => waiverEffect(rows, SITE, rule, glob)

test('what a waiver takes away is counted on the pages that it names', () => {
  expect(effect('title-cut', '')).toMatchObject({ pages: 3, levels: { error: 0, note: 3 } })
  expect(effect('title-cut', '/guides/*')).toMatchObject({ pages: 2, levels: { note: 2 }, matched: 2 })
  expect(effect('image-heavy', '/guides/*')).toMatchObject({ pages: 1, levels: { error: 1 } })
})

test('pages without that finding give it nothing to take away', () => {
  expect(effect('image-heavy', '/')).toEqual({
    pages: 0,
    levels: { error: 0, warning: 0, note: 0 },
    matched: 1,
    meant: null,
  })
})

test.each([
  ['guides', '/guides/*'],
  ['guides/', '/guides/*'],
  ['/guides', '/guides/*'],
  ['/guidse/*', '/guides/*'],
])('“%s” has no page: %s is meant', (typed, meant) => {
  expect(effect('title-cut', typed)).toMatchObject({ pages: 0, matched: 0, meant })
})

test('a pattern that is like nothing has no page, and no other is offered', () => {
  expect(effect('title-cut', '/zzzzzzzz/*')).toMatchObject({ matched: 0, meant: null })
})
