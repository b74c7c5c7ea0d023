import { XMLParser, XMLValidator } from 'fast-xml-parser'
import Papa from 'papaparse'
import type { Log } from 'sarif'
import { beforeAll, describe, expect, test } from 'vitest'
import { readRunDocument } from '../document'
import type { Gathering } from '../model'
import type { Requirements } from '../requirements'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { type Baseline, baselineOf, sinceBaseline, unfitAsBaseline } from './baseline'
import { type FormatId, reportFormats } from './formats'
import { verdictLine } from './paper'
import { type RunDocument, runDocument } from './run-document'
import { runAsJson } from './run-pieces'
import { exitCodeFor, fails, withVerdict } from './verdict'

const DAY = '2026-11-23'

/** Two pages with faults: one that a waiver takes, and, beside the baseline, one that is known and one that is new. */
const before: MemoryBuild = goodSite({
  'about.html': goodPage('about.html', 'Ferns', { 'og:title': null }),
  'visit.html': goodPage('visit.html', 'Mosses', { 'og:description': null }),
})
const after: MemoryBuild = {
  ...before,
  'visit.html': goodPage('visit.html', 'Mosses', { 'og:description': null, 'og:title': null, 'twitter:card': null }),
}
const requirements: Requirements = {
  waivers: [
    {
      rule: 'og-description-missing',
      pages: '/visit.html',
      reason: 'The text is on its way',
      by: 'Ada',
      until: '2026-12-31',
    },
  ],
}
const signedOff = { by: 'Benno', at: '2026-11-23T10:00:00.000Z', run: 'sha256:0', waived: 1, errors: 2 }

let gathered: Gathering
let baseline: Baseline

const readBack = (document: RunDocument) => {
  const read = readRunDocument(runAsJson(document))
  if (!read.ok) throw new Error(read.fault)
  return read.document
}

beforeAll(async () => {
  gathered = await gatherMemory(after, GOOD_SITE)
  baseline = baselineOf(readBack(runDocument(await gatherMemory(before, GOOD_SITE))))
})

const write = (id: FormatId, document: RunDocument, failOn: 'error' | 'warning' | 'never' = 'error') =>
  reportFormats.find((format) => format.id === id)!.write(document, { failOn })

const ids = reportFormats.map(({ id }) => id)

/** What one paper has to hold of a run, in whatever form it says it. */
const plainText = (text: string) =>
  text
    .replace(/\\(?=[^\w\s])/g, '')
    .replace(/&quot;/g, '"')
    .replace(/\u200B/g, '')

