import { expect, test } from 'vitest'
import type { Drift } from '../compare'
import { driftFormats } from './drift-reports'

const changed = Array.from({ length: 499 }, (_, index) => ({
  url: `https://site.example/${index < 300 ? 'guides' : 'news'}/p${index}`,
  surfaces: ['wide-feed'],
  parts: ['title' as const],
  tags: [{ key: 'og:title', before: `Old ${index}`, after: `New ${index}` }],
}))
const drift: Drift = {
  format: 'nimble-parrot-drift',
  version: 1,
  added: [],
  removed: [],
  moved: [],
  findings: { came: [], went: [] },
  changed,
  refresh: {},
}

test('Markdown tells the first twenty changed cards in words, and the rest by section: a comment has a bound', () => {
  const text = driftFormats.markdown(drift)
  expect(text.match(/og:title: /g)).toHaveLength(20)
  expect(text).toContain('“Old 0” → “New 0”')
  expect(text).toContain('and 479 more: 280 in /guides, 199 in /news')
  expect(text.length).toBeLessThan(10_000)
  expect(driftFormats.text(drift).match(/og:title: /g)).toHaveLength(499)
})

test('a short list is told whole', () => {
  const text = driftFormats.markdown({ ...drift, changed: changed.slice(0, 20) })
  expect(text.match(/og:title: /g)).toHaveLength(20)
  expect(text).not.toContain('more')
})
