import { describe, expect, test } from 'vitest'
import type { Gathering } from '../../model'
import { gatherMemory, type MemoryBuild } from '../../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../../testing/good-site'
import { createCheckContext } from '../context'
import { inWords } from '../finding-words'
import { runChecks } from '../run-checks'
import { checkOf } from './index'

/** A run of the good site as if it had been read from a server. */
async function findingsAt(location: string, files: MemoryBuild = {}, over: Partial<Gathering> = {}) {
  const gathered = await gatherMemory(goodSite(files), GOOD_SITE)
  const gathering = { ...gathered, source: { kind: 'url' as const, location, site: GOOD_SITE }, ...over }
  const { findings } = runChecks(gathering, createCheckContext(gathering))
  return findings.filter(({ rule }) => rule === 'staging-indexable')
}

const hidden = (path: string, name: string) =>
  goodPage(path, name, { robots: '<meta name="robots" content="noindex">' })

describe('staging-indexable', () => {
  test('is in the list', () => {
    expect(checkOf('staging-indexable')?.level).toBe('warning')
  })

  test('raised: a public staging server that nothing closes', async () => {
    const [finding] = await findingsAt('https://stage.site-preview.example/')
    expect(inWords(finding!).message).toBe(
      'stage.site-preview.example is public, and nothing keeps its pages out of search.',
    )
    expect(finding?.pages).toHaveLength(3)
  })

  test('raised: one page of it is open', async () => {
    const files = { 'index.html': hidden('', 'Roses'), 'about.html': hidden('about.html', 'Ferns') }
    const [finding] = await findingsAt('https://stage.example/', files)
    expect(finding?.pages).toEqual(['https://site.example/visit.html'])
  })

  test.each([
    ['on this machine', 'http://localhost:3000/', {}, {}],
    ['in a private network', 'http://192.168.1.4/', {}, {}],
    ['the site itself', GOOD_SITE, {}, {}],
    ['closed by robots.txt', 'https://stage.example/', {}, { robotsTxt: 'User-agent: *\nDisallow: /\n' }],
    ['behind a login', 'https://stage.example/', {}, { notes: [{ kind: 'login-passed' as const, message: '' }] }],
    [
      'with noindex on every page',
      'https://stage.example/',
      {
        'index.html': hidden('', 'Roses'),
        'about.html': hidden('about.html', 'Ferns'),
        'visit.html': hidden('visit.html', 'Mosses'),
      },
      {},
    ],
  ])('not raised: %s', async (_name, location, files, over) => {
    expect(await findingsAt(location, files, over)).toEqual([])
  })
})
