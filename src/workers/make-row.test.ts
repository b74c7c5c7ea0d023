import { describe, expect, test } from 'vitest'
import { createCheckContext, runChecks } from '@/core/check'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { thumbKey } from '@/store/thumb-key'
import { makeRow } from './make-row'

const files = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'og:title': null, 'twitter:card': null }) })
const context = createCheckContext(await gatherMemory(files, GOOD_SITE))
const verdict = runChecks(context.gathering, context)
const rows = context.pages.map((page, order) => makeRow('run-1', page, order, verdict.pages[order]!, context))

describe('makeRow', () => {
  test('paths are below the production address; the home page is a slash', () => {
    expect(rows.map(({ path }) => path)).toEqual(['/about.html', '/', '/visit.html'])
  })

  test('counts the page’s findings by level, the worst first', () => {
    const about = rows[0]!
    expect(about.levels).toEqual({ error: 1, warning: 1, note: 0 })
    expect(about.findings.map(({ rule }) => rule)).toEqual(['og-title-missing', 'card-missing'])
    expect(rows[1]!.levels).toEqual({ error: 0, warning: 0, note: 0 })
  })

  test('has a face for every surface', () => {
    expect(Object.keys(rows[0]!.faces)).toEqual(context.surfaces.map(({ id }) => id))
    expect(rows[0]!.faces['wide-feed']).toMatchObject({
      title: 'Ferns of the garden | Good Site',
      traits: ['fell-back'],
      layout: 'wide',
    })
    expect(rows[0]!.faces['microblog']).toMatchObject({ layout: 'thumbnail' })
  })
})

describe('the other side, as it stands or as launched', () => {
  const rowsWith = async (robotsTxt: string | null, view: 'standing' | 'launched') => {
    const gathering = { ...(await gatherMemory(files, GOOD_SITE)), robotsTxt, view }
    const made = createCheckContext(gathering)
    return made.pages.map((page, order) => makeRow('run-1', page, order, { findings: [] }, made))
  }

  test('is kept where robots.txt keeps a crawler out', async () => {
    const robots = 'User-agent: Twitterbot\nDisallow: /about'
    const [standing] = await rowsWith(robots, 'standing')
    expect(standing!.faces['microblog']!.layout).toBe('bare')
    expect(standing!.otherFaces!['microblog']!.layout).toBe('thumbnail')
    expect(Object.keys(standing!.otherFaces!)).toEqual(['microblog'])
    const [launched, home] = await rowsWith(robots, 'launched')
    expect(launched!.faces['microblog']!.layout).toBe('thumbnail')
    expect(launched!.otherFaces!['microblog']!.bareBecause).toContain('Twitterbot')
    expect(home!.otherFaces).toBeUndefined()
  })

  test('is not kept where nothing keeps anyone out', async () => {
    expect((await rowsWith(null, 'standing'))[0]!.otherFaces).toBeUndefined()
  })
})

test('small pictures are kept by content, so that two runs share them', () => {
  expect(thumbKey({ hash: 'sha256:1', url: 'a' })).toBe(thumbKey({ hash: 'sha256:1', url: 'b' }))
  expect(thumbKey({ hash: null, url: 'a' })).not.toBe(thumbKey({ hash: null, url: 'b' }))
})
