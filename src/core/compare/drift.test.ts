import { describe, expect, test } from 'vitest'
import { readRunDocument } from '../document'
import { driftFormats, runAsJson, runDocument } from '../report'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { driftBetween, hasDrifted } from './drift'

const run = async (files: MemoryBuild) => runDocument(await gatherMemory(files, GOOD_SITE))
const between = async (before: MemoryBuild, after: MemoryBuild) => driftBetween(await run(before), await run(after))
const ABOUT = `${GOOD_SITE}about.html`

describe('two runs', () => {
  test('of the same build have not drifted', async () => {
    const drift = await between(goodSite(), goodSite())
    expect(hasDrifted(drift)).toBe(false)
    expect(drift).toMatchObject({ added: [], removed: [], moved: [], changed: [], refresh: {} })
    expect(driftFormats.text(drift)).toBe('Nothing changed.\n')
  })

  test('a changed text: the places that show it, the tags, the copies to ask for again', async () => {
    const drift = await between(
      goodSite(),
      goodSite({
        'about.html': goodPage('about.html', 'Ferns', {
          'og:title': '<meta property="og:title" content="Ferns again">',
        }),
      }),
    )
    expect(hasDrifted(drift)).toBe(true)
    const [page] = drift.changed
    expect(page).toMatchObject({
      url: ABOUT,
      parts: ['title'],
      tags: [{ key: 'og:title', before: 'Ferns of the garden', after: 'Ferns again' }],
    })
    expect(page!.surfaces).toContain('wide-feed')
    expect(page!.surfaces).not.toContain('search')
    expect(drift.refresh['wide-feed']).toEqual([{ url: ABOUT, reason: 'text' }])
    expect(drift.refresh['tab']).toBeUndefined()
  })

  test('a tag that no card shows is a change without places, and no drift', async () => {
    const drift = await between(
      goodSite(),
      goodSite({
        'about.html': goodPage('about.html', 'Ferns', { keywords: '<meta name="keywords" content="fern">' }),
      }),
    )
    expect(drift.changed).toMatchObject([{ url: ABOUT, surfaces: [], parts: [] }])
    expect(hasDrifted(drift)).toBe(false)
  })

  test('a picture that changed under the same address is seen by its content', async () => {
    const drift = await between(goodSite(), goodSite({ 'img/Ferns.png': pngBytes(1200, 630, 90_000) }))
    const url = `${GOOD_SITE}img/Ferns.png`
    expect(drift.changed).toMatchObject([
      { url: ABOUT, parts: ['image'], image: { before: url, after: url, sameAddress: true, samePicture: false } },
    ])
    expect(drift.refresh['wide-feed']).toEqual([{ url: ABOUT, reason: 'picture-under-same-address' }])
  })

  test('the same picture under another address is known as the same', async () => {
    const head = { 'og:image': `<meta property="og:image" content="${GOOD_SITE}img/moved.png">` }
    const drift = await between(
      goodSite(),
      goodSite({ 'about.html': goodPage('about.html', 'Ferns', head), 'img/moved.png': pngBytes(1200, 630, 80_001) }),
    )
    expect(drift.changed[0]!.image).toMatchObject({ sameAddress: false, samePicture: true })
    expect(drift.refresh['wide-feed']).toEqual([{ url: ABOUT, reason: 'image' }])
  })

  test('pages come, go and move', async () => {
    const { 'about.html': about, 'visit.html': _visit, ...rest } = goodSite()
    const drift = await between(goodSite(), {
      ...rest,
      'ferns.html': about!,
      'new.html': goodPage('new.html', 'Lilies'),
    })
    expect(drift).toMatchObject({
      added: [`${GOOD_SITE}new.html`],
      removed: [`${GOOD_SITE}visit.html`],
      moved: [{ from: ABOUT, to: `${GOOD_SITE}ferns.html` }],
    })
    expect(drift.refresh['team-chat']).toContainEqual({ url: ABOUT, reason: 'removed' })
  })

  test('findings come and go', async () => {
    const worse = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'twitter:card': null }) })
    expect((await between(goodSite(), worse)).findings).toEqual({
      came: [{ rule: 'card-missing', page: ABOUT }],
      went: [],
    })
    expect((await between(worse, goodSite())).findings).toEqual({
      came: [],
      went: [{ rule: 'card-missing', page: ABOUT }],
    })
  })

  test('every form says what changed, and a page’s words are only words', async () => {
    const drift = await between(
      goodSite(),
      goodSite({
        'about.html': goodPage('about.html', 'Ferns', {
          'og:title': '<meta property="og:title" content="&lt;script>x&lt;/script>">',
        }),
      }),
    )
    expect(driftFormats.text(drift)).toContain('og:title: “Ferns of the garden” → “<script>x</script>”')
    expect(driftFormats.html(drift)).toContain('&lt;script&gt;x&lt;/script&gt;')
    expect(driftFormats.html(drift)).not.toContain('<script')
    expect(driftFormats.markdown(drift)).toContain('“\\<script\\>x')
    expect(JSON.parse(driftFormats.json(drift))).toEqual(drift)
  })
})

test('a run document is read back; anything else is none', async () => {
  const read = readRunDocument(runAsJson(await run(goodSite())))
  expect(read.ok && read.document.pages).toHaveLength(3)
  for (const text of ['', '{}', '{"format":"nimble-parrot-run","version":2}'])
    expect(readRunDocument(text).ok).toBe(false)
})
