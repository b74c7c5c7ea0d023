import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import { readSignOff } from '../document'
import type { Gathering } from '../model'
import type { Requirements } from '../requirements'
import { cardChanges } from '../surface'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { runs } from '../testing/property-runs'
import { runDocument } from './run-document'
import { differenceFromSignOff, signOffDifferences, signOffOf } from './sign-off'

/** What the pages of the site are about. */
const SUBJECTS: Record<string, string> = { 'index.html': 'Roses', 'about.html': 'Ferns', 'visit.html': 'Mosses' }

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
    // One that search may not list shows its address there, which is longer or shorter.
    const own = goodSite({
      'hidden.html': goodPage('hidden.html', 'Moles', { robots: '<meta name="robots" content="noindex">' }),
    })
    const signOff = await signOffOf(documentOf(await gatherMemory(own, GOOD_SITE)), requirements, signing, digest)
    const site = 'https://a-long-name-of-production.example/'
    const files = Object.fromEntries(
      Object.entries(own).map(([path, content]) => [
        path,
        typeof content === 'string' ? content.replaceAll(GOOD_SITE, site) : content,
      ]),
    )
    const live = documentOf(await gatherMemory(files, site))
    const difference = await differenceFromSignOff(live, requirements, signOff, digest)
    expect(signOffDifferences(difference)).toEqual([])
  })

  test('it is void by an edit exactly where a card that was signed shows something else', async () => {
    const signOff = await signOffOf(documentOf(first), requirements, signing, digest)
    const before = documentOf(first)
    const edit = fc.record({
      file: fc.constantFrom('about.html', 'visit.html', 'index.html'),
      tag: fc.constantFrom(
        'og:title',
        'og:description',
        'description',
        'og:site_name',
        'twitter:title',
        'twitter:card',
        'og:type',
        'author',
      ),
      value: fc.constantFrom(
        null,
        '',
        'summary',
        'summary_large_image',
        'Ferns',
        'A text that is long enough to be cut somewhere, since it goes on and on and on and on and on and says very little about ferns in the end.',
      ),
    })
    await fc.assert(
      fc.asyncProperty(edit, async ({ file, tag, value }) => {
        const written =
          value === null ? null : `<meta ${tag.startsWith('og:') ? 'property' : 'name'}="${tag}" content="${value}">`
        const files = { [file]: goodPage(file, SUBJECTS[file]!, { [tag]: written }) }
        const after = documentOf(await gathered(files))
        const changed = after.pages.flatMap(({ url, cards }) => {
          const was = before.pages.find((page) => page.url === url)!
          const differs = surfaces.some((id) => {
            const [old, now] = [was.cards[id]!, cards[id]!]
            return cardChanges(old, now).length > 0 || JSON.stringify(old.image.crop) !== JSON.stringify(now.image.crop)
          })
          return differs ? [url.replace(GOOD_SITE, '/')] : []
        })
        const difference = await differenceFromSignOff(after, requirements, signOff, digest)
        expect([...difference.changed].sort()).toEqual(changed.sort())
      }),
      runs(60),
    )
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
