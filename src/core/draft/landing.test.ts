import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { image, testPage } from '../testing/test-page'
import { type DraftFields, DraftSlot } from './draft'
import { editFacts, saidBy } from './drafted-page'
import { changedUnder, landingOf, sayingsOf } from './landing'
import { tagEdits } from './tag-edits'

const KEYS = [
  'title',
  'og:title',
  'twitter:title',
  'description',
  'og:description',
  'og:image',
  'twitter:image',
  'author',
]
const resolve = (raw: string) => new URL(raw, 'https://site.example/guides/').href
const edits = (fields: DraftFields) => tagEdits(fields, () => image('https://site.example/a.png'))
const facts = (head: string) => testPage(`<head>${head}</head>`).facts!
const state = (fields: DraftFields, head: string) => landingOf(edits(fields), facts(head), resolve).state

describe('has a draft landed?', () => {
  const draft = { title: 'New', description: 'Said well' }
  const all =
    '<title>New</title><meta property="og:title" content=" New "><meta name=description content="Said\nwell"><meta property="og:description" content="Said well">'

  test('all of it', () => {
    expect(state(draft, all)).toBe('landed')
  })

  test('part of it, with what differs', () => {
    const landing = landingOf(
      edits(draft),
      facts('<title>New</title><meta property="og:title" content="Old">'),
      resolve,
    )
    expect(landing.state).toBe('partly')
    expect(landing.tags.filter(({ isThere }) => !isThere)).toEqual([
      { key: 'og:title', wanted: 'New', built: 'Old', isThere: false },
      { key: 'og:description', wanted: 'Said well', built: null, isThere: false },
      { key: 'description', wanted: 'Said well', built: null, isThere: false },
    ])
  })

  test('none of it: a tag that was never there is no sign of it', () => {
    expect(state(draft, '<title>Old</title>')).toBe('not-in-build')
  })

  test('a place’s own tag that says the same is harmless, one that says another thing is not', () => {
    expect(state(draft, `${all}<meta name="twitter:title" content="New">`)).toBe('landed')
    expect(state(draft, `${all}<meta name="twitter:title" content="Old">`)).toBe('partly')
  })

  test('a picture counts by where it leads; its size and text are not what was wished for', () => {
    const page =
      '<meta property="og:image" content="https://site.example/guides/../a.png"><meta property="og:image:width" content="7"><meta property="og:image:alt" content="x">'
    expect(state({ image: 'https://site.example/a.png' }, page)).toBe('landed')
    expect(state({ image: 'https://site.example/a.png', imageAlt: 'A lamp' }, page)).toBe('partly')
  })

  test('a relative URL in the build is not the whole one that was drafted', () => {
    expect(state({ image: 'https://site.example/a.png' }, '<meta property="og:image" content="../a.png">')).toBe(
      'not-in-build',
    )
  })

  test('whatever is drafted on whatever page: carried out it has landed, and what has landed changes nothing of a card', () => {
    const texts = fc.constantFrom('a', 'b c', 'https://site.example/a.png', 'summary')
    const drafted = fc.dictionary(fc.constantFrom(...DraftSlot.options), fc.option(texts), { minKeys: 1 })
    const built = fc.dictionary(fc.constantFrom(...KEYS), texts)
    fc.assert(
      fc.property(drafted, built, (fields, said) => {
        const now = editFacts(facts('<title>T</title>'), new Map(Object.entries(said)))
        const wanted = edits(fields)
        const after = editFacts(now, wanted)
        // JSON-LD is renamed where the page has any, and added nowhere.
        if (!('richName' in fields)) expect(landingOf(wanted, after, resolve).state).toBe('landed')
        if (landingOf(wanted, now, resolve).state !== 'landed') return
        const shown = [...wanted.keys()].filter((key) => !key.startsWith('og:image:') && !key.startsWith('twitter:'))
        for (const key of shown) expect(saidBy(after, key), key).toBe(saidBy(now, key))
      }),
      runs(400),
    )
  })

  test('a tag taken out', () => {
    expect(state({ card: null }, '')).toBe('landed')
    expect(state({ card: null }, '<meta name="twitter:card" content="summary">')).toBe('not-in-build')
  })
})

describe('what a draft was made against', () => {
  const given = edits({ title: 'New' })
  const before = sayingsOf(given, facts('<title>Old</title>'))

  test('is what its tags said then', () => {
    expect(before).toEqual({ 'og:title': null, title: 'Old', 'twitter:title': null })
  })

  test.each([
    ['<title>Old</title>', []],
    ['<title>New</title>', []],
    ['<title>Third</title>', ['title']],
    ['<title>Old</title><meta property="og:title" content="Somebody’s">', ['og:title']],
  ])('%s', (head, changed) => {
    expect(changedUnder(given, before, facts(head)).map(({ key }) => key)).toEqual(changed)
  })
})
