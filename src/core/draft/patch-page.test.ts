import fc from 'fast-check'
import { parse, serialize, type DefaultTreeAdapterTypes as Tree } from 'parse5'
import { describe, expect, test } from 'vitest'
import { decodeHtml, readPage } from '../page'
import { fitText } from '../testing/fit-text'
import { patience, runs } from '../testing/property-runs'
import { saidBy } from './drafted-page'
import { patchPage } from './patch-page'
import type { TagEdits } from './tag-edits'

const bytesOf = (text: string) => new TextEncoder().encode(text)

function patched(html: string, edits: Record<string, string | null>): string {
  const patch = patchPage(bytesOf(html), new Map(Object.entries(edits)), 'text/html; charset=utf-8')
  if (patch.kind === 'refused') throw new Error(patch.why)
  expect(new TextDecoder().decode(patch.bytes)).toBe(patch.after)
  return patch.after
}

const PAGE = `<!doctype html>
<html lang="en">
  <head>
    <meta charset="utf-8">
    <title>Old &amp; worn</title>
    <meta data-by="theme" property='og:title' content='Old'/>
    <meta property="og:title" content="Twice">
    <meta name="description" content=plain>
    <meta property="og:image" content="/a.png">
    <meta property="og:url">
  </head>
  <body><p>Body</p></body>
</html>
`

