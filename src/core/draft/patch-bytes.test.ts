import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { decodeHtml, readPage } from '../page'
import { runs } from '../testing/property-runs'
import { patchPage } from './patch-page'

/** How an encoding writes the characters of two bytes, found by reading all of them. */
function encoderOf(encoding: string): (text: string) => Uint8Array {
  const decoder = new TextDecoder(encoding)
  const table = new Map<string, number[]>()
  for (let lead = 0x81; lead < 0xff; lead++)
    for (let trail = 0x40; trail < 0xff; trail++) {
      const text = decoder.decode(Uint8Array.of(lead, trail))
      if ([...text].length === 1 && text !== '\uFFFD' && !table.has(text)) table.set(text, [lead, trail])
    }
  return (text) =>
    Uint8Array.from([...text].flatMap((sign) => (sign < '\x80' ? [sign.charCodeAt(0)] : table.get(sign)!)))
}

const WORDS: Record<string, string> = {
  'euc-kr': '램프를고치는저녁',
  shift_jis: 'ランプを直す表ソ能',
  gbk: '修理台灯的夜晚',
  big5: '修理檯燈的夜晚功許',
  'euc-jp': 'ランプを直す',
}

describe.each(Object.keys(WORDS))('a page in %s', (encoding) => {
  const encode = encoderOf(encoding)
  const word = WORDS[encoding]!
  const page = (title: string) =>
    `<html><head>\n<meta charset="${encoding}">\n<!-- ${word} -->\n<title>${title}</title>\n<script>const a = "${word}<b>"</script>\n<meta property="og:title" content="${word}" data-by="${word}">\n</head><body>${word}<p>${word}`

  test('is patched tag by tag: what it can’t hold is a reference, and all other bytes are as they were', () => {
    const values = fc.constantFrom(null, 'plain', word, `${word} é 🙂 & "x" <y>`, 'Ω')
    fc.assert(
      fc.property(values, values, values, (title, ogTitle, description) => {
        const bytes = encode(page(`${word}!`))
        const edits = new Map([
          ['title', title],
          ['og:title', ogTitle],
          ['og:description', description],
        ])
        const patch = patchPage(bytes, edits)
        if (patch.kind === 'refused') throw new Error(patch.why)
        const now = readPage(decodeHtml(patch.bytes, null)).facts
        const meta = (key: string) => now.metas.find((one) => one.key === key)?.value ?? null
        expect([now.title, meta('og:title'), meta('og:description')]).toEqual([title, ogTitle, description])
        const kept = [`<!-- ${word} -->`, `<script>const a = "${word}<b>"</script>`, `<body>${word}<p>${word}`]
        for (const part of kept) expect(Buffer.from(patch.bytes).includes(Buffer.from(encode(part)))).toBe(true)
      }),
      runs(60),
    )
  })
})

test('between two edits of a page in one byte a character nothing is rewritten', () => {
  const page = Buffer.from(
    '<meta charset="windows-1252"><title>Caf\xe9</title><script>const a = "caf\xe9"</script><meta property="og:title" content="x">',
    'latin1',
  )
  const patch = patchPage(
    page,
    new Map([
      ['title', 'Café au lait'],
      ['og:title', 'y'],
    ]),
  )
  if (patch.kind === 'refused') throw new Error(patch.why)
  expect(Buffer.from(patch.bytes).toString('latin1')).toContain('<script>const a = "caf\xe9"</script>')
  expect(readPage(decodeHtml(patch.bytes, null)).facts.title).toBe('Café au lait')
})

test.each(['utf-16le', 'utf-16be'])('a page in %s keeps its mark and its order of bytes', (encoding) => {
  const units = (text: string) =>
    [...Buffer.from(`\uFEFF${text}`, 'utf16le')].map((_byte, index, all) =>
      encoding === 'utf-16le' ? all[index]! : all[index ^ 1]!,
    )
  const page = (title: string) => `<title>${title}</title><p>ランプ`
  const patch = patchPage(Uint8Array.from(units(page('Lamp'))), new Map([['title', '램프 🙂']]))
  expect(patch).toMatchObject({ kind: 'patched', bytes: Uint8Array.from(units(page('램프 🙂'))) })
})
