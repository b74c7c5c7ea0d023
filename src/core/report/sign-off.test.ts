import { beforeAll, describe, expect, test } from 'vitest'
import { readSignOff } from '../document'
import type { Gathering } from '../model'
import type { Requirements } from '../requirements'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { runDocument } from './run-document'
import { differenceFromSignOff, signOffDifferences, signOffOf } from './sign-off'

/** Tells contents apart as a digest does, and is short. */
const digest = async (bytes: Uint8Array) => {
  let hash = 0xcbf29ce484222325n
  for (const byte of bytes) hash = ((hash ^ BigInt(byte)) * 0x100000001b3n) & 0xffffffffffffffffn
  return `sha256:${hash.toString(16).padStart(16, '0')}`
}
const requirements: Requirements = { identity: { name: 'Good Site' } }
const surfaces = ['wide-feed', 'search']
const signing = { by: 'Ada', at: '2026-11-27T10:00:00Z', surfaces, errors: 0, notLookedAt: [] }

const documentOf = (gathering: Gathering, given = requirements) => runDocument(gathering, given)
const gathered = (files: MemoryBuild = {}, site = GOOD_SITE) => gatherMemory(goodSite(files), site)

let first: Gathering
beforeAll(async () => {
  first = await gathered()
})

async function differsBy(after: Gathering, given = requirements): Promise<string[]> {
  const signOff = await signOffOf(documentOf(first), requirements, signing, digest)
  return signOffDifferences(await differenceFromSignOff(documentOf(after, given), given, signOff, digest))
}

describe('a sign-off is of a content', () => {
  test('the same content is what was signed, whenever it was read and in whatever order', async () => {
    const later = { ...first, startedAt: '2027-01-01T00:00:00Z', finishedAt: '2027-01-01T00:00:01Z' }
    expect(await differsBy({ ...later, pages: [...first.pages].reverse() })).toEqual([])
  })

  test('tags that no card shows, and lines that move, void nothing', async () => {
    const keywords = { keywords: '<meta name="keywords" content="ferns">', charset: '\n\n<meta charset="utf-8">' }
    expect(await differsBy(await gathered({ 'about.html': goodPage('about.html', 'Ferns', keywords) }))).toEqual([])
  })

  test.each<[string, MemoryBuild, RegExp]>([
    [
      'another title',
      { 'about.html': goodPage('about.html', 'Ferns', { 'og:title': '<meta property="og:title" content="Mosses">' }) },
      /^Another card than was signed: \/about\.html\.$/,
    ],
    [
      'another description in search alone',
      {
        'about.html': goodPage('about.html', 'Ferns', {
          description: '<meta name="description" content="Another sentence about these ferns, and what they are for.">',
        }),
      },
      /about\.html/,
    ],
    ['another picture under the same address', { 'img/Ferns.png': pngBytes(1200, 630, 90_000) }, /about\.html/],
    ['a picture of another shape', { 'img/Ferns.png': pngBytes(1200, 1200, 80_001) }, /about\.html/],
    [
      'a page that came',
      { 'new.html': goodPage('new.html', 'New ones') },
      /^Not there when it was signed: \/new\.html\.$/,
    ],
  ])('%s voids it, and is named', async (_name, files, words) => {
    expect((await differsBy(await gathered(files))).join(' ')).toMatch(words)
  })

  test('a page that went', async () => {
    const pages = first.pages.filter(({ url }) => !url.endsWith('about.html'))
    expect(await differsBy({ ...first, pages })).toEqual(['Signed, and not there any more: /about.html.'])
  })

  test('an edited requirement, and a waiver that came', async () => {
    expect(await differsBy(first, { identity: { name: 'Another' } })).toEqual([
      'The requirements are not those that were signed.',
    ])
    const broken = await gathered({ 'about.html': goodPage('about.html', 'Ferns', { canonical: null }) })
    const waivers = [{ rule: 'canonical-missing', reason: 'soon', by: 'Ada' }]
    expect(await differsBy(broken, { ...requirements, waivers })).toEqual([
      'Waived since: canonical-missing on /about.html, by Ada: soon.',
    ])
  })

  test('a card of a place that was not signed for voids nothing', async () => {
    const card = { 'twitter:title': '<meta name="twitter:title" content="Something else">' }
    expect(await differsBy(await gathered({ 'about.html': goodPage('about.html', 'Ferns', card) }))).toEqual([])
  })

  test('staging is signed, production is held against it: the site’s own addresses are the same there', async () => {
    const signOff = await signOffOf(documentOf(first), requirements, signing, digest)
    const site = 'https://production.example/'
    const files = Object.fromEntries(
      Object.entries(goodSite()).map(([path, content]) => [
        path,
        typeof content === 'string' ? content.replaceAll(GOOD_SITE, site) : content,
      ]),
    )
    const live = documentOf(await gatherMemory(files, site))
    const difference = await differenceFromSignOff(live, requirements, signOff, digest)
    // What differs is the name of the host that the cards themselves show.
    expect(difference).toMatchObject({ added: [], removed: [], hasOtherRequirements: false })
  })

  test('its file is read back whole; anything else is refused with a reason', async () => {
    const signOff = await signOffOf(documentOf(first), requirements, { ...signing, reason: 'It is good.' }, digest)
    expect(readSignOff(JSON.stringify(signOff))).toEqual({ ok: true, signOff })
    expect(readSignOff('{')).toMatchObject({ ok: false })
    expect(readSignOff(JSON.stringify({ ...signOff, by: '' }))).toMatchObject({
      ok: false,
      fault: expect.stringMatching(/by/),
    })
  })
})
