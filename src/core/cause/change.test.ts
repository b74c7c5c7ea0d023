import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { testPage } from '../testing/test-page'
import { applyChanges, type Change } from './change'

const page = testPage(`<html><head>
<title>A lamp</title>
<meta name="og:type" content="website">
<meta property="og:title" content="One">
<meta property="og:title" content="Two">
<meta property="og:desciption" content="How to mend it">
<meta property="og:image" content="/a.png">
<link rel="canonical" href="/a">
<link rel="alternate" hreflang="fr" href="/fr">
</head><body><a href="https://feed.example/share?url=https%3A%2F%2Fa.example%2F&via=old">Share</a></body></html>`)
const facts = page.facts!
const alternate = facts.links.find(({ rel }) => rel === 'alternate')!
const share = facts.shareLinks![0]!

const CHANGES: readonly Change[] = [
  { kind: 'attribute', tag: 'og:type' },
  { kind: 'once', tag: 'og:title' },
  { kind: 'say', tag: 'og:title', value: 'Three' },
  { kind: 'say', tag: 'title', value: 'A lamp to mend' },
  { kind: 'rename', tag: 'og:desciption', to: 'og:description' },
  { kind: 'say', tag: 'og:image', value: 'https://a.example/b.png' },
  { kind: 'say', tag: 'og:image:width', value: '1200' },
  { kind: 'say', tag: 'og:image:alt', value: 'A lamp' },
  { kind: 'say', tag: 'canonical', value: 'https://a.example/' },
  { kind: 'say', tag: 'html lang', value: 'en' },
  { kind: 'say', tag: 'charset', value: 'utf-8' },
  { kind: 'earlier' },
  { kind: 'unlink', href: '/fr', line: alternate.line, column: alternate.column },
  { kind: 'share', href: share.href, to: 'https://a.example/x', via: '@new', line: share.line, column: share.column },
]

describe('changes of a page', () => {
  test('come to the same in whatever order they are made', () => {
    const some = fc.subarray([...CHANGES], { minLength: 2 })
    const orders = some.chain((chosen) =>
      fc.shuffledSubarray(chosen, { minLength: chosen.length }).map((other) => [chosen, other]),
    )
    fc.assert(
      fc.property(orders, ([one, other]) => {
        expect(applyChanges(facts, other!)).toEqual(applyChanges(facts, one!))
      }),
      runs(200),
    )
  })

  test('all together say what each of them says', () => {
    const after = applyChanges(facts, CHANGES)
    const said = (key: string) => after.metas.filter((meta) => meta.key === key).map(({ value }) => value)
    expect(after).toMatchObject({ title: 'A lamp to mend', language: 'en', canonical: 'https://a.example/' })
    expect(said('og:title')).toEqual(['Three'])
    expect(said('og:description')).toEqual(['How to mend it'])
    expect(after.metas.find(({ key }) => key === 'og:type')).toMatchObject({ attribute: 'property', endByte: 900 })
    expect(after.links.map(({ rel }) => rel)).toEqual(['canonical'])
    expect(after.shareLinks![0]!.href).toBe('https://feed.example/share?url=https%3A%2F%2Fa.example%2Fx&via=new')
    expect(after.metas[0]).toMatchObject({ key: 'charset', value: 'utf-8' })
  })

  test('of nothing are none', () => {
    expect(applyChanges(facts, [])).toEqual(facts)
  })
})
