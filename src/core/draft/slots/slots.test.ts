import { describe, expect, test } from 'vitest'
import { isKnownKey, tagOf } from '../../tag'
import { testPage } from '../../testing/test-page'
import { DraftFields, DraftSlot } from '../draft'
import { editFacts, saidBy } from '../drafted-page'
import { fieldsOfEdits } from '../fields-of-edits'
import { tagEdits } from '../tag-edits'
import { slotForTag, slotName, slotOf, slots } from './index'

const none = () => undefined
const { facts } = testPage(
  `<html lang=de><head><title>Rewire a lamp</title><script type="application/ld+json">{"@context":"https://schema.org","@type":"Product","name":"Rewire a lamp"}</script></head><body><h1>Rewire a lamp</h1>`,
)

describe('what can be drafted', () => {
  test('each slot has a name of its own, and a tag that is its own', () => {
    const names = slots.map(({ name }) => name)
    expect(new Set(names).size).toBe(slots.length)
    for (const name of names) expect(name).toMatch(/^[A-Z][a-z]+(?: [\w-]+)*$/)
    expect(new Set(slots.map(({ writes }) => writes[0])).size).toBe(slots.length)
    expect(slotName('title@search')).toBe('Title in tab and search')
    expect(slotName('of-another-version')).toBe('of-another-version')
  })

  test('tags that it writes or takes away are known ones', () => {
    const isKnown = (tag: string) => isKnownKey(tag) || tagOf(tag) !== undefined || tag === 'json-ld name'
    for (const { key, writes, clears, brings = [], drops = [] } of slots)
      expect(
        [...writes, ...clears, ...brings, ...drops].filter((tag) => !isKnown(tag)),
        key,
      ).toEqual([])
  })

  test('keys are those that drafts are stored by', () => {
    expect(DraftSlot.options).toEqual(slots.map(({ key }) => key))
    expect(DraftFields.safeParse({ title: 'A', 'image@microblog': null }).success).toBe(true)
    expect(DraftFields.safeParse({ heading: 'A' }).success).toBe(false)
  })
})

describe.each(slots.map((slot) => [slot.key, slot] as const))('%s', (key, slot) => {
  const value = key === 'image' || key === 'image@microblog' ? 'https://site.example/a.png' : 'X'

  test('is drafted, applied, and read where it was written', () => {
    const edited = editFacts(facts!, tagEdits({ [key]: value }, none))
    // A name that no text of the page repeats any more is no longer read as the page’s.
    if (slot.isFixed) expect(JSON.stringify(edited.jsonLd)).toContain(value)
    else for (const tag of slot.writes) expect(saidBy(edited, tag), tag).toBe(value)
  })

  test('takes away what would beat it', () => {
    const said = editFacts(facts!, new Map(slot.clears.map((tag) => [tag, 'Y'])))
    const edited = editFacts(said, tagEdits({ [key]: value }, none))
    for (const tag of slot.clears) expect(saidBy(edited, tag), tag).toBeNull()
  })

  test('is what an edit of its tag becomes', () => {
    const { fields, left } = fieldsOfEdits(new Map([[slot.writes[0], value]]), facts!)
    expect(left).toEqual([])
    expect(fields[key]).toBe(value)
    expect(slotForTag(slot.writes[0])).toBe(slotOf(key))
  })
})

test('an author that stands in tags of other names is left alone, unless these go too', () => {
  const said = editFacts(facts!, new Map([['article:author', 'A']]))
  expect(fieldsOfEdits(new Map([['author', 'B']]), said)).toEqual({ fields: {}, left: ['author'] })
  const both = new Map([
    ['author', 'B'],
    ['article:author', null],
  ])
  expect(fieldsOfEdits(both, said)).toEqual({ fields: { author: 'B' }, left: [] })
})
