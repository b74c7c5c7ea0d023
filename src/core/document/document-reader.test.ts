import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../testing/property-runs'
import { DocumentBuilder, DocumentReader } from './document-reader'
import { ObjectEntries } from './object-entries'

/** A text in pieces of a few lengths, so that every border falls inside of something. */
const inPieces = (text: string, length: number) =>
  Array.from({ length: Math.ceil(text.length / length) }, (_, index) =>
    text.slice(index * length, (index + 1) * length),
  )

function read(pieces: readonly string[]) {
  const reader = new DocumentReader()
  const builder = new DocumentBuilder()
  for (const piece of pieces) builder.take(reader.add(piece))
  builder.take(reader.end())
  return { value: builder.value(), fault: reader.fault }
}

const document = {
  format: 'nimble-parrot-run',
  notes: [],
  scope: ['a', '[{"b":1}]'],
  pages: [
    { url: 'x', text: 'ends in \\" {[,:]} \\\\' },
    { url: 'y', nested: [[{}], []] },
  ],
  images: [],
  findings: [{ rule: 'r' }],
  causes: [],
  summary: { pages: 2 },
}

describe('a document that is read as it comes', () => {
  test('is the same in pieces of any length, as one object and in lines', () => {
    const lines = [
      { format: 'nimble-parrot-run', notes: [], scope: document.scope },
      ...document.pages.map((page) => ({ page })),
      { finding: document.findings[0] },
      { unheard: 'of' },
      { summary: document.summary },
    ]
    const forms = [
      JSON.stringify(document),
      `${JSON.stringify(document)}\n`,
      `\uFEFF${JSON.stringify(document, null, 2)}\n\n`,
      lines.map((line) => `${JSON.stringify(line)}\n`).join(''),
      lines.map((line) => JSON.stringify(line)).join('\r\n'),
    ]
    for (const form of forms)
      for (const length of [1, 2, 3, 7, 1000])
        expect(read(inPieces(form, length)), `${length}: ${form.slice(0, 40)}`).toEqual({
          value: document,
          fault: null,
        })
  })

  test('any JSON in its fields is what parsing the whole gives', () => {
    const keys = fc.constantFrom('pages', 'images', 'survey', 'a "quoted" \\ name', 'é', '')
    fc.assert(
      fc.property(fc.dictionary(keys, fc.jsonValue()), fc.integer({ min: 1, max: 40 }), (value, length) => {
        const whole = { ...value, format: 'x', summary: 1 }
        const { value: found, fault } = read(inPieces(JSON.stringify(whole, null, 1), length))
        expect(fault).toBeNull()
        const lists = { pages: [], images: [], findings: [], causes: [] }
        expect(found).toEqual(JSON.parse(JSON.stringify({ ...lists, ...whole })))
      }),
      runs(200),
    )
  })

  test.each([
    ['nothing', '', /breaks off/],
    ['a list', '[1]', /no JSON object/],
    ['what breaks off', '{"format": "x", "pages": [{}', /breaks off/],
    ['what goes on', '{"format": "x"} {}', /follows after its end/],
    ['a faulty entry', '{"format": "x", "pages": [{], "summary": 1}', /^pages: It is no JSON/],
    ['what closes what was not opened', '{"pages": [}]}', /no JSON|breaks off|follows/],
  ])('%s is refused', (_, text, fault) => {
    expect(read([text]).fault).toMatch(fault)
  })

  test('an entry that is longer than any is given up before its end', () => {
    const entries = new ObjectEntries(new Set(['pages']), 100)
    expect(entries.add('{"pages":[')).toEqual([])
    entries.add(`"${'x'.repeat(50)}`)
    expect(entries.fault).toBeNull()
    entries.add('x'.repeat(60))
    expect(entries.fault).toBe('pages has an entry of more than 100 characters.')
    expect(entries.add('"]}')).toEqual([])
  })
})
