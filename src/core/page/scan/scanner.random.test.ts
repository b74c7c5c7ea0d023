import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { expectSameFacts } from '../../testing/oracle/same-facts'
import { patience, runs } from '../../testing/property-runs'

/** Runs of each property; a failure prints its seed and the smallest page that shows it. */
const RUNS = 12_000

const SPEAKING = ['meta', 'link', 'title', 'base', 'script', 'a', 'img', 'h1', 'p', 'html', 'head', 'body']
const PLACING = ['div', 'nav', 'main', 'article', 'form', 'noscript', 'template', 'table', 'tr', 'td', 'caption']
// No select: the other parser follows the standard of before 2025 there. What browsers make of it: e2e/reading.spec.ts.
const RARE = [
  'tbody',
  'thead',
  'col',
  'colgroup',
  'th',
  'option',
  'optgroup',
  'input',
  'textarea',
  'style',
  'foreignObject',
]
const INLINE = ['b', 'i', 'span', 'nobr', 'font', 'em', 'x-own']
const BLOCKS = [
  'ul',
  'li',
  'dl',
  'dt',
  'dd',
  'button',
  'object',
  'h2',
  'pre',
  'br',
  'hr',
  'image',
  'header',
  'frameset',
  'ruby',
  'rt',
]
const FOREIGN = ['svg', 'svg', 'path', 'math', 'foreignObject', 'desc', 'mi', 'g', 'annotation-xml', 'mglyph']

const ATTRIBUTES = [
  'name=description content="What it is"',
  'property="og:title" content=Lamp',
  'property="og:image og:url" content=/a.png',
  'href=/x',
  'HREF="https://share.example/?u=https://a.example"',
  'rel="Canonical icon"',
  'src=/a.png alt="A &amp; B"',
  'src=/app.js',
  'type="application/ld+json"',
  'type=hidden',
  'lang=en',
  'hidden',
  'http-equiv=refresh content="0;url=/y"',
  "class='a b'",
  '/',
  '=',
  'encoding=text/html color=red',
]
const TEXTS = [
  ' ',
  '\n',
  '\r\n',
  'x',
  'some words that make a paragraph long enough',
  '&amp;',
  '&#32;',
  '\0',
  'é',
  '😀',
  '<',
  '{"@type":"Product"}',
  '<!-- c -->',
  '<!--',
  '-->',
  '<!doctype html>',
  '<![CDATA[x]]>',
  '</',
  '<?x>',
]

const weighted = fc.oneof(
  { weight: 5, arbitrary: fc.constantFrom(...SPEAKING) },
  { weight: 4, arbitrary: fc.constantFrom(...PLACING) },
  { weight: 2, arbitrary: fc.constantFrom(...RARE) },
  { weight: 2, arbitrary: fc.constantFrom(...INLINE) },
  { weight: 2, arbitrary: fc.constantFrom(...BLOCKS) },
  { weight: 1, arbitrary: fc.constantFrom(...FOREIGN) },
)
const startTag = fc
  .tuple(weighted, fc.array(fc.constantFrom(...ATTRIBUTES), { maxLength: 3 }))
  .map(([name, attributes]) => `<${[name, ...attributes].join(' ')}>`)
const endTag = weighted.map((name) => `</${name}>`)
const page = fc
  .array(
    fc.oneof(
      { weight: 5, arbitrary: startTag },
      { weight: 3, arbitrary: endTag },
      { weight: 3, arbitrary: fc.constantFrom(...TEXTS) },
    ),
    { maxLength: 30 },
  )
  .map((tokens) => tokens.join(''))

/** More than a page may hold that only sends on, so that nothing of the text is counted any more. */
const LONG = 'some words that make a paragraph long enough '.repeat(10)