describe('patching a built page', () => {
  test('a value is replaced in its tag, whose other attributes stay; its repeat goes with its line', () => {
    expect(patched(PAGE, { 'og:title': 'New "one"' })).toBe(
      PAGE.replace(`content='Old'`, 'content="New &quot;one&quot;"').replace(
        '    <meta property="og:title" content="Twice">\n',
        '',
      ),
    )
  })

  test('the title, an unquoted value, a tag without content', () => {
    expect(patched(PAGE, { title: 'A < B', description: 'D e', 'og:url': 'https://x.example/' })).toBe(
      PAGE.replace('Old &amp; worn', 'A &lt; B')
        .replace('content=plain', 'content="D e"')
        .replace('"og:url">', '"og:url" content="https://x.example/">'),
    )
  })

  test('the canonical address and the language of the page', () => {
    const edits = { canonical: 'https://x.example/a&b', 'html lang': 'fr' }
    const after = patched(PAGE, edits)
    expect(after).toBe(
      PAGE.replace('lang="en"', 'lang="fr"').replace(
        '"og:url">',
        '"og:url">\n    <link rel="canonical" href="https://x.example/a&amp;b">',
      ),
    )
    const twice = '<!doctype html><title>T</title><link rel=canonical href=/a><link href="/b" rel=canonical>'
    expect(patched(twice, edits)).toBe(
      '<!doctype html><html lang="fr"><title>T</title><link rel=canonical href="https://x.example/a&amp;b">',
    )
    expect(patched(PAGE, { 'html lang': null })).toBe(PAGE.replace(' lang="en"', ''))
    expect(patched(after, { canonical: null, 'html lang': 'en' })).toBe(PAGE)
  })

  test('new tags follow the cards’ last, indented like it; those of a picture follow the picture', () => {
    expect(patched(PAGE, { 'twitter:card': 'summary', 'og:image:width': '1200' })).toBe(
      PAGE.replace('"/a.png">', '"/a.png">\n    <meta property="og:image:width" content="1200">').replace(
        '"og:url">',
        '"og:url">\n    <meta name="twitter:card" content="summary">',
      ),
    )
  })

  test('what says it already is not touched', () => {
    expect(patched(PAGE, { description: 'plain', 'og:image': '/a.png', 'twitter:site': null })).toBe(PAGE)
  })

  test('CRLF stays CRLF', () => {
    const crlf = PAGE.replaceAll('\n', '\r\n')
    const after = patched(crlf, { 'twitter:card': 'summary', 'og:title': null })
    expect(after).toBe(patched(PAGE, { 'twitter:card': 'summary', 'og:title': null }).replaceAll('\n', '\r\n'))
  })

  test('on one line nothing but the tag changes', () => {
    const line = '<head><meta name=description content=a><title>T</title></head>'
    expect(patched(line, { description: null, 'og:title': 'X' })).toBe(
      '<head><meta property="og:title" content="X"><title>T</title></head>',
    )
  })

  test('one tag with two keys is parted when only one of them changes', () => {
    const page = '<head>\n<meta name="description" property="og:description" content="Both">\n</head>'
    expect(patched(page, { 'og:description': 'Own' })).toBe(
      '<head>\n<meta name="description" content="Both">\n<meta property="og:description" content="Own">\n</head>',
    )
    expect(patched(page, { 'og:description': 'New', description: 'New' })).toBe(page.replace('Both', 'New'))
  })

  test('a page without a head has the tags at its start', () => {
    expect(patched('<p>Hello</p>', { 'og:title': 'T' })).toBe('<meta property="og:title" content="T">\n<p>Hello</p>')
    expect(patched('<!doctype html><p>Hello</p>', { 'og:title': 'T' })).toBe(
      '<!doctype html>\n<meta property="og:title" content="T"><p>Hello</p>',
    )
    expect(patched('<html>\n<head>\n</head>', { 'og:title': 'T' })).toBe(
      '<html>\n<head>\n<meta property="og:title" content="T">\n</head>',
    )
  })

  test('a single-byte file keeps its bytes, and what it can’t hold is written as references', () => {
    const page = Uint8Array.from([
      ...bytesOf('<meta charset="windows-1252"><title>Caf'),
      0xe9,
      ...bytesOf('</title>x'),
      0xe9,
    ])
    const patch = patchPage(page, new Map([['og:title', 'Zürich – 東']]))
    if (patch.kind === 'refused') throw new Error(patch.why)
    const facts = readPage(decodeHtml(patch.bytes, null)).facts
    expect(facts.title).toBe('Café')
    expect(facts.metas.find(({ key }) => key === 'og:title')?.value).toBe('Zürich – 東')
    expect([...patch.bytes.slice(-2)]).toEqual([0x78, 0xe9])
  })

  test.each([
    [
      'UTF-8 that is none',
      Uint8Array.from([...bytesOf('<meta charset=utf-8><title>a'), 0xff, ...bytesOf('</title>')]),
      /bytes that are not/,
    ],
    ['a title that never ends', bytesOf('<meta charset=utf-8><title>a'), /title is never closed/],
    ['ISO-2022-JP', bytesOf('<meta charset=iso-2022-jp><title>a</title>'), /iso-2022-jp/],
  ])('%s is refused, not spoilt', (_name, bytes, why) => {
    const patch = patchPage(bytes, new Map([['og:title', 'x']]))
    expect(patch).toMatchObject({ kind: 'refused', why: expect.stringMatching(why) })
  })

  test.each([
    ['a NUL character', 'A\0B'],
    ['half of a character', 'A\uD83D B'],
  ])('%s is refused with the tag that it was drafted for', (what, value) => {
    const patch = patchPage(bytesOf(PAGE), new Map([['og:title', value]]))
    expect(patch).toMatchObject({
      kind: 'refused',
      why: expect.stringContaining(`The draft of og:title holds ${what}`),
    })
    expect(patchPage(bytesOf(PAGE), new Map([['og:title', '\u{1F600} whole']])).kind).toBe('patched')
  })

  test('a byte order mark stays', () => {
    const patch = patchPage(Uint8Array.from([0xef, 0xbb, 0xbf, ...bytesOf(PAGE)]), new Map([['title', 'N']]))
    if (patch.kind === 'refused') throw new Error(patch.why)
    expect([...patch.bytes.slice(0, 4)]).toEqual([0xef, 0xbb, 0xbf, 0x3c])
    expect(readPage(decodeHtml(patch.bytes, null)).facts.title).toBe('N')
  })
})

/** Every text that HTML can carry. */
const text = fc
  .oneof(
    fc.string({ unit: 'binary', minLength: 1 }),
    fc.string({
      unit: fc.constantFrom(
        '"',
        "'",
        '&',
        '<',
        '>',
        '\n',
        '\r',
        ' ',
        'a',
        '&amp;',
        '</script>',
        '</title>',
        '-->',
        '=',
      ),
      minLength: 1,
    }),
  )
  .map(fitText)
  .filter((value) => value !== '')

const keys = [
  'title',
  'og:title',
  'og:description',
  'description',
  'og:image',
  'og:image:alt',
  'twitter:title',
  'twitter:label1',
]
/** What is no meta. */
const ELEMENTS = ['canonical', 'html lang']

const edits = fc
  .dictionary(fc.constantFrom(...keys, ...ELEMENTS), fc.option(text, { freq: 4 }), { minKeys: 1 })
  .map((given): TagEdits => new Map(Object.entries(given)))

