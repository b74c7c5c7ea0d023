import { describe, expect, test } from 'vitest'
import { context, image, testPage } from '../testing/test-page'
import { type BulkChange, bulkFields } from './bulk'
import { parsePattern } from './title-pattern'

const large = image('https://site.example/large.jpg', { width: 1600, height: 900 })
const small = image('https://site.example/small.jpg', { width: 300, height: 300 })
const page = testPage(
  '<title>T | S</title><h1>Heading</h1><main><p>A first paragraph that is long enough to be one.</p><img src="/small.jpg" width="300" height="300"><img src="/large.jpg"></main>',
)
const bulk = (change: BulkChange, of = page) =>
  bulkFields({ ...of, facts: of.facts! }, '/guides/*', { card: 'summary' }, change, context([large, small]))

describe('one change for many pages', () => {
  test.each([
    [{ kind: 'value', slot: 'type', value: 'article' }, { type: 'article' }],
    [{ kind: 'value', slot: 'title', value: null }, { title: null }],
    [{ kind: 'own-text', slot: 'title', from: 'h1' }, { title: 'Heading' }],
    [
      { kind: 'own-text', slot: 'description', from: 'first paragraph' },
      { description: 'A first paragraph that is long enough to be one.' },
    ],
    [{ kind: 'own-picture' }, { image: large.url }],
    [
      {
        kind: 'pattern',
        slot: 'title',
        pattern: parsePattern('{heading} – {site}'),
        called: { site: null, sections: { '/guides/*': 'S' } },
      },
      { title: 'Heading – S' },
    ],
  ] as [BulkChange, object][])('%j', (change, fields) => {
    expect(bulk(change)?.fields).toEqual({ card: 'summary', ...fields })
  })

  test('a slot inherits again', () => {
    expect(bulk({ kind: 'value', slot: 'card', value: undefined })?.fields).toEqual({})
  })

  test('a page that offers nothing is left alone', () => {
    const bare = testPage('<title>T</title>')
    expect(bulk({ kind: 'own-text', slot: 'title', from: 'h1' }, bare)).toBeNull()
    expect(bulk({ kind: 'own-picture' }, bare)).toBeNull()
  })
})
