import { describe, expect, test } from 'vitest'
import { partOf } from '../crawl'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { type DraftFields, noDefaults, type SiteDefaults } from './draft'
import { type PatchedFile, patchBuild } from './patch-build'

const bytesOf = (content: string | Uint8Array) =>
  typeof content === 'string' ? new TextEncoder().encode(content) : content

/** Patches a build, which may have changed since it was gathered. */
async function patched(
  gathered: MemoryBuild,
  fields: Record<string, DraftFields>,
  build = gathered,
  defaults: SiteDefaults = noDefaults,
  made: Record<string, Uint8Array> = {},
) {
  const { pages } = await gatherMemory(gathered, GOOD_SITE)
  const files = { paths: Object.keys(build), read: async (path: string) => partOf(bytesOf(build[path]!), 1e6) }
  const wanted = pages.map((page) => ({ page, section: '/', fields: fields[page.file ?? ''] ?? {} }))
  const found: PatchedFile[] = []
  const madePicture = async (url: string) => made[url] ?? null
  for await (const file of patchBuild(files, GOOD_SITE, wanted, defaults, () => undefined, madePicture))
    found.push(file)
  return new Map(found.map((file) => [file.kind === 'not-found' ? file.url : file.path, file]))
}

describe('patching a build', () => {
  test('drafted files change, others don’t', async () => {
    const files = await patched(goodSite(), { 'about.html': { card: 'summary' } })
    expect(files.get('index.html')).toMatchObject({ kind: 'unchanged' })
    expect(files.get('about.html')).toMatchObject({
      kind: 'changed',
      after: expect.stringContaining('content="summary"'),
    })
  })

  test('a build that changed since the run keeps its changes', async () => {
    const now = goodSite({
      'about.html': goodPage('about.html', 'Ferns', {
        'og:title': '<meta property="og:title" content="Changed since">',
      }),
    })
    const file = (await patched(goodSite(), { 'about.html': { card: 'summary' } }, now)).get('about.html')
    expect(file).toMatchObject({
      kind: 'changed',
      after: expect.stringMatching(/Changed since[\s\S]*content="summary"/),
    })
  })

  test('defaults fill in what pages lack', async () => {
    const without = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'og:site_name': null }) })
    const files = await patched(without, {}, without, { siteName: 'Good Site', sections: {} })
    expect([...files].filter(([, { kind }]) => kind === 'changed').map(([path]) => path)).toEqual(['about.html'])
  })

  test('an image that is missing already may be named by its whole URL', async () => {
    const missing = '<meta property="og:image" content="/img/gone.png">'
    const build = goodSite({ 'about.html': goodPage('about.html', 'Ferns', { 'og:image': missing }) })
    const files = await patched(build, { 'about.html': { image: `${GOOD_SITE}img/gone.png` } })
    expect(files.get('about.html')).toMatchObject({
      kind: 'changed',
      after: expect.stringContaining(`content="${GOOD_SITE}img/gone.png"`),
    })
  })

  test('a picture that was made here goes along at its address, once; one that is nowhere is named by no page', async () => {
    const image = `${GOOD_SITE}img/new%20one.png`
    const drafts: Record<string, DraftFields> = { 'about.html': { image }, 'visit.html': { image } }
    const bytes = Uint8Array.of(1, 2, 3)
    const files = await patched(goodSite(), drafts, goodSite(), noDefaults, { [image]: bytes })
    expect(files.get('img/new one.png')).toEqual({ kind: 'picture', url: image, path: 'img/new one.png', bytes })
    expect(files.get('about.html')).toMatchObject({ kind: 'changed', after: expect.stringContaining(image) })
    const without = await patched(goodSite(), drafts)
    expect(without.get('about.html')).toMatchObject({
      kind: 'refused',
      why: expect.stringMatching(/og:image would name \/img\/new%20one\.png, which is neither in this build/),
    })
    const elsewhere = await patched(goodSite(), { 'about.html': { image: 'https://pictures.example/a.png' } })
    expect(elsewhere.get('about.html')).toMatchObject({ kind: 'changed' })
  })

  test('a page that this build does not hold, and a file that can’t be written, are told', async () => {
    const { 'visit.html': _gone, ...rest } = goodSite()
    const odd = { ...rest, 'about.html': '<meta charset="utf-8"><title>never closed' }
    const files = await patched(goodSite(), { 'about.html': { card: 'summary' } }, odd)
    expect(files.get(`${GOOD_SITE}visit.html`)).toEqual({ kind: 'not-found', url: `${GOOD_SITE}visit.html` })
    expect(files.get('about.html')).toMatchObject({ kind: 'refused', why: expect.stringMatching(/never closed/) })
  })
})
