import { describe, expect, test } from 'vitest'
import { createCheckContext } from '@/core/check/context'
import { runChecks } from '@/core/check/run-checks'
import { gatherMemory } from '@/core/testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '@/core/testing/good-site'
import { makeRow } from './make-row'
import { thumbKey } from './thumb-maker'

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
    expect(rows[0]!.faces.microblog).toMatchObject({ layout: 'thumbnail' })
  })
})

test('small pictures are kept by content, so that two runs share them', () => {
  expect(thumbKey({ hash: 'sha256:1', url: 'a' })).toBe(thumbKey({ hash: 'sha256:1', url: 'b' }))
  expect(thumbKey({ hash: null, url: 'a' })).not.toBe(thumbKey({ hash: null, url: 'b' }))
})
