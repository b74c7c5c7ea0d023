import { describe, expect, test } from 'vitest'
import { testPage } from '@/core/testing/test-page'
import { draftAgain, draftWith, withSlot } from './make-draft'

const at = (minute: number) => new Date(Date.UTC(2026, 10, 23, 9, minute))
const about = (title: string, minute: number) => ({
  site: 'https://site.example/',
  page: testPage(`<title>${title}</title>`),
  imageOf: () => undefined,
  now: at(minute),
})

describe('a draft as it is worked on', () => {
  test('a slot is set, taken out, or inherits again', () => {
    expect(withSlot({}, 'title', 'A')).toEqual({ title: 'A' })
    expect(withSlot({ title: 'A' }, 'title', null)).toEqual({ title: null })
    expect(withSlot({ title: 'A', card: 'summary' }, 'title', undefined)).toEqual({ card: 'summary' })
  })

  test('it knows what it was made against, also after the build has changed', () => {
    const first = draftWith(null, { title: 'New' }, about('Old', 1))!
    expect(first.against).toEqual({ 'og:title': null, title: 'Old', 'twitter:title': null })
    const second = draftWith(first, { title: 'Newer', description: 'D' }, about('Changed', 2))!
    expect(second.against).toMatchObject({ title: 'Old', description: null })
    expect([second.madeAt, second.changedAt]).toEqual([at(1).toISOString(), at(2).toISOString()])
  })

  test('without fields there is no draft', () => {
    expect(draftWith(draftWith(null, { title: 'New' }, about('Old', 1)), {}, about('Old', 2))).toBeNull()
  })

  test('a draft that landed begins again', () => {
    const landed = { ...draftWith(null, { title: 'New' }, about('Old', 1))!, landedAt: at(5).toISOString() }
    const next = draftWith(landed, { title: 'Third' }, about('New', 9))!
    expect(next).toMatchObject({ landedAt: null, madeAt: at(9).toISOString(), against: { title: 'New' } })
  })
})

describe('what has landed', () => {
  const landed = { ...draftWith(null, { title: 'New' }, about('Old', 1))!, landedAt: at(5).toISOString() }

  test('keeps its text when the page is drafted once more, and comes back when that is let go of', () => {
    const next = draftWith(landed, { title: 'Third' }, about('New', 9))!
    expect(next.landed).toEqual([{ fields: { title: 'New' }, landedAt: at(5).toISOString() }])
    expect(draftWith(next, {}, about('New', 10))).toMatchObject({
      fields: { title: 'New' },
      landedAt: at(5).toISOString(),
    })
  })

  test('can be drafted again, with its text', () => {
    expect(draftAgain(landed, landed.fields, at(12))).toMatchObject({
      fields: { title: 'New' },
      landedAt: null,
      changedAt: at(12).toISOString(),
      landed: [{ fields: { title: 'New' } }],
    })
  })
})
