import { describe, expect, test } from 'vitest'
import type { Draft } from '@/core/draft'
import { withStep } from './draft-history'

const draft = (title: string): Draft => ({
  site: 's',
  url: 'u',
  fields: { title },
  against: {},
  madeAt: '',
  changedAt: title,
  landedAt: null,
})
const step = (before: Draft | null, after: Draft | null, at: number, typing: string | null = 'u title') => ({
  tab: 't',
  site: 's',
  label: 'draft of title',
  drafts: [{ url: 'u', before, after }],
  at,
  typing,
})

describe('steps to undo', () => {
  test('typing on in one field is one step, from what stood before it', () => {
    const done = [step(null, draft('A'), 0), step(draft('A'), draft('AB'), 400), step(draft('AB'), draft('ABC'), 800)]
    const kept = done.reduce<ReturnType<typeof withStep>>((all, one) => withStep(all, one), [])
    expect(kept).toHaveLength(1)
    expect(kept[0]!.drafts).toEqual([{ url: 'u', before: null, after: draft('ABC') }])
  })

  test('after a pause, in another field, or by a button it is another step', () => {
    const first = withStep([], step(null, draft('A'), 0))
    expect(withStep(first, step(draft('A'), draft('B'), 5000))).toHaveLength(2)
    expect(withStep(first, step(draft('A'), draft('B'), 100, 'u description'))).toHaveLength(2)
    expect(withStep(first, step(draft('A'), null, 100, null))).toHaveLength(2)
  })

  test('the oldest steps are let go', () => {
    let done: ReturnType<typeof withStep> = []
    for (let at = 0; at < 250; at++) done = withStep(done, step(null, draft(String(at)), at * 10_000))
    expect(done).toHaveLength(200)
    expect(done.at(-1)!.drafts[0]!.after!.fields.title).toBe('249')
  })
})