describe('any page says what its tree says', () => {
  test('generated from the tags that are hardest to place', { timeout: patience(120_000) }, () => {
    fc.assert(
      fc.property(page, (html) => expectSameFacts(html)),
      runs(RUNS),
    )
  })

  // A page whose texts are settled is skimmed; what stands in it must still be what the tree says.
  const opening = fc.constantFrom(
    `<main><h1>Lamps</h1><p>${LONG}</p></main>`,
    `<title>Lamps</title><p>${LONG}</p>`,
    `<main><h1>Lamps</h1><p>${LONG}</p><b><i>`,
    `<table><tr><td><h1>Lamps</h1><p>${LONG}</p>`,
    `<article><svg><title>Lamp</title></svg><h1>Lamps</h1><p>${LONG}</p></article><div>`,
  )

  test('after a body that can be skimmed', { timeout: patience(120_000) }, () => {
    fc.assert(
      fc.property(opening, page, fc.boolean(), (start, html, isInPieces) =>
        expectSameFacts(start + html, isInPieces ? 30 : undefined),
      ),
      runs(RUNS),
    )
  })

  // Elements closed in order, in what is skimmed as long as it is neat; some of them close others all the same.
  const { content } = fc.letrec<{ content: string; element: string }>((tie) => ({
    content: fc.array(tie('element'), { maxLength: 3, depthIdentifier: 'neat' }).map((parts) => parts.join('')),
    element: fc.oneof(
      { depthIdentifier: 'neat', maxDepth: 5 },
      fc.constantFrom(
        'x',
        'some words that are counted until there are enough of them '.repeat(3),
        '<br>',
        '<img src=/a.png>',
      ),
      fc.constantFrom(
        '<!-- c -->',
        '<svg><path d=""/>y</svg>',
        '<link rel=icon href=/i>',
        '<select><option>z</select>',
        '<hr>',
      ),
      fc
        .tuple(
          fc.constantFrom('div', 'ul', 'li', 'a', 'span', 'b', 'p', 'button', 'h1', 'h2', 'nav', 'x-own', 'main', 'td'),
          fc.constantFrom('', ' href=/x', ' class="a>b"', ' href=/y hidden'),
          tie('content'),
        )
        .map(([name, attributes, inside]) => `<${name}${attributes}>${inside}</${name}>`),
    ),
  }))

  test('with what stands around it neat, or nearly', { timeout: patience(120_000) }, () => {
    const holder = fc.constantFrom('nav', 'header', 'footer', 'aside')
    const before = fc.constantFrom(
      '<body>',
      '<body><p>',
      '<body><b>',
      '<body><div><button>',
      '<html><body><ul><li>',
      '',
    )
    const html = fc
      .tuple(before, holder, content, page, content)
      .map(([start, name, inside, odd, rest]) => `${start}<${name}>${inside}</${name}>${odd}<main>${rest}</main>`)
    fc.assert(
      fc.property(html, fc.boolean(), (text, isInPieces) => expectSameFacts(text, isInPieces ? 25 : undefined)),
      runs(RUNS),
    )
  })

  test('read in pieces of any size', { timeout: patience(120_000) }, () => {
    fc.assert(
      fc.property(page, fc.integer({ min: 1, max: 40 }), (html, size) => expectSameFacts(html, size)),
      runs(RUNS / 4),
    )
  })

  test('real pages with a piece cut out, doubled or moved', { timeout: patience(120_000) }, () => {
    const pages = ['index.html', 'about.html', 'guides/index.html'].map((file) =>
      readFileSync(new URL(`../../../../demo/site/${file}`, import.meta.url), 'utf8'),
    )
    const place = fc.double({ min: 0, max: 1, noNaN: true })
    const mutated = fc.tuple(fc.constantFrom(...pages), place, place, place, fc.constantFrom('cut', 'double', 'move'))
    fc.assert(
      fc.property(mutated, ([html, from, length, to, how]) => {
        const start = Math.floor(from * html.length)
        const piece = html.slice(start, start + Math.floor(length * 200))
        const rest = html.slice(0, start) + html.slice(start + piece.length)
        const at = Math.floor(to * rest.length)
        if (how === 'cut') expectSameFacts(rest)
        else
          expectSameFacts(
            (how === 'move' ? rest : html).slice(0, at) + piece + (how === 'move' ? rest : html).slice(at),
          )
      }),
      runs(1500),
    )
  })

  test('the generator makes pages that matter', () => {
    const made = fc.sample(page, 500).join('')
    for (const name of [...SPEAKING, ...PLACING, ...FOREIGN]) expect(made).toContain(`<${name}`)
  })
})
