import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { decodeHtml } from './decode'
import { PageStream } from './page-stream'
import { readPage } from './read-page'

const bytesOf = (text: string) => new TextEncoder().encode(text)

function streamed(bytes: Uint8Array, contentType: string | null, size: number) {
  const stream = new PageStream(contentType)
  for (let start = 0; start < bytes.length; start += size) stream.write(bytes.subarray(start, start + size))
  const { facts, hrefs, refreshTo, source } = stream.end()
  return { facts, hrefs, refreshTo, source: source(), byteLength: stream.byteLength }
}

function whole(bytes: Uint8Array, contentType: string | null) {
  const { facts, hrefs, refreshTo, source } = readPage(decodeHtml(bytes, contentType))
  return { facts, hrefs, refreshTo, source: source(), byteLength: bytes.length }
}

const demo = readFileSync(new URL('../../../demo/site/guides/rewire-a-lamp.html', import.meta.url))
const filler = 'Ünïcödé 😀 text. '.repeat(2000)
const PAGES: [string, Uint8Array, string | null][] = [
  ['a page of the demo', new Uint8Array(demo), 'text/html; charset=utf-8'],
  [
    'one whose characters take several bytes',
    bytesOf(
      `<!doctype html><title>é😀</title><meta charset=utf-8><meta name=a content="é😀"><p>${filler}</p><h1>Spät</h1><meta name=late content="é">`,
    ),
    null,
  ],
  ['one with a mark', bytesOf(`\uFEFF<title>x</title><meta name=a content=é>`), null],
  [
    'one in an older encoding',
    Uint8Array.from(
      [...'<meta charset=iso-8859-1><title>caf']
        .map((c) => c.charCodeAt(0))
        .concat(
          [0xe9],
          [...'</title><meta name=a content=b>'].map((c) => c.charCodeAt(0)),
        ),
    ),
    null,
  ],
  [
    'one in UTF-16',
    new Uint8Array(
      Buffer.concat([Buffer.from([0xff, 0xfe]), Buffer.from('<title>é</title><meta name=a content=b>', 'utf16le')]),
    ),
    null,
  ],
  ['nothing at all', new Uint8Array(0), 'text/html'],
  [
    'one with a long head',
    bytesOf(`<head><style>${'a{}'.repeat(500_000)}</style><meta name=a content=b></head><body><h1>x</h1>`),
    'text/html; charset=utf-8',
  ],
]

describe.each(PAGES)('%s', (_what, bytes, contentType) => {
  test.each([1, 7, 1000, 65_536])('in pieces of %d bytes says what it says as a whole', (size) => {
    if (bytes.length / size > 200_000) return
    const expected = whole(bytes, contentType)
    const found = streamed(bytes, contentType, size)
    expect({ ...found, source: [] }).toEqual({ ...expected, source: [] })
    // Rows of a head that is longer than is kept are cut; those of any other are the same.
    if (bytes.length < 1_000_000) expect(found.source).toEqual(expected.source)
  })
})

/** All that an object leads to, private parts too. */
function* reachable(root: object): Generator<unknown> {
  const seen = new Set<unknown>([root])
  for (const one of seen) {
    yield one
    if (typeof one !== 'object' || one === null || ArrayBuffer.isView(one)) continue
    for (const value of Object.values(one)) seen.add(value)
  }
}

test('a page that was read holds on to nothing of its text', () => {
  const stream = new PageStream('text/html; charset=utf-8')
  const sentence = 'A lamp that flickers asks for a new switch. '
  stream.write(bytesOf(`<title>Lamps and switches</title><h1>${sentence}</h1><main><p>${sentence.repeat(100)}`))
  const { facts, source } = stream.end()
  expect(facts.firstParagraph).toHaveLength(sentence.length * 100 - 1)
  const told = new Set<unknown>(source().map(({ text }) => text))
  expect(told.size).toBeGreaterThan(1)
  // The reading itself and the rows of its source are told on; what made them must be empty-handed.
  const { reading: _, ...rest } = stream as unknown as Record<string, unknown>
  const held = [...reachable(rest)].filter((one) => typeof one === 'string' && one.includes('lamp') && !told.has(one))
  expect(held).toEqual([])
})
