import { expect, it } from 'vitest'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { createCheckContext } from './context'
import { commonKind, pictureBook } from './picture-book'
import { runChecks } from './run-checks'

async function bookOf(files: MemoryBuild) {
  const gathering = await gatherMemory(goodSite(files), GOOD_SITE)
  const context = createCheckContext(gathering)
  return pictureBook(context, runChecks(gathering, context).pages)
}

const roses = `${GOOD_SITE}img/Roses.png`
const takesRoses = { 'og:image': `<meta property="og:image" content="${roses}">` }

it('lists each picture with its pages, the tags that name it and its text there, most pages first', async () => {
  const [first, ...rest] = await bookOf({
    'about.html': goodPage('about.html', 'Ferns', { ...takesRoses, 'og:image:alt': null }),
  })
  expect(first).toMatchObject({
    url: roses,
    uses: [
      { page: `${GOOD_SITE}about.html`, keys: ['og:image'], alt: null },
      { page: GOOD_SITE, keys: ['og:image'], alt: 'A picture of Roses' },
    ],
  })
  expect(rest.map(({ url, uses }) => [url, uses.length])).toEqual([[`${GOOD_SITE}img/Mosses.png`, 1]])
  expect(commonKind(first!)).toBe('summary_large_image')
})

it('takes the text of the card for a picture that the card alone names', async () => {
  const book = await bookOf({
    'about.html': goodPage('about.html', 'Ferns', {
      'twitter:image': `<meta name="twitter:image" content="${GOOD_SITE}img/only.png">`,
      'twitter:image:alt': '<meta name="twitter:image:alt" content=" Ferns in a pot ">',
    }),
    'img/only.png': pngBytes(600, 600),
  })
  expect(book.find(({ url }) => url.endsWith('only.png'))?.uses).toMatchObject([
    { keys: ['twitter:image'], alt: 'Ferns in a pot' },
  ])
})

it('says where else a picture stands: in contents, under other names, in another weight', async () => {
  const book = await bookOf({
    'visit.html': goodPage(
      'visit.html',
      'Mosses',
      {},
      `<h1>Mosses</h1><p>A first paragraph, long enough to be one.</p><img src="/img/Roses.png">`,
    ),
    'img/Ferns.png': pngBytes(1200, 630, 80_000),
  })
  const ofRoses = book.find(({ url }) => url === roses)!
  expect(ofRoses.contentOf).toEqual([`${GOOD_SITE}visit.html`])
  expect(ofRoses.same).toEqual([`${GOOD_SITE}img/Ferns.png`])
  expect(ofRoses.alike).toEqual([])
  const like = (bytes: number) => {
    const png = pngBytes(1200, 630, bytes)
    png[44] = 9
    return png
  }
  const alike = await bookOf({ 'img/Ferns.png': like(90_000), 'img/Mosses.png': like(60_000) })
  expect(alike.find(({ url }) => url.endsWith('Ferns.png'))).toMatchObject({
    same: [],
    alike: [`${GOOD_SITE}img/Mosses.png`],
  })
})

it('counts a finding once for all pages that say it, the worst first', async () => {
  const book = await bookOf({
    'about.html': goodPage('about.html', 'Ferns', { ...takesRoses, 'og:image:alt': null }),
    'img/Roses.png': pngBytes(150, 150, 400_000),
  })
  const findings = book[0]!.findings
  expect(findings.find(({ rule }) => rule === 'image-below-minimum')).toMatchObject({ level: 'error', pages: 2 })
  const levels = findings.map(({ level }) => ['error', 'warning', 'note'].indexOf(level))
  expect(levels).toEqual([...levels].sort())
})
