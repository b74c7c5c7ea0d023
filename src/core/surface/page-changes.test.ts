import { describe, expect, test } from 'vitest'
import { surfaceOf } from '../testing/places'
import { context, testPage } from '../testing/test-page'
import { cardOf } from './card'
import { cardChanges, tagChanges } from './page-changes'

const page = (html: string) => testPage(`<head>${html}</head>`)
const changes = (before: string, after: string) => tagChanges(page(before).facts, page(after).facts)

describe('tags that changed', () => {
  test('another value, a new tag, one that went', () => {
    expect(
      changes(
        '<title>A</title><meta property=og:title content=Old><meta name=author content=Ada>',
        '<title>A</title><meta property=og:title content=New><meta name=robots content=noindex>',
      ),
    ).toEqual([
      { key: 'og:title', before: 'Old', after: 'New' },
      { key: 'robots', before: null, after: 'noindex' },
      { key: 'author', before: 'Ada', after: null },
    ])
  })

  test('a tag that moved to another line or attribute says the same', () => {
    expect(changes('<meta name=og:title content=A>', '\n\n<meta property=og:title content=A>')).toEqual([])
  })

  test('one of two repeated tags, a canonical link; a stylesheet is of no interest', () => {
    expect(
      changes(
        '<meta property=og:image content=/a><meta property=og:image content=/b><link rel=canonical href=/x><link rel=stylesheet href=/1>',
        '<meta property=og:image content=/a><link rel=canonical href=/y><link rel=stylesheet href=/2>',
      ),
    ).toEqual([
      { key: 'og:image', before: '/a · /b', after: '/a' },
      { key: 'link canonical', before: '/x', after: '/y' },
    ])
  })

  test('a page that cannot be read any more says nothing', () => {
    expect(tagChanges(page('<title>A</title>').facts, null)).toEqual([{ key: 'title', before: 'A', after: null }])
  })
})

describe('parts of a card that changed', () => {
  const parts = (before: string, after: string, id: string) =>
    cardChanges(cardOf(page(before), surfaceOf(id)!, context()), cardOf(page(after), surfaceOf(id)!, context()))

  test('only where the place shows it', () => {
    const [before, after] = [
      '<title>A</title><meta property=og:title content=B>',
      '<title>A</title><meta property=og:title content=C>',
    ]
    expect(parts(before, after, 'wide-feed')).toEqual(['title'])
    expect(parts(before, after, 'tab')).toEqual([])
    expect(parts(before, before, 'wide-feed')).toEqual([])
  })

  test('a layout, a description, labels', () => {
    expect(parts('<title>A</title>', '<title>A</title><meta name=robots content=noindex>', 'search')).toContain(
      'layout',
    )
    expect(parts('<title>A</title>', '<title>A</title><meta name=description content=D>', 'wide-feed')).toEqual([
      'description',
    ])
    expect(
      parts(
        '<title>A</title>',
        '<title>A</title><meta name=twitter:label1 content=Time><meta name=twitter:data1 content=2h>',
        'team-chat',
      ),
    ).toEqual(['labels'])
  })
})
