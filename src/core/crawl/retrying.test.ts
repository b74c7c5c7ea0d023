import { describe, expect, test } from 'vitest'
import { testOutside } from '../testing/build-run'
import type { FetchResult } from './read-address'
import { retryAfterMs, retrying, waitBefore } from './retrying'

const now = new Date('2026-11-23T09:00:00Z')
const answered = (status: number, headers: Record<string, string> = {}): FetchResult => ({
  kind: 'answered',
  status,
  headers,
  body: new Uint8Array(),
  isCut: false,
  ms: 1,
})
const failed = (code: 'reset' | 'refused'): FetchResult => ({ kind: 'failed', code, message: '', ms: 1 })

/** Asks with these answers, one after the other. */
async function ask(...answers: FetchResult[]) {
  const waits: number[] = []
  let asked = 0
  const read = async () => answers[Math.min(asked++, answers.length - 1)]!
  const outside = { ...testOutside(read), now: () => now, sleep: async (ms: number) => void waits.push(ms) }
  const exchange = await retrying(outside)({ url: 'https://a.example/', accept: 'page', maxBytes: 1 })
  return { exchange, asked, waits }
}

describe('retrying', () => {
  test('what passes is asked for again, with twice the wait', async () => {
    expect(await ask(failed('reset'), answered(503), answered(200))).toMatchObject({
      asked: 3,
      waits: [500, 1000],
      exchange: { status: 200 },
    })
  })

  test('the counter hears of every answer', async () => {
    const heard: FetchResult[] = []
    const answers = [answered(503), failed('reset'), answered(200)]
    const outside = { ...testOutside(async () => answers[heard.length]!), sleep: async () => {} }
    await retrying(outside, (exchange) => heard.push(exchange))({
      url: 'https://a.example/',
      accept: 'page',
      maxBytes: 1,
    })
    expect(heard).toEqual(answers)
  })

  test('at most two more times', async () => {
    expect(await ask(answered(500))).toMatchObject({ asked: 3, exchange: { status: 500 } })
  })

  test.each([[answered(404)], [answered(200)], [answered(401)], [failed('refused')]])(
    '%j is final',
    async (exchange) => {
      expect((await ask(exchange)).asked).toBe(1)
    },
  )
})

test.each([
  [{}, 0, 500],
  [{}, 1, 1000],
  [{ 'retry-after': '3' }, 0, 3000],
  [{ 'retry-after': '3600' }, 0, 10_000],
  [{ 'retry-after': 'Mon, 23 Nov 2026 09:00:02 GMT' }, 0, 2000],
  [{ 'retry-after': 'Mon, 23 Nov 2026 08:00:00 GMT' }, 0, 0],
  [{ 'retry-after': 'soon' }, 0, 500],
])('with %j the wait of try %i is %i ms', (headers: Record<string, string>, attempt, expected) => {
  expect(waitBefore(attempt, answered(503, headers), now)).toBe(expected)
})

test.each([
  ['120', 120_000],
  ['0', 0],
  ['-5', null],
  ['1.5', null],
  ['soon', null],
  ['5, 10', 5000],
  ['Mon, 23 Nov 2026 09:13:00 GMT', 60_000],
  ['Mon Nov 23 09:13:00 2026', 60_000],
  ['Mon Nov 23 09:11:00 2026', 0],
  [undefined, null],
] as const)('Retry-After %s is %s ms', (value, ms) => {
  expect(retryAfterMs(value, new Date('2026-11-23T09:12:00Z'))).toBe(ms)
})
