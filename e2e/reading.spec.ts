// What our own reading of old and odd bytes says, held against the browser: its decoders, and its tree with scripting off.
import { expect, test } from '@playwright/test'
import { decodeHtml, decodeText, encodingNamed, readPage } from '../src/core/page'

/** Every encoding of the standard that can be decoded. */
const SINGLE_BYTE = [
  'ibm866',
  ...[2, 3, 4, 5, 6, 7, 8, 10, 13, 14, 15, 16].map((number) => `iso-8859-${number}`),
  'iso-8859-8-i',
  'koi8-r',
  'koi8-u',
  'macintosh',
  'windows-874',
  ...[0, 1, 2, 3, 4, 5, 6, 7, 8].map((number) => `windows-125${number}`),
  'x-mac-cyrillic',
  'x-user-defined',
]
const OTHERS = [
  'utf-8',
  'utf-16le',
  'utf-16be',
  'gbk',
  'gb18030',
  'big5',
  'euc-jp',
  'iso-2022-jp',
  'shift_jis',
  'euc-kr',
]

type Piece = number[]

/** Every pair of bytes with a letter after it, to see what is taken back after an error. */
const PAIRS: Piece[] = Array.from({ length: 65_536 }, (_, pair) => [pair >> 8, pair & 255, 0x41])
const BYTES: Piece[] = Array.from({ length: 256 }, (_, byte) => [byte])

/** Short runs of bytes by a plain generator: characters of three and four bytes, escapes, ends of characters anywhere. */
const JUMBLED: Piece[] = (() => {
  let state = 12_345
  const next = () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0
    return state >>> 24
  }
  // Often the signs that switch iso-2022-jp, and those that longer characters hold.
  const sign = (byte: number) => (byte < 60 ? [0x1b, 0x24, 0x42, 0x28, 0x4a, 0x30, 0x39, 0x81, 0x8f][byte % 9]! : byte)
  return Array.from({ length: 6000 }, () => Array.from({ length: 8 }, () => sign(next())))
})()

/**
 * Where Chromium is not as the standard has it, and the standard counts: of four pairs of Big5 that stand for two
 * characters each it makes half a surrogate; in EUC-JP it goes on with the second table after a broken character of it;
 * in ISO-2022-JP it says nothing of the byte that makes an escape none.
 */
const MADE_WRONG = new Set([0x8862, 0x8864, 0x88a3, 0x88a5])
const ESCAPES = new Set([0x2440, 0x2442, 0x2842, 0x2849, 0x284a])
const isLeftOut = (encoding: string, piece: Piece) =>
  (encoding === 'big5' && piece.some((byte, at) => MADE_WRONG.has(byte * 256 + (piece[at + 1] ?? 0)))) ||
  (encoding === 'euc-jp' && piece.length > 3 && piece.includes(0x8f)) ||
  (encoding === 'iso-2022-jp' &&
    piece.some((byte, at) => byte === 0x1b && !ESCAPES.has((piece[at + 1] ?? 0) * 256 + (piece[at + 2] ?? 0))))

test('every encoding of the standard is decoded as the browser does', async ({ page }) => {
  await page.goto('about:blank')
  expect([...SINGLE_BYTE, ...OTHERS]).toHaveLength(39)
  const decode = (encoding: string, kind: 'bytes' | 'pairs' | 'jumbled') => {
    const pieces = { bytes: BYTES, pairs: PAIRS, jumbled: JUMBLED }[kind]
    // Pairs are made again there: to hand over a million numbers takes longer.
    return page.evaluate(
      ({ name, given }) => {
        const all = given ?? Array.from({ length: 65_536 }, (_, pair) => [pair >> 8, pair & 255, 0x41])
        return all.map((piece) => new TextDecoder(name, { ignoreBOM: true }).decode(new Uint8Array(piece)))
      },
      { name: encoding, given: kind === 'pairs' ? null : pieces },
    )
  }
  for (const encoding of [...SINGLE_BYTE, ...OTHERS]) {
    const isSingle = SINGLE_BYTE.includes(encoding)
    for (const kind of isSingle ? (['bytes'] as const) : (['pairs', 'jumbled'] as const)) {
      const browser = await decode(encoding, kind)
      const pieces = { bytes: BYTES, pairs: PAIRS, jumbled: JUMBLED }[kind]
      const differing = pieces.flatMap((piece, index) => {
        if (isLeftOut(encoding, piece)) return []
        const own = decodeText(new Uint8Array(piece), encoding)
        return own === browser[index] ? [] : [{ piece, own, browser: browser[index] }]
      })
      expect(differing.slice(0, 3), encoding).toEqual([])
    }
  }
})

