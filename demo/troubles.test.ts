import { describe, expect, test } from 'vitest'
import { runChecks } from '@/core/check'
import { GatheringBuilder, gatherBuild } from '@/core/crawl'
import { testOutside } from '@/core/testing/build-run'
import { openFolder } from '@/io/folder'
import { buildSite, SITE } from './generator/site'
import { troubles } from './generator/troubles'
import { demoFolder } from './server.mjs'

async function demoVerdict() {
  const builder = new GatheringBuilder()
  const options = { kind: 'folder' as const, location: 'demo/site', site: SITE, maxPages: 1000, concurrency: 8 }
  for await (const event of gatherBuild(await openFolder(demoFolder), options, testOutside())) builder.add(event)
  const gathering = builder.gathering()!
  return { gathering, verdict: runChecks(gathering) }
}

const { gathering, verdict } = await demoVerdict()
const fileOf = new Map(gathering.pages.map((page) => [page.url, page.file!]))
const found = new Map(
  verdict.pages.map((page) => [fileOf.get(page.url)!, [...new Set(page.findings.map(({ rule }) => rule))].sort()]),
)

describe('the demo site', () => {
  test('has 48 pages, and the build is what the generator writes', async () => {
    const { pages } = buildSite()
    expect(pages).toHaveLength(48)
    const files = await openFolder(demoFolder)
    const written = await Promise.all(
      pages.map(async ({ file }) => new TextDecoder().decode((await files.read(file, 1e6)).body)),
    )
    expect(written).toEqual(pages.map(({ html }) => html))
  })

  test.each(troubles.map(({ file, finds, what }) => [file, finds, what] as const))(
    '%s has what the list says',
    (file, finds) => {
      expect(found.get(file)).toEqual([...finds].sort())
    },
  )

  test('every other page is right', () => {
    const troubled = new Set(troubles.map(({ file }) => file))
    const others = [...found].filter(([file]) => !troubled.has(file))
    expect(others.length).toBeGreaterThan(15)
    expect(others.filter(([, rules]) => rules.length > 0)).toEqual([])
  })

  test('across pages one goes by another name and another account, and the sitemap lists a hidden one', () => {
    const page = 'https://brasswick.example/news/new-page-3'
    expect(verdict.findings.map(({ rule, pages }) => [rule, pages])).toEqual([
      ['account-varies', [page]],
      ['site-name-varies', [page]],
      ['sitemap-lists-hidden', ['https://brasswick.example/workshops/clock-hour']],
    ])
  })
})
