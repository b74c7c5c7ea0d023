import { createRequire } from 'node:module'
import Ajv, { type AnySchema } from 'ajv'
import type { Log } from 'sarif'
import { createGenerator } from 'ts-json-schema-generator'
import { beforeAll, describe, expect, it } from 'vitest'
import type { Gathering } from '../model'
import { gatherMemory } from '../testing/build-run'
import { crawlMemory } from '../testing/crawl-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { runDocument } from './run-document'
import { runAsSarif } from './sarif'

/**
 * The schema of SARIF 2.1.0 as its type declarations have it, which were made from the schema. They allow no property
 * that the schema doesn't know; limits of numbers they don't hold, those are looked at apart.
 */
let isSarif: ReturnType<Ajv['compile']>
beforeAll(() => {
  const schema = createGenerator({
    path: createRequire(import.meta.url).resolve('@types/sarif/index.d.ts'),
    type: 'Log',
    skipTypeCheck: true,
    additionalProperties: false,
  }).createSchema('Log')
  isSarif = new Ajv({ strict: false, allErrors: true }).compile(schema as AnySchema)
}, 60_000)

const sarifOf = (gathering: Gathering): Log => JSON.parse(runAsSarif(runDocument(gathering)))

const troubled = goodSite({
  'about.html': goodPage('about.html', 'Ferns', { 'og:title': null, 'og:image:alt': null }),
  'a b/ü&.html': goodPage('a b/ü&.html', 'Odd', { 'og:url': '<meta property="og:url" content="/x">' }),
  'empty.html': '',
})

describe('runAsSarif', () => {
  it('is valid for a folder: paths relative to the build', async () => {
    const log = sarifOf(await gatherMemory(troubled, GOOD_SITE))
    expect(isSarif(log), JSON.stringify(isSarif.errors)).toBe(true)
    const places = log.runs[0]!.results!.map(({ locations }) => locations![0]!.physicalLocation!.artifactLocation!)
    const ofFiles = places.filter(({ uriBaseId }) => uriBaseId === 'BUILD')
    expect(ofFiles.map(({ uri }) => uri)).toContain('a%20b/%C3%BC%26.html')
    for (const { uri } of ofFiles) expect(uri).not.toMatch(/^\/|^\w+:/)
  })

  it('is valid for a crawl, for pages that could not be read, and for a run without findings', async () => {
    const crawled = await crawlMemory(GOOD_SITE, ({ url }) => {
      const own = troubled[new URL(url).pathname.slice(1) || 'index.html']
      return typeof own === 'string' ? { body: own } : { status: 404 }
    })
    for (const gathering of [crawled, await gatherMemory(goodSite(), GOOD_SITE)]) {
      const log = sarifOf(gathering)
      expect(isSarif(log), JSON.stringify(isSarif.errors)).toBe(true)
    }
  })

  it('keeps what the declarations can’t say: lines and columns from 1, each rule by its index, times in order', async () => {
    const [run] = sarifOf(await gatherMemory(troubled, GOOD_SITE)).runs
    expect(run!.results!.length).toBeGreaterThan(5)
    for (const { ruleId, ruleIndex, locations, message } of run!.results!) {
      expect(run!.tool.driver.rules![ruleIndex!]!.id).toBe(ruleId)
      expect(message.text).not.toBe('')
      const { region } = locations![0]!.physicalLocation!
      if (!region) continue
      expect(region.startLine).toBeGreaterThanOrEqual(1)
      expect(region.startColumn).toBeGreaterThanOrEqual(1)
    }
    const { startTimeUtc, endTimeUtc } = run!.invocations![0]!
    expect(Date.parse(endTimeUtc!)).toBeGreaterThanOrEqual(Date.parse(startTimeUtc!))
  })

  it('is held against a schema that refuses what is wrong', async () => {
    const log = sarifOf(await gatherMemory(troubled, GOOD_SITE))
    const result = log.runs[0]!.results![0]!
    expect(isSarif({ ...log, runs: [{ ...log.runs[0], results: [{ ...result, level: 'fatal' }] }] })).toBe(false)
    expect(isSarif({ ...log, runs: [{ ...log.runs[0], results: [{ ...result, severity: 'error' }] }] })).toBe(false)
    expect(isSarif({ ...log, runs: [{ results: [] }] })).toBe(false)
  })
})