describe('every paper tells the same', () => {
  test.each(ids)('%s: who has taken on what, why, and until when', (id) => {
    const text = plainText(write(id, runDocument(gathered, requirements, DAY)))
    for (const words of ['og-description-missing', 'The text is on its way', 'Ada', '2026-12-31'])
      expect(text).toContain(words)
  })

  test.each(ids)('%s: what was not read, and never that it is clear', async (id) => {
    const whole = await gatherMemory(goodSite(), GOOD_SITE)
    const message = 'Stopped at 3 of about 40 pages.'
    const text = plainText(write(id, runDocument({ ...whole, incomplete: [{ why: 'stopped', message }] })))
    expect(text).toContain(message)
    expect(text).not.toMatch(/Clear for launch|"clear": ?true|"executionSuccessful": true/)
  })

  test.each(ids)('%s: what the user narrowed it to', async (id) => {
    const whole = await gatherMemory(goodSite(), GOOD_SITE)
    const text = plainText(write(id, runDocument({ ...whole, scope: ['--include /guides/**', 'at most 9 pages'] })))
    expect(text).toContain('--include /guides/**')
    expect(text).toContain('at most 9 pages')
  })

  test.each(ids)('%s: who signed', (id) => {
    const text = plainText(write(id, { ...runDocument(gathered, requirements, DAY), signedOff }))
    expect(text).toContain('Benno')
  })

  test.each(ids.filter((id) => id !== 'csv'))('%s: the verdict', async (id) => {
    const whole = await gatherMemory(goodSite(), GOOD_SITE)
    expect(plainText(write(id, runDocument(whole)))).toMatch(/Clear for launch|"verdict": ?"clear"/)
    expect(plainText(write(id, runDocument(gathered)))).toMatch(/Not clear|"verdict": ?"not-clear"/)
    const lack = runDocument({ ...whole, incomplete: [{ why: 'pages', message: 'x' }] })
    expect(plainText(write(id, lack))).toMatch(/Not known|"verdict": ?"not-known"/)
  })

  const held = () => runDocument(gathered, requirements, DAY, { baseline })

  test.each(['text', 'markdown', 'html'] as const)(
    '%s prints what is new since the baseline, and counts the known',
    (id) => {
      const text = plainText(write(id, held()))
      expect(text).toContain('new are 1 error, 1 warning, 0 notes; 1 finding known before')
      // The page whose fault is known is named by no change that is printed.
      expect(text).toContain('visit.html')
      const changes = id === 'html' ? text.split(/<h2>(?:To know|The cards)/)[0] : text.split('By section')[0]
      expect(changes).not.toContain('about.html')
    },
  )

  test('SARIF: states, suppressions, a version, and a region for every result with a line', () => {
    const { runs }: Log = JSON.parse(write('sarif', held()))
    const [run] = runs
    const states = run!.results!.map(({ ruleId, baselineState, suppressions }) => [
      ruleId,
      baselineState,
      suppressions?.length,
    ])
    expect(states).toEqual([
      ['og-title-missing', 'unchanged', undefined],
      ['og-title-missing', 'new', undefined],
      ['card-missing', 'new', undefined],
      ['og-description-missing', 'unchanged', 1],
    ])
    expect(run!.tool.driver.version).toMatch(/^\d+\.\d+\.\d+$/)
    expect(run!.tool.driver.informationUri).toMatch(/^https:/)
    expect(run!.invocations![0]!.executionSuccessful).toBe(true)
  })

  test('CSV: a state and a waiver for each finding', () => {
    const { data } = Papa.parse<Record<string, string>>(write('csv', held()), { header: true, skipEmptyLines: true })
    expect(data.map(({ rule, state, waiver }) => [rule, state, waiver])).toEqual([
      ['og-title-missing', 'known', ''],
      ['og-title-missing', 'new', ''],
      ['card-missing', 'new', ''],
      ['og-description-missing', 'waived', 'by Ada until 2026-12-31: The text is on its way'],
    ])
  })

  const junit = (document: RunDocument, failOn: 'error' | 'warning' | 'never' = 'error') => {
    const xml = write('junit', document, failOn)
    expect(XMLValidator.validate(xml)).toBe(true)
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      isArray: (name) => name === 'testsuite' || name === 'testcase' || name === 'property',
    })
    type Case = { name: string; failure?: { message: string }; skipped?: { message: string }; error?: unknown }
    const suites: { name: string; testcase: Case[] }[] = parser.parse(xml).testsuites.testsuite
    return new Map(suites.flatMap(({ testcase }) => testcase).map((one) => [one.name, one]))
  }

  test('JUnit: a failure for what --fail-on counts, and skipped for what is known or waived', () => {
    const cases = junit(held())
    expect(cases.get('/about.html')!.skipped!.message).toContain('known before: og-title-missing')
    expect(cases.get('/visit.html')!.failure!.message).toContain('There is no og:title.')
    const warned = runDocument(warning, requirements, DAY)
    expect(junit(warned).get('/visit.html')).not.toHaveProperty('failure')
    expect(junit(warned, 'warning').get('/visit.html')).toHaveProperty('failure')
    expect(junit(held(), 'never').get('/visit.html')).not.toHaveProperty('failure')
  })

  let warning: Gathering
  beforeAll(async () => {
    const warned = { 'visit.html': goodPage('visit.html', 'Mosses', { 'twitter:card': null }) }
    warning = await gatherMemory(goodSite(warned), GOOD_SITE)
  })

  test('JUnit: a run that is not complete is an error', () => {
    const lack = runDocument({ ...gathered, incomplete: [{ why: 'stopped', message: 'Stopped.' }] })
    expect(junit(lack).get('everything was read')).toHaveProperty('error')
    expect(junit(held()).get('everything was read')).not.toHaveProperty('error')
  })

  test('text begins and ends with the verdict', () => {
    const lines = write('text', held()).trimEnd().split('\n')
    expect(lines[0]).toBe(
      'Not clear: 2 errors, 1 warning, 0 notes, 1 waived. New since the baseline: 1 error, 1 warning, 0 notes.',
    )
    expect(lines.at(-1)).toBe(lines[0])
  })

  test('a requirement that does nothing is said with its line in the file', () => {
    const idle: Requirements = { sections: { '/gides/*': { kind: 'article' } } }
    const requirementsFile = { name: 'nimble-parrot.json', lineOf: () => 7 }
    const { notes } = runDocument(gathered, idle, DAY, { requirementsFile })
    expect(notes).toEqual([
      {
        kind: 'requirements',
        message: 'nimble-parrot.json, line 7: No page lies under “/gides/*”: it asks nothing of any.',
      },
    ])
  })
})

