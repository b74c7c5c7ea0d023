import { XMLParser, XMLValidator } from 'fast-xml-parser'
import Papa from 'papaparse'
import type { Log } from 'sarif'
import { beforeAll, describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { escapeXml } from '../text'
import { runAsCsv } from './csv'
import { runAsHtml } from './html'
import { RUN_SUITE, runAsJunit, SITE_SUITE } from './junit'
import { escapeMarkdown, runAsMarkdown } from './markdown'
import { type RunDocument, runDocument } from './run-document'
import { runAsSarif } from './sarif'

let document: RunDocument
let clear: RunDocument

beforeAll(async () => {
  const nasty = '=cmd()<script>alert(1)</script>"]]>&`|@you'
  const files = {
    'about.html': goodPage('about.html', 'Ferns', { 'og:title': null }),
    'visit.html': goodPage('visit.html', 'Mosses', { 'twitter:card': `<meta name="twitter:card" content='${nasty}'>` }),
    'g/a b.html': goodPage('g/a%20b.html', 'Ferns', { 'og:url': '<meta property="og:url" content="/g/">' }),
    'g/c.html': goodPage('g/c.html', 'Mosses', {
      'og:image': `<meta property="og:image" content="${GOOD_SITE}img/none.png">`,
    }),
  }
  document = runDocument(await gatherMemory(goodSite(files), GOOD_SITE))
  clear = runDocument(await gatherMemory(goodSite(), GOOD_SITE))
})

const all = (given: RunDocument) => [...given.pages.flatMap(({ findings }) => findings), ...given.findings]

describe('CSV', () => {
  test('has a row for each finding, in the published columns', () => {
    const { data, errors } = Papa.parse<string[]>(runAsCsv(document).trimEnd())
    expect(errors).toEqual([])
    expect(data[0]).toEqual([
      'level',
      'rule',
      'page',
      'file',
      'line',
      'column',
      'message',
      'fix',
      'image',
      'state',
      'waiver',
    ])
    expect(data).toHaveLength(all(document).length + 1)
    expect(data.slice(1).every((row) => row.length === 11)).toBe(true)
  })

  test('no cell is a formula', () => {
    const { data } = Papa.parse<string[]>(runAsCsv(document).trimEnd())
    for (const cell of data.flat()) expect(cell).not.toMatch(/^[=+\-@\t\r]/)
  })
})

describe('SARIF', () => {
  test('is a log of version 2.1.0 with rules, levels, places in the build and fingerprints', () => {
    const log: Log = JSON.parse(runAsSarif(document))
    expect(log.version).toBe('2.1.0')
    const [run] = log.runs
    const { rules } = run!.tool.driver
    expect(run!.results).toHaveLength(all(document).length)
    for (const result of run!.results!) {
      expect(rules![result.ruleIndex!]!.id).toBe(result.ruleId)
      expect(['error', 'warning', 'note']).toContain(result.level)
      expect(result.message.text).toBeTruthy()
      const { artifactLocation, region } = result.locations![0]!.physicalLocation!
      expect(artifactLocation!.uri).toBeTruthy()
      if (region) expect(region.startLine).toBeGreaterThan(0)
      expect(Object.keys(result.partialFingerprints!)).toHaveLength(1)
    }
    const uris = run!.results!.map((result) => result.locations![0]!.physicalLocation!.artifactLocation!)
    expect(uris).toContainEqual({ uri: 'g/a%20b.html', uriBaseId: 'BUILD' })
    expect(run!.originalUriBaseIds).toHaveProperty('BUILD')
  })

  test('the same finding keeps its fingerprint when its line moves', async () => {
    const moved = {
      'about.html': goodPage('about.html', 'Ferns', {
        charset: '<meta charset="utf-8">\n\n',
        'twitter:card': '<meta name="twitter:card" content="big">',
      }),
    }
    const still = {
      'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': '<meta name="twitter:card" content="big">' }),
    }
    const [a, b] = await Promise.all(
      [moved, still].map(
        async (files) =>
          (JSON.parse(runAsSarif(runDocument(await gatherMemory(goodSite(files), GOOD_SITE)))) as Log).runs[0]!
            .results![0]!,
      ),
    )
    expect(a!.partialFingerprints).toEqual(b!.partialFingerprints)
    expect(a!.locations![0]!.physicalLocation!.region!.startLine).not.toBe(
      b!.locations![0]!.physicalLocation!.region!.startLine,
    )
  })
})

describe('JUnit', () => {
  test('is well-formed: a suite a section, a case a page, a failure where there is an error', () => {
    const xml = runAsJunit(document)
    expect(XMLValidator.validate(xml)).toBe(true)
    const parsed = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      isArray: (name) => name === 'testsuite' || name === 'testcase',
    }).parse(xml)
    const suites: { name: string; testcase: { name: string; failure?: unknown }[] }[] = parsed.testsuites.testsuite
    const pages = suites
      .filter(({ name }) => name !== SITE_SUITE && name !== RUN_SUITE)
      .flatMap(({ testcase }) => testcase)
    expect(pages).toHaveLength(document.pages.length)
    const failing = document.pages.filter(({ findings }) => findings.some(({ level }) => level === 'error')).length
    expect(pages.filter(({ failure }) => failure !== undefined)).toHaveLength(failing)
    expect(Number(parsed.testsuites.tests)).toBe(suites.flatMap(({ testcase }) => testcase).length)
  })

  test('characters that no XML may hold, or that break its line, are marks', () => {
    expect(escapeXml('a\u0000b\u001Fc\uFFFE<&"\n\t')).toBe('a␀b␟c\uFFFD&lt;&amp;&quot;␊␉')
    expect(escapeXml('\uD800x😀')).toBe('⟨U+D800⟩x😀')
  })
})

describe('Markdown', () => {
  test('starts with the verdict, fits a comment, and holds no tag of a page', () => {
    const text = runAsMarkdown(document)
    expect(text).toMatch(/^### Not clear for launch: \d+ errors?/)
    expect(text.length).toBeLessThan(65_000)
    expect(text).not.toContain('<script>')
    expect(text).not.toMatch(/[^\u200B\w]@you/)
    expect(runAsMarkdown(clear)).toContain('### Clear for launch: 0 errors')
  })

  test('many causes are cut off, and counted', () => {
    const cause = document.causes[0]!
    const many = {
      ...document,
      causes: Array.from({ length: 400 }, (_, index) => ({ ...cause, id: String(index), change: 'x'.repeat(400) })),
    }
    const text = runAsMarkdown(many)
    expect(text.length).toBeLessThan(65_000)
    expect(text).toMatch(/… and \d+ more changes; the whole list is in the JSON document\.\n$/)
  })

  test('signs are escaped', () => {
    expect(escapeMarkdown('*a* [b](c) <d> `e` #1 @f')).toBe('\\*a\\* \\[b\\]\\(c\\) \\<d\\> \\`e\\` \\#1 @\u200Bf')
  })
})

describe('HTML', () => {
  test('is one file without script or request, and a page’s texts are only text', () => {
    const html = runAsHtml(document)
    expect(html).not.toMatch(/<script|src=|@import|url\(/)
    expect(html).toContain('&lt;script&gt;alert(1)&lt;/script&gt;')
    expect(html).toContain('Not clear for launch')
    expect(runAsHtml(clear)).toContain('Clear for launch')
  })
})
