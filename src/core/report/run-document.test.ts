import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { surfaces } from '../testing/places'
import { runDocument } from './run-document'
import { runAsJson } from './run-pieces'
import { runAsText } from './text'

const troubled = goodSite({
  'about.html': goodPage('about.html', 'Ferns', {
    'og:image': '<meta property="og:image" content="https://site.example/none.png">',
  }),
  'more.html': goodPage('more.html', 'More', {
    'og:image': '<meta property="og:image" content="https://site.example/none.png">',
    title: null,
  }),
})
const document = runDocument(await gatherMemory(troubled, GOOD_SITE))

describe('the run document', () => {
  test('starts with its format and version, and survives being written and read', () => {
    const text = runAsJson(document)
    expect(text).toMatch(/^\{\n {2}"format": "nimble-parrot-run",\n {2}"version": 1,/)
    expect(JSON.parse(text)).toEqual(JSON.parse(JSON.stringify(document)))
  })

  test('holds pages by address, each with a card for every surface, every part there', () => {
    expect(document.pages.map(({ url }) => url)).toEqual(
      ['', 'about.html', 'more.html', 'visit.html'].map((path) => GOOD_SITE + path),
    )
    for (const page of document.pages) {
      expect(Object.keys(page.cards)).toEqual(surfaces.map(({ id }) => id))
      for (const card of Object.values(page.cards)) {
        expect(card).toMatchObject({
          title: { ladder: expect.any(Array) },
          description: {},
          image: {},
          ladders: {},
          labels: [],
        })
      }
    }
  })

  test('pictures say which pages use them; icons are no share images', () => {
    const ferns = document.images.find(({ url }) => url.endsWith('none.png'))
    expect(ferns).toMatchObject({ status: 404, usedBy: [`${GOOD_SITE}about.html`, `${GOOD_SITE}more.html`] })
    expect(document.images.some(({ url }) => url.endsWith('favicon.ico'))).toBe(false)
  })

  test('counts a finding about a picture once, however many pages use it', () => {
    const all = document.pages.flatMap(({ findings }) => findings).filter(({ rule }) => rule === 'image-unreachable')
    expect(all).toHaveLength(2)
    expect(document.summary).toMatchObject({ pages: 4, error: 2, clear: false })
  })

  test('an impeccable site is clear', async () => {
    const { summary } = runDocument(await gatherMemory(goodSite(), GOOD_SITE))
    expect(summary).toEqual({ pages: 3, error: 0, warning: 0, note: 0, waived: 0, clear: true, verdict: 'clear' })
  })
})

describe('the text', () => {
  test('groups by what is wrong, names where, and ends with the verdict', () => {
    const text = runAsText(document)
    expect(text).toContain('error   The picture https://site.example/none.png can’t be fetched.')
    expect(text).toContain('clears 1 error; needs the picture at that address')
    expect(text).toMatch(/about\.html:13\b/)
    expect(text).toContain('error   /more.html leaves out title')
    expect(text.trimEnd()).toMatch(/Not clear: 2 errors, \d+ warnings?, \d+ notes?\.$/)
    // biome-ignore lint/suspicious/noControlCharactersInRegex: what must not be there
    expect(text).not.toMatch(/\u001b/)
  })
})
