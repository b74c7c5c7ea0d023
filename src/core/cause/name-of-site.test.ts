import { describe, expect, test } from 'vitest'
import { createCheckContext, runChecks } from '../check'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE } from '../testing/good-site'
import { findCauses } from './find-causes'
import { namesByLanguage } from './name-of-site'

const page = (language: string, title: string, name: string | null) =>
  `<!doctype html><html lang="${language}"><head><meta charset="utf-8"><title>${title}</title>${name === null ? '' : `<meta property="og:site_name" content="${name}">`}</head><body><h1>${title}</h1></body></html>`

const contextOf = async (files: Record<string, string>) => createCheckContext(await gatherMemory(files, GOOD_SITE))

/** German pages with a name, and as many English ones without. */
const twoLanguages = (englishTitle: (at: number) => string, germanName = 'Hafen-Doku') =>
  Object.fromEntries(
    Array.from({ length: 4 }, (_, at) => [
      [`de/${at}.html`, page('de-AT', `Seite ${at} über Boote`, germanName)],
      [`en/${at}.html`, page('en', englishTitle(at), null)],
    ]).flat(),
  )

describe('what the site is called on pages of a language', () => {
  test('a name that only another language has is none of theirs', async () => {
    const context = await contextOf(twoLanguages((at) => `Boats, part ${at}`))
    const nameOn = namesByLanguage(context)
    expect(context.readable.map((one) => nameOn(one))).toEqual(
      context.readable.map(({ url }) => (url.includes('/de/') ? 'Hafen-Doku' : null)),
    )
    const verdict = runChecks(context.gathering, context)
    const edits = findCauses(context, verdict.pages, verdict.findings).flatMap((cause) => cause.edits)
    expect(edits.filter(({ tag, to }) => tag === 'og:site_name' && to === 'Hafen-Doku')).toEqual([])
  })

  test('what their own titles carry is', async () => {
    const context = await contextOf(twoLanguages((at) => `Boats, part ${at} | Harbour Docs`))
    const english = context.readable.find(({ url }) => url.includes('/en/'))!
    expect(namesByLanguage(context)(english)).toBe('Harbour Docs')
  })

  test('in one language, and where pages name none, it is that of all', async () => {
    const one = await contextOf({
      'a.html': page('en', 'A page about boats', 'Harbour'),
      'b.html': page('', 'Another page about boats', null),
    })
    expect(one.readable.map((page) => namesByLanguage(one)(page))).toEqual(['Harbour', 'Harbour'])
  })

  test('names differ by language, and not within one', async () => {
    const rulesOf = async (files: Record<string, string>) => {
      const context = await contextOf(files)
      return runChecks(context.gathering, context).findings.map(({ rule }) => rule)
    }
    const english = { 'en.html': page('en', 'A page about boats', 'Harbour') }
    expect(await rulesOf({ ...english, 'de.html': page('de', 'Seite über Boote', 'Hafen') })).not.toContain(
      'site-name-varies',
    )
    expect(await rulesOf({ ...english, 'gb.html': page('en-GB', 'Of boats', 'Haven') })).toContain('site-name-varies')
  })
})

describe('what is no site’s name', () => {
  const three = (name: string, more = '') =>
    Object.fromEntries(
      ['a', 'b', 'c'].map((at) => [
        `${at}.html`,
        page('en', `Boats ${at} | ${name}`, null).replace('</head>', `${more}</head>`),
      ]),
    )
  const nameIn = async (files: Record<string, string>) => {
    const context = await contextOf(files)
    return namesByLanguage(context)(context.readable[0]!)
  }

  test('the generator’s own, and a starter’s', async () => {
    expect(await nameIn(three('Lampwright'))).toBe('Lampwright')
    expect(await nameIn(three('Lampwright', '<meta name="generator" content="Lampwright 4.2">'))).toBeNull()
    expect(await nameIn(three('My Site'))).toBeNull()
  })
})
