import { beforeAll, describe, expect, test } from 'vitest'
import { readRunDocument } from '../document'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { reportFormats } from './formats'
import { type RunDocument, runDocument } from './run-document'
import { jsonLines, jsonPieces, runAsJson } from './run-pieces'
import { sarifPieces } from './sarif'

let troubled: RunDocument
let clear: RunDocument
beforeAll(async () => {
  const files = goodSite({ 'about.html': goodPage('about.html', 'Ferns \u2028 {"x":\n}', { 'og:title': null }) })
  const waivers = [{ rule: 'og-title-missing', reason: 'x', by: 'Ada' }]
  troubled = runDocument(await gatherMemory(files, GOOD_SITE), { waivers })
  clear = runDocument(await gatherMemory(goodSite(), GOOD_SITE))
})
const both = (): RunDocument[] => [troubled, clear, { ...clear, pages: [], images: [], findings: [], causes: [] }]

describe('a run document in pieces', () => {
  test('is the text that it would be at once', () => {
    for (const document of both()) {
      const pieces = [...jsonPieces(document)]
      expect(pieces.join('')).toBe(runAsJson(document))
      if (document.pages.length > 0) expect(pieces.length).toBeGreaterThan(document.pages.length)
    }
  })

  test('in lines it begins with its head, ends with its sum, and is read back whole', () => {
    for (const document of both()) {
      const lines = [...jsonLines(document)]
      expect(JSON.parse(lines[0]!)).toMatchObject({ format: 'nimble-parrot-run', version: 1 })
      expect(JSON.parse(lines[0]!)).not.toHaveProperty('pages')
      expect(JSON.parse(lines.at(-1)!)).toEqual({ summary: document.summary })
      for (const line of lines) expect(line.indexOf('\n')).toBe(line.length - 1)
      const read = readRunDocument(lines.join(''))
      const whole = readRunDocument(runAsJson(document))
      expect(read.ok).toBe(true)
      expect(read).toEqual(whole)
    }
  })

  test('lines that break off, or are none, are refused with the line', () => {
    const lines = [...jsonLines(troubled)]
    expect(readRunDocument(lines.slice(0, -1).join(''))).toMatchObject({
      ok: false,
      fault: expect.stringMatching(/breaks off after \d+ lines/),
    })
    expect(readRunDocument([lines[0], lines[1], '{"page":\n', ...lines.slice(2)].join(''))).toMatchObject({
      ok: false,
      fault: expect.stringMatching(/^Line 3: It is no JSON/),
    })
  })
})

test('of other forms too the pieces are as many as there is to tell, and SARIF is one object', () => {
  for (const form of reportFormats) {
    if (form.id === 'json' || form.id === 'jsonl' || !form.pieces) continue
    const pieces = [...form.pieces(troubled)]
    expect(pieces.length, form.id).toBeGreaterThan(3)
    expect(pieces.join(''), form.id).toBe(form.write(troubled))
  }
  const results = (document: RunDocument) => JSON.parse([...sarifPieces(document)].join('')).runs[0].results
  expect(results(troubled).length).toBeGreaterThan(1)
  expect(results({ ...clear, pages: [], findings: [] })).toEqual([])
  const quoted = { ...troubled, scope: ['"results": []'] }
  expect(results(quoted)).toHaveLength(results(troubled).length)
})
