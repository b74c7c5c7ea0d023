import { describe, expect, test } from 'vitest'
import type { Draft, Landing } from '@/core/draft'
import { changeBy } from './use-landings'

const at = (minute: number) => new Date(Date.UTC(2026, 10, 23, 9, minute)).toISOString()
const draft = (over: Partial<Draft> = {}): Draft => ({
  site: 'https://site.example/',
  url: 'https://site.example/a',
  fields: { title: 'New' },
  against: {},
  madeAt: at(1),
  changedAt: at(2),
  landedAt: null,
  ...over,
})
const landing = (state: Landing['state']): Landing => ({ state, tags: [] })

describe('what a run says of a draft', () => {
  test.each([
    ['read after it was written: it has landed', draft(), 'landed', 5, { landedAt: at(5), goneSince: undefined }],
    ['read before it was written: that is chance', draft(), 'landed', 1, null],
    ['without it', draft(), 'not-in-build', 5, null],
    ['with a part of it', draft(), 'partly', 5, null],
    ['that has it still', draft({ landedAt: at(5) }), 'landed', 9, null],
    [
      'later, that lacks it: gone again',
      draft({ landedAt: at(5) }),
      'not-in-build',
      9,
      { landedAt: null, goneSince: { landedAt: at(5), missedAt: at(9) } },
    ],
    [
      'later, that has a part of it: gone again as well',
      draft({ landedAt: at(5) }),
      'partly',
      9,
      { landedAt: null, goneSince: { landedAt: at(5), missedAt: at(9) } },
    ],
    ['from before it landed', draft({ landedAt: at(5) }), 'not-in-build', 3, null],
    [
      'that has it once more',
      draft({ goneSince: { landedAt: at(5), missedAt: at(9) } }),
      'landed',
      11,
      { landedAt: at(11), goneSince: undefined },
    ],
  ] as const)('%s', (_name, given, state, readAt, expected) => {
    expect(changeBy(given, landing(state), at(readAt))).toEqual(expected)
  })
})