describe('the verdict', () => {
  test('clear is only what is complete and without an error', async () => {
    const whole = await gatherMemory(goodSite(), GOOD_SITE)
    const lack = { ...whole, incomplete: [{ why: 'depth' as const, message: 'x' }] }
    expect(runDocument(whole).summary).toMatchObject({ verdict: 'clear', clear: true })
    expect(runDocument(lack).summary).toMatchObject({ verdict: 'not-known', clear: false })
    expect(runDocument(lack)).toMatchObject({ complete: false, incomplete: [{ why: 'depth' }] })
    expect(runDocument({ ...gathered, incomplete: lack.incomplete }).summary).toMatchObject({ verdict: 'not-clear' })
  })

  test('a waived finding stands in no way, and is counted', () => {
    const waivers = [{ rule: 'og-title-missing', reason: 'x', by: 'Ada' }]
    const { summary } = runDocument(gathered, { waivers })
    expect(summary).toMatchObject({ error: 0, waived: 2, verdict: 'clear' })
    expect(verdictLine({ summary })).toBe('Clear for launch: 0 errors, 2 warnings, 0 notes, 2 waived.')
  })
})

const noHost = async () => ({
  kind: 'failed' as const,
  code: 'host-not-found' as const,
  message: 'There is no such host.',
  ms: 0,
})
const elsewhere = (name: string) => `<meta property="og:image" content="https://${name}.example/card.png">`
const withImagesOn = (about: string, visit: string) =>
  gatherMemory(
    goodSite({
      'about.html': goodPage('about.html', 'Ferns', { 'og:image': elsewhere(about) }),
      'visit.html': goodPage('visit.html', 'Mosses', { 'og:image': elsewhere(visit) }),
    }),
    GOOD_SITE,
    noHost,
  )

