import { expect, test } from 'vitest'
import type { RefreshEntry } from '../compare'
import { refreshAsAddresses, refreshAsCsv } from './refresh-reports'

const entry = (address: string, more: Partial<RefreshEntry> = {}): RefreshEntry => ({
  address,
  page: address,
  reason: 'text',
  movedTo: null,
  held: { run: 'old', at: '2026-11-20T09:30:00.000Z' },
  expiresAt: '2026-12-20T09:30:00.000Z',
  state: 'open',
  askedAt: null,
  ...more,
})

test('addresses to ask for stand one a line, each once, without those that are done', () => {
  const entries = [
    entry('https://a.example/'),
    entry('https://a.example/b', { state: 'done' }),
    entry('https://a.example/'),
  ]
  expect(refreshAsAddresses(entries)).toBe('https://a.example/\n')
  expect(refreshAsAddresses([])).toBe('')
})

test('the table says for each place what is out of date and why; formulas are neutralised', () => {
  const places = [
    { surface: 'wide-feed', name: 'Wide feed', entries: [entry('https://a.example/,b')] },
    {
      surface: 'own',
      name: '=Own',
      entries: [
        entry('https://a.example/c', {
          reason: 'picture-under-same-address',
          expiresAt: null,
          state: 'asked',
          askedAt: '2026-11-26T10:00:00.000Z',
        }),
      ],
    },
  ]
  expect(refreshAsCsv(places)).toBe(
    [
      'surface,address,page,reason,held since,goes by itself,state,asked',
      'Wide feed,"https://a.example/,b","https://a.example/,b",text changed,2026-11-20T09:30:00.000Z,2026-12-20T09:30:00.000Z,open,',
      "'=Own,https://a.example/c,https://a.example/c,picture changed under the same address,2026-11-20T09:30:00.000Z,never,asked,2026-11-26T10:00:00.000Z",
      '',
    ].join('\r\n'),
  )
})
