import { describe, expect, test } from 'vitest'
import { attributeFor } from '../tag'
import { image, testPage } from '../testing/test-page'
import type { DraftFields } from './draft'
import { editFacts } from './drafted-page'
import { tagEdits } from './tag-edits'

const known = image('https://site.example/a.png', { width: 1200, height: 630 })
const edits = (fields: DraftFields) =>
  Object.fromEntries(tagEdits(fields, (url) => (url === known.url ? known : undefined)))

describe('slots as tags', () => {
  test('a title for all places is the page’s own and the cards’, and takes out what would beat it', () => {
    expect(edits({ title: 'A' })).toEqual({ 'og:title': 'A', title: 'A', 'twitter:title': null })
  })

  test.each([
    ['Old | Site', 'New', 'New | Site'],
    ['Site — Old', 'New', 'Site — New'],
    ['Old – a part | Site', 'New: $& and more', 'New: $& and more | Site'],
    ['Old | Site', 'New | Site', 'New | Site'],
    ['Site | Sit', 'New', 'Site | New'],
    ['Old | Other', 'New', 'New'],
    ['Site', 'New', 'New'],
    ['', 'New', 'New'],
  ])('of “%s” a title for all places is “%s” on cards and “%s” in the tab', (built, title, tab) => {
    const { facts } = testPage(`<title>${built}</title><meta property="og:site_name" content="Site">`)
    const of = (fields: DraftFields) =>
      Object.fromEntries(tagEdits(fields, () => undefined, { facts: facts!, names: [] }))
    expect(of({ title })).toMatchObject({ 'og:title': title, title: tab })
    // Taken away by hand it is gone.
    expect(of({ title, 'title@search': title })).toMatchObject({ 'og:title': title, title })
  })

  test('a title for one place stands beside that for all, in whichever order they were drafted', () => {
    const wanted = { 'og:title': 'A', title: 'C', 'twitter:title': 'B' }
    expect(edits({ 'title@microblog': 'B', 'title@search': 'C', title: 'A' })).toEqual(wanted)
    expect(edits({ title: 'A', 'title@search': 'C', 'title@microblog': 'B' })).toEqual(wanted)
  })

  test('a title taken out for all places leaves the page’s own, to which cards fall back', () => {
    expect(edits({ title: null })).toEqual({ 'og:title': null, 'twitter:title': null })
    expect(edits({ description: null })).toEqual({ 'og:description': null, 'twitter:description': null })
  })

  test('a picture is declared with the size that the run knows, and nothing of the old one stays', () => {
    expect(edits({ image: known.url, imageAlt: 'A lamp' })).toEqual({
      'og:image': known.url,
      'og:image:url': null,
      'og:image:secure_url': null,
      'og:image:type': null,
      'og:image:width': '1200',
      'og:image:height': '630',
      'og:image:alt': 'A lamp',
      'twitter:image': null,
      'twitter:image:src': null,
      'twitter:image:alt': null,
    })
    expect(edits({ image: 'https://site.example/unknown.png' })).toMatchObject({ 'og:image:width': null })
  })

  test('the microblog’s own picture', () => {
    expect(edits({ 'image@microblog': 'x.png' })).toEqual({ 'twitter:image': 'x.png', 'twitter:image:src': null })
  })

  test.each([
    ['og:title', 'property'],
    ['article:author', 'property'],
    ['twitter:card', 'name'],
    ['description', 'name'],
  ])('%s is named by %s', (key, attribute) => {
    expect(attributeFor(key)).toBe(attribute)
  })
})

describe('facts with edits', () => {
  const { facts } = testPage(
    '<head><title>Old</title>\n<meta property="og:title" content="One">\n<meta property="og:title" content="Two">\n' +
      '<meta name="description" content="D">\n<meta property="og:image" content="/a.png">\n<meta property="og:image:alt" content="alt">\n</head><body><h1>H</h1>',
  )

  test('the first of repeated tags says the new value, its repeats go', () => {
    const edited = editFacts(facts!, new Map([['og:title', 'New']]))
    expect(edited.metas.filter(({ key }) => key === 'og:title')).toEqual([
      expect.objectContaining({ value: 'New', line: 2 }),
    ])
  })

  test('a tag that goes is gone, a new one stands at the cards’ last tag, a picture’s beside its picture', () => {
    const edited = editFacts(
      facts!,
      new Map([
        ['description', null],
        ['twitter:card', 'summary'],
        ['og:image:width', '1200'],
      ]),
    )
    expect(edited.metas.map(({ key }) => key)).toEqual([
      'og:title',
      'og:title',
      'og:image',
      'og:image:width',
      'og:image:alt',
      'twitter:card',
    ])
    expect(edited.description).toBeNull()
    expect(edited.metas.at(-1)).toMatchObject({ line: 6, inHead: true, attribute: 'name' })
  })

  test('a title is collapsed as a browser has it; null takes it out', () => {
    expect(editFacts(facts!, new Map([['title', ' a\n b ']])).title).toBe('a b')
    const without = editFacts(facts!, new Map([['title', null]]))
    expect(without.title).toBeNull()
    expect(without.at.title).toBeNull()
  })

  test('no edits, the very same facts', () => {
    expect(editFacts(facts!, new Map())).toBe(facts)
  })
})