describe('what was not seen', () => {
  test('is never called clear: every paper lists it, and says how to let it be seen or accept it', async () => {
    const run = runDocument(await withImagesOn('cdn', 'cdn'))
    expect(run.summary).toMatchObject({ error: 0, verdict: 'not-known', clear: false, unseenCount: 1 })
    expect(run.summary.unseen).toMatchObject([{ kind: 'image', url: 'https://cdn.example/card.png', count: 2 }])
    expect(exitCodeFor(run, 'error')).toBe(2)
    for (const id of ids.filter((one) => one !== 'csv')) {
      const paper = write(id, run)
      expect(paper, id).toContain('https://cdn.example/card.png')
      expect(paper, id).not.toMatch(/clear for launch(?!:? not)/)
    }
    expect(write('text', run)).toContain('Not known: not everything was seen')
    expect(write('text', run)).toContain('add a waiver of image-unreachable with a reason')
    expect(write('html', run)).not.toContain('Nothing stands in the way')
  })

  test('the same image gets the same answer, whatever stands beside it', async () => {
    const besides = ['cdn', 'other'].map((other) => withImagesOn('cdn', other))
    const said = (await Promise.all(besides)).map((gathering) => {
      const page = runDocument(gathering).pages.find(({ url }) => url.endsWith('about.html'))!
      return { findings: page.findings, skipped: page.skipped, unseen: page.unseen }
    })
    expect(said[0]).toEqual(said[1])
    expect(said[0]!.unseen).toBe(true)
  })

  test('is accepted by a waiver, page by page, and no further', async () => {
    const gathering = await withImagesOn('cdn', 'cdn')
    const waivers = [{ rule: 'image-unreachable', pages: '/about.html', reason: 'It is up at launch', by: 'Ada' }]
    expect(runDocument(gathering, { waivers }).summary).toMatchObject({
      waived: 1,
      verdict: 'not-known',
      unseenCount: 1,
    })
    const all = runDocument(gathering, { waivers: [{ ...waivers[0]!, pages: '/**' }] })
    expect(all.summary).toMatchObject({ waived: 1, verdict: 'clear' })
    expect(all.notes).toEqual(gathering.notes)
    expect(write('text', all)).toContain('Waived: image-unreachable on 2 pages, by Ada: It is up at launch')
  })

  test('is drawn as not seen', async () => {
    const page = runDocument(await withImagesOn('cdn', 'cdn')).pages.find(({ url }) => url.endsWith('about.html'))!
    expect(page.cards['wide-feed']!.image).toMatchObject({
      url: 'https://cdn.example/card.png',
      unseen: true,
    })
    const other = runDocument(gathered).pages[0]!
    expect(other.cards['wide-feed']!.image).not.toHaveProperty('unseen')
  })
})

describe('the level from which findings fail', () => {
  test.each([
    ['error', 'clear', 0],
    ['warning', 'not-clear', 1],
    ['note', 'not-clear', 1],
    ['never', 'clear', 0],
  ] as const)('%s: %s, exit %i, and the headline says the same', async (failOn, verdict, code) => {
    const warned = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }) })
    const run = withVerdict(runDocument(await gatherMemory(warned, GOOD_SITE)), failOn)
    expect(run.summary).toMatchObject({ error: 0, verdict, clear: verdict === 'clear' })
    expect(exitCodeFor(run, failOn)).toBe(code)
    expect(verdictLine(run).startsWith('Clear for launch')).toBe(code === 0)
  })
})

describe('a baseline', () => {
  test('one more ordinary page is nothing new where all pages share an image', async () => {
    const shared = (...names: string[]): MemoryBuild => {
      const image = `<meta property="og:image" content="${GOOD_SITE}about.png">`
      return goodSite(
        Object.fromEntries(
          names.map((name) => [`${name}.html`, goodPage(`${name}.html`, `The ${name}`, { 'og:image': image })]),
        ),
      )
    }
    const documentOf = async (...names: string[]) => runDocument(await gatherMemory(shared(...names), GOOD_SITE))
    const first = await documentOf('a', 'b', 'c')
    expect(first.findings.map(({ rule }) => rule)).toContain('image-shared')
    const held = runDocument(await gatherMemory(shared('a', 'b', 'c', 'd'), GOOD_SITE), {}, DAY, {
      baseline: baselineOf(readBack(first)),
    })
    expect(held.findings.filter(({ rule, state }) => rule === 'image-shared' && state === 'new')).toEqual([])
    // What is a fault of the new page alone is new.
    const orphan = held.findings.find(({ rule }) => rule === 'page-orphan')
    expect(orphan?.state).toBe('new')
  })

  test('a URL that was missing before is known, another is new', async () => {
    const linking = (...hrefs: string[]) =>
      goodSite({
        'about.html': goodPage('about.html', 'Ferns', {}, hrefs.map((href) => `<a href="${href}">x</a>`).join('')),
      })
    const run = async (...hrefs: string[]) => gatherMemory(linking(...hrefs), GOOD_SITE)
    const known = baselineOf(readBack(runDocument(await run('/gone'))))
    const stateOf = async (...hrefs: string[]) =>
      runDocument(await run(...hrefs), {}, DAY, { baseline: known }).findings.find(
        ({ rule }) => rule === 'page-unreachable',
      )?.state
    expect(await stateOf('/gone')).toBe('known')
    expect(await stateOf('/gone', '/lost')).toBe('new')
  })

  test('its findings don’t count, new ones do', () => {
    const document = runDocument(gathered)
    const same = sinceBaseline(baselineOf(readBack(document)), document.pages, document.findings)
    expect(same).toMatchObject({ new: { error: 0, warning: 0, note: 0 }, known: { error: 2, warning: 2, note: 0 } })
    const held = runDocument(gathered, requirements, DAY, { baseline })
    expect(held.baseline).toMatchObject({ new: { error: 1, warning: 1 }, known: { error: 1 } })
    expect([fails(held, 'error'), fails(document, 'error')]).toEqual([true, true])
    expect(fails(runDocument(gathered, {}, DAY, { baseline: baselineOf(readBack(document)) }), 'note')).toBe(false)
  })

  test('is of the same site, and of a run that read all', () => {
    const document = readBack(runDocument(gathered))
    expect(unfitAsBaseline(document, GOOD_SITE)).toBeNull()
    expect(unfitAsBaseline(document, 'https://other.example/')).toContain('of another site, https://site.example/')
    const lack = [{ why: 'stopped' as const, message: 'Stopped at 3 of about 40 pages.' }]
    expect(unfitAsBaseline({ ...document, incomplete: lack }, GOOD_SITE)).toContain('Stopped at 3')
  })
})

