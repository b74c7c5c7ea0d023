import { describe, expect, test } from 'vitest'
import { surfaces } from '../testing/places'
import { context, image, testPage } from '../testing/test-page'
import { cutMarks, trimAt } from './cut-marks'
import { draftEffect, sameTitleElsewhere } from './draft-effect'
import { tagEdits } from './tag-edits'

const picture = image('https://site.example/a.png')
const run = {
  source: { kind: 'folder' as const, location: 'dist', site: 'https://site.example/' },
  view: 'standing' as const,
  robotsTxt: null,
  notes: [],
  startedAt: '2026-11-23T09:12:00Z',
}
const page = testPage(
  '<html lang=en><head><meta charset=utf-8><title>Rewire a lamp | Site</title><meta property="og:title" content="Rewire a lamp"><meta property="og:image" content="https://site.example/a.png"></head><body><h1>Lamp</h1>',
)
const effect = (fields: Parameters<typeof tagEdits>[0]) =>
  draftEffect(
    page,
    tagEdits(fields, () => picture),
    run,
    context([picture]),
    surfaces,
  )
const rules = (findings: { rule: string }[]) => findings.map(({ rule }) => rule)

describe('what a draft does', () => {
  test('every surface answers, and what it clears is told', () => {
    const { cards, clears, raises } = effect({
      description: 'One sentence that says what this page is about, and why.',
    })
    expect(cards.map(({ surface }) => surface.id)).toEqual(surfaces.map(({ id }) => id))
    expect(cards.find(({ surface }) => surface.id === 'team-chat')!.card.description.text).toMatch(/^One sentence/)
    expect(rules(clears)).toEqual(['description-missing'])
    expect(raises).toEqual([])
  })

  test('what it newly breaks is told', () => {
    expect(rules(effect({ title: 'Untitled' }).raises)).toContain('title-placeholder')
    expect(rules(effect({ image: null }).raises)).toContain('og-image-missing')
  })

  test('without edits nothing is cleared or broken', () => {
    expect(effect({})).toMatchObject({ clears: [], raises: [] })
  })

  test('pages that have the title already', () => {
    const others = [
      { url: 'a', path: '/a', title: 'Lamp' },
      { url: 'b', path: '/b', title: 'Kettle' },
      { url: page.url, path: '/own', title: 'Lamp' },
    ]
    expect(sameTitleElsewhere('Lamp', page.url, others)).toEqual(['/a'])
    expect(sameTitleElsewhere(null, page.url, others)).toEqual([])
  })
})

describe('cut marks', () => {
  const long =
    'Rewire a table lamp safely in one evening with a screwdriver, a new cord and somebody who has done it before'
  const { cards } = effect({ title: long })

  test('stand where places cut, the earliest first, each with what is lost', () => {
    const marks = cutMarks(long, 'title', cards)
    expect(marks[0]!.places).toEqual(['Browser tab'])
    expect(marks.map(({ at }) => at)).toEqual(marks.map(({ at }) => at).toSorted((a, b) => a - b))
    for (const { at, lost, places } of marks) {
      expect(long.slice(at).trim()).toBe(lost)
      for (const name of places)
        expect(cards.find(({ surface }) => surface.name === name)!.card.title.shown).toHaveLength(at)
    }
  })

  test('a place that shows another text has none', () => {
    expect(cutMarks('Something else', 'title', cards)).toEqual([])
  })

  test.each([
    ['How to rewire a lamp and a kettle', 24, 'How to rewire a lamp'],
    ['How to rewire a lamp', 10, 'How'],
    ['Lamp, kettle', 5, 'Lamp'],
    ['Lamp kettle', 11, 'Lamp kettle'],
    ['Electromagnetism', 6, null],
  ])('%s trimmed at %d: %s', (text, at, trimmed) => {
    expect(trimAt(text, at)).toBe(trimmed)
  })
})
