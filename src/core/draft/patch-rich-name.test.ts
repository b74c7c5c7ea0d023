import fc from 'fast-check'
import { expect, test } from 'vitest'
import { decodeHtml, readPage } from '../page'
import { runs } from '../testing/property-runs'
import { editFacts, RICH_NAME } from './drafted-page'
import { landingOf } from './landing'
import { patchPage } from './patch-page'

const bytesOf = (text: string) => new TextEncoder().encode(text)
const factsOf = (bytes: Uint8Array) => readPage(decodeHtml(bytes, null)).facts
const patched = (bytes: Uint8Array, name: string | null) => {
  const patch = patchPage(bytes, new Map([[RICH_NAME, name]]))
  if (patch.kind === 'refused') throw new Error(patch.why)
  return patch
}

const PAGE = `<!doctype html><meta charset="utf-8"><title>Rewire a lamp | Hall</title>
<script type="application/ld+json">
{ "@graph": [
  { "@type": "WebSite", "name": "Hall" },
  { "@type": "Article", "headline" : "Rewire a l\\u0061mp", "about": "Rewire a lamp", "author": {"name": "Ada"} },
  { "@type": "BreadcrumbList", "itemListElement": [{ "name": "Guides" }, { "name": "Rewire a lamp" }] }
] }
</script><p>Rewire a lamp</p>`

test('JSON-LD says another name wherever it repeats the page’s, and all else stays', () => {
  expect(patched(bytesOf(PAGE), 'A lamp </script> "again"').after).toBe(
    PAGE.replace('"Rewire a l\\u0061mp"', '"A lamp \\u003c/script\\u003e \\"again\\""').replace(
      '{ "name": "Rewire a lamp" }',
      '{ "name": "A lamp \\u003c/script\\u003e \\"again\\"" }',
    ),
  )
})

test('a name is neither taken out nor added, and one that is said already changes nothing', () => {
  expect(patched(bytesOf(PAGE), null).after).toBe(PAGE)
  expect(patched(bytesOf(PAGE), 'Rewire a lamp').after).toBe(PAGE)
  const without = '<title>Lamp</title><script type="application/ld+json">{"name":"Kettle"}</script>'
  expect(patched(bytesOf(without), 'Lamp').after).toBe(without)
})

test('in a file that can’t hold the characters they are escapes', () => {
  const latin = (text: string) => Uint8Array.from(text, (sign) => sign.charCodeAt(0))
  const page = latin(
    '<meta charset="iso-8859-1"><title>L\xE4mp</title><script type="application/ld+json">{"name":"L\xE4mp"}</script>',
  )
  const { bytes } = patched(page, '気圧計 ä')
  expect(new TextDecoder('latin1').decode(bytes)).toContain('{"name":"\\u6c17\\u5727\\u8a08 \\u00e4"}')
  expect(factsOf(bytes).jsonLd[0]?.names).toEqual(['気圧計 ä'])
})

test('a drafted name that the build holds has landed, whatever the page says else', () => {
  const edits = new Map([[RICH_NAME, 'A lamp']])
  const resolve = (raw: string) => raw
  expect(landingOf(edits, factsOf(bytesOf(PAGE)), resolve).state).toBe('not-in-build')
  expect(landingOf(edits, factsOf(patched(bytesOf(PAGE), 'A lamp').bytes), resolve).state).toBe('landed')
})

const word = fc.constantFrom('Lamp', 'Kettle', 'Hall', ' Lamp ', 'Läm"p', 'a</b>')
const { node } = fc.letrec((tie) => ({
  node: fc.record(
    {
      '@type': fc.constantFrom('Article', 'Product', 'WebPage', 'WebSite', ['Recipe', 'Thing'], 'Movie'),
      name: fc.oneof(word, fc.array(word, { maxLength: 2 }), tie('node')),
      headline: word,
      description: word,
      author: tie('node'),
      '@graph': fc.array(tie('node'), { maxLength: 3 }),
    },
    { requiredKeys: [] },
  ),
}))

test('whatever JSON-LD says, what is written is what the edited facts say', () => {
  fc.assert(
    fc.property(node, word, fc.constantFrom(0, 2), (value, name, space) => {
      const json = JSON.stringify(value, null, space).replaceAll('<', '\\u003c')
      const html = `<meta charset="utf-8"><title>Lamp | Hall</title><script type="application/ld+json">${json}</script>`
      const facts = factsOf(bytesOf(html))
      const after = factsOf(patched(bytesOf(html), name).bytes)
      const wanted = editFacts(facts, new Map([[RICH_NAME, name]]))
      const said = ({ jsonLd }: typeof facts) =>
        jsonLd.map(({ things, siteNames, types, error }) => ({ things, siteNames, types, error }))
      expect(said(after)).toEqual(said(wanted))
    }),
    runs(500),
  )
})