/** A document as somebody may have changed it by hand. */
// biome-ignore lint/suspicious/noExplicitAny: any part of it is taken away below
type Loose = any

describe('reading a run document', () => {
  const fault = (change: (document: Loose) => unknown) => {
    const value = JSON.parse(runAsJson(runDocument(gathered)))
    const read = readRunDocument(JSON.stringify(change(value) ?? value))
    return read.ok ? null : read.fault
  }

  test('one of ours is read back, and so is one of before completeness was written', () => {
    expect(fault((document) => document)).toBeNull()
    const old = JSON.parse(runAsJson(runDocument(gathered)))
    for (const field of ['complete', 'incomplete', 'scope']) delete old[field]
    old.notes.push({ kind: 'stopped', message: 'Stopped at 3.' })
    const read = readRunDocument(JSON.stringify(old))
    expect(read.ok && read.document.incomplete).toEqual([{ why: 'stopped', message: 'Stopped at 3.' }])
  })

  test.each([[[]], [undefined]])('one that says it is not complete is not taken for complete: %j', (incomplete) => {
    const read = readRunDocument(runAsJson({ ...runDocument(gathered), complete: false, incomplete } as never))
    expect(read.ok && unfitAsBaseline(read.document, GOOD_SITE)).toMatch(/not complete/)
  })

  test.each<[string, (document: Loose) => unknown, RegExp]>([
    ['a comparison', () => ({ format: 'nimble-parrot-drift', version: 1 }), /the document of a comparison/],
    ['another version', (document) => ({ ...document, version: 2 }), /of version 2; this program reads version 1/],
    ['something else', () => [1], /no run document/],
    ['a name that every object has', () => ({ format: 'constructor' }), /^It is no run document\.$/],
    [
      'a card without its title',
      (document) => {
        delete document.pages[1].cards['wide-feed'].title
      },
      /broken: pages\[1\]\.cards\["wide-feed"\]\.title/,
    ],
    [
      'facts without tags',
      (document) => {
        document.pages[0].facts.metas = null
      },
      /broken: pages\[0\]\.facts\.metas/,
    ],
    [
      'no address',
      (document) => {
        document.pages[0].url = 'about:blank'
      },
      /broken: pages\[0\]\.url/,
    ],
  ])('%s is one clear line', (_name, change, words) => {
    expect(fault(change)).toMatch(words)
    expect(fault(change)).not.toContain('\n')
  })

  test('what is no JSON is said to be none', () => {
    expect(readRunDocument('{')).toEqual({ ok: false, fault: expect.stringMatching(/^It is no JSON: /) })
  })
})