test('labels mean what they mean to the browser', async ({ page }) => {
  await page.goto('about:blank')
  const labels = [
    'latin1',
    'ascii',
    'x-sjis',
    'ks_c_5601-1987',
    'gb2312',
    'utf8',
    ' UTF-8 ',
    'unicode',
    'nonsense',
    'iso-8859-11',
  ]
  const browser = await page.evaluate(
    (given) =>
      given.map((label) => {
        try {
          return new TextDecoder(label).encoding
        } catch {
          return null
        }
      }),
    labels,
  )
  expect(labels.map((label) => encodingNamed(label.trim()))).toEqual(browser)
})

/** Pages whose tree the standard changed, or that other parsers build in another way. */
const PAGES = [
  '<select><meta name=x><a href=1><option><img src=/x></select><a href=2>y',
  '<select><optgroup><option><optgroup></select><select><select><a href=1>x</a>',
  '<select><input><a href=1></select><textarea><a href=2>',
  '<table><select><option><tr><td><img src=/x></table><h1>after</h1>',
  '<p>one<select><option>a<div>b<p>c</select><h1>heading</h1>',
  '<select><button><h1>in a list</h1></button><option>x',
  '<select><option>a<hr><option>b</select><h1>x</h1>',
  '<h1>a<select><option></h1><h1>b</h1></select>',
  '<select>unclosed<h1>heading</h1><a href=1>x</a><p>A paragraph of more than twenty characters.</p>',
  '<svg><foreignObject><div><nav><a href=1>in</a></nav></div></foreignObject><a href=2>drawn</a><title>t</title></svg><a href=3>x</a>',
  '<svg><title>drawn</title><script>var a = "<h1>no</h1>"</script></svg><title>page</title><h1>x</h1>',
  '<math><mi><a href=1>in</a></mi><a href=2>drawn</a></math><a href=3>x</a>',
  '<title>Cut off</title ',
  '<title>Cut off</title',
  '<title>Whole</title><script>"</script ',
]

test('pages are read as the browser builds their tree', async ({ page }) => {
  await page.goto('about:blank')
  const filler = `<main><h1>Settled</h1><p>${'A paragraph that is long enough to settle the page. '.repeat(8)}</p></main>`
  const all = [...PAGES, ...PAGES.map((html) => `<!doctype html><title>T</title>${filler}${html}`)]
  const browser = await page.evaluate((pages) => {
    const text = (element: Element | null) =>
      element?.textContent?.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '') ?? null
    const html = (selector: string, tree: Document) =>
      [...tree.querySelectorAll(selector)].filter(({ namespaceURI }) => namespaceURI === 'http://www.w3.org/1999/xhtml')
    return pages.map((source) => {
      const tree = new DOMParser().parseFromString(source, 'text/html')
      // A formatting element that is opened again is a copy of one tag.
      const hrefs = html('a[href], area[href]', tree).map((element) => element.getAttribute('href'))
      return {
        title: text(html('title', tree)[0] ?? null),
        h1: text(html('h1', tree)[0] ?? null),
        hrefs: [...new Set(hrefs)].sort(),
        images: html('img', tree).map((element) => element.getAttribute('src')),
        metas: html('meta', tree).length,
      }
    })
  }, all)
  for (const [index, source] of all.entries()) {
    const { facts, hrefs } = readPage(decodeHtml(new TextEncoder().encode(source), 'text/html; charset=utf-8'))
    const own = {
      title: facts.title,
      h1: facts.h1,
      hrefs: [...new Set(hrefs)].sort(),
      images: facts.contentImages.map(({ src }) => src),
      metas: facts.metas.length,
    }
    expect(own, source.slice(-140)).toEqual(browser[index])
  }
})
