import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { testPage } from '../testing/test-page'
import { editFacts, saidBy } from './drafted-page'
import { fieldsOfEdits } from './fields-of-edits'
import { tagEdits } from './tag-edits'

const TAGS = [
  'title',
  'og:title',
  'twitter:title',
  'description',
  'og:description',
  'og:image',
  'og:image:alt',
  'twitter:image',
  'twitter:image:alt',
  'twitter:card',
  'og:type',
  'og:site_name',
  'canonical',
  'og:url',
  'html lang',
  'og:locale',
  'robots',
]
const none = () => undefined

describe('a draft that does what edits do', () => {
  test('whatever the page says and the edits change, and nothing beside them', () => {
    const said = fc.dictionary(fc.constantFrom(...TAGS), fc.constantFrom('a', 'b', 'c d'))
    const edits = fc.dictionary(fc.constantFrom(...TAGS), fc.option(fc.constantFrom('x', 'y z')), { minKeys: 1 })
    fc.assert(
      fc.property(said, edits, (now, then) => {
        const page = testPage('<head><meta charset="utf-8"></head>')
        const facts = editFacts(page.facts!, new Map(Object.entries(now)))
        const given = new Map(Object.entries(then))
        const { fields, left } = fieldsOfEdits(given, facts)
        expect(left).toEqual([])
        const after = editFacts(facts, tagEdits(fields, none))
        const wanted = editFacts(facts, given)
        for (const tag of TAGS) expect(saidBy(after, tag), tag).toBe(saidBy(wanted, tag))
      }),
      runs(300),
    )
  })

  test('a picture takes its size along; a size alone is no draft', () => {
    const { facts } = testPage('<head><title>T</title></head>')
    const withPicture = new Map([
      ['og:image', 'https://a.example/b.png'],
      ['og:image:width', '1200'],
    ])
    expect(fieldsOfEdits(withPicture, facts!)).toEqual({ fields: { image: 'https://a.example/b.png' }, left: [] })
    expect(fieldsOfEdits(new Map([['og:image:width', '1200']]), facts!)).toEqual({
      fields: {},
      left: ['og:image:width'],
    })
  })
})