const tag = fc.oneof(
  fc
    .tuple(fc.constantFrom(...keys.slice(1), 'viewport', 'robots'), fc.constantFrom('name', 'property'), text)
    .map(([key, attribute, value]) => {
      const content = value.replaceAll('&', '&amp;').replaceAll('"', '&quot;')
      return `<meta ${attribute}="${key}" content="${content}">`
    }),
  fc.constantFrom(
    '<title>One</title>',
    '<title>a &lt; b</title >',
    '<META NAME=description CONTENT=x>',
    '<meta property="og:title"/>',
    '<script>"<meta name=description>"</script>',
    '<!-- <title>no</title> -->',
    '<link rel=icon href=x>',
    '<link rel=canonical href=a>',
    '<link href="b" rel="Canonical nofollow" />',
    '<p>text',
    '<template><meta name="description" content="t"></template>',
    '<svg><title>s</title></svg>',
    '<meta name=description property=og:description content=two>',
  ),
)
const page = fc
  .tuple(
    fc.constantFrom('', '<!doctype html>\n<html><head>\n', '<html lang=en>\n'),
    fc.array(fc.tuple(fc.constantFrom('', '\n', '\n  ', '\r\n\t'), tag)),
    fc.constantFrom('', '</head><body><p>x</p>'),
  )
  .map(([start, tags, end]) => start + tags.map(([space, html]) => space + html).join('') + end)

const RUNS = runs(600)

describe('for any page and any texts', { timeout: patience(120_000) }, () => {
  test('what is written is what our own facts read back', () => {
    fc.assert(
      fc.property(page, edits, (html, given) => {
        const patch = patchPage(bytesOf(html), given, 'text/html; charset=utf-8')
        if (patch.kind === 'refused') throw new Error(patch.why)
        const { facts } = readPage(decodeHtml(patch.bytes, 'text/html; charset=utf-8'))
        for (const [key, value] of given) {
          if (key === 'title') continue
          if (ELEMENTS.includes(key)) {
            expect(saidBy(facts, key)).toBe(value)
            continue
          }
          const found = facts.metas
            .filter((meta) => meta.key === key && meta.attribute !== 'http-equiv')
            .map((meta) => meta.value)
          expect(found).toEqual(value === null ? [] : [value])
        }
      }),
      RUNS,
    )
  })

  test('the tree is the same but for the tags changed', () => {
    fc.assert(
      fc.property(page, edits, (html, given) => {
        const patch = patchPage(bytesOf(html), given, 'text/html; charset=utf-8')
        if (patch.kind === 'refused') throw new Error(patch.why)
        expect(treeWithout(patch.after, given)).toBe(treeWithout(html, given))
      }),
      RUNS,
    )
  })
})

/** The tree as text, without the tags that are edited and without white space between elements. */
function treeWithout(html: string, given: TagEdits): string {
  const document = parse(html, { scriptingEnabled: false })
  const isEdited = (element: Tree.Element) => {
    if (element.tagName === 'title')
      return given.has('title') && element.namespaceURI === 'http://www.w3.org/1999/xhtml'
    if (element.tagName === 'link')
      return /canonical/i.test(element.attrs.find(({ name }) => name === 'rel')?.value ?? '')
    if (element.tagName !== 'meta') return false
    const named = element.attrs
      .filter(({ name }) => name === 'name' || name === 'property')
      .map(({ value }) => value.trim().toLowerCase())
    // A tag of two keys may be parted: both are left out of the comparison.
    return named.some((key) => given.has(key)) || named.includes('og:description') || named.includes('description')
  }
  const clean = (node: Tree.ParentNode) => {
    node.childNodes = node.childNodes.filter((child) => {
      // In a page without <head>, a tag that goes no longer opens it: a comment after it then stands outside.
      if (child.nodeName === '#comment') return false
      if ('value' in child) return child.value.trim() !== ''
      return !('tagName' in child && isEdited(child))
    })
    for (const child of node.childNodes) {
      if (child.nodeName === 'html' && 'attrs' in child) child.attrs = child.attrs.filter(({ name }) => name !== 'lang')
      if ('childNodes' in child) clean(child)
      if ('value' in child) child.value = child.value.trim()
    }
  }
  clean(document)
  return serialize(document)
}
