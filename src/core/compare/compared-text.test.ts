import fc from 'fast-check'
import { beforeAll, describe, expect, test } from 'vitest'
import { createCheckContext } from '../check'
import type { GatheredImage, Gathering } from '../model'
import { cardOf } from '../surface'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, pngBytes } from '../testing/good-site'
import { surfaces } from '../testing/places'
import { runs } from '../testing/property-runs'
import { comparedText } from './compared-text'

const icon = '<link rel="icon" href="/icon.png"><link rel="apple-touch-icon" href="/touch.png">'
const bare = { 'og:image': null, 'twitter:image': null, 'og:image:width': null, 'og:image:height': null }
const files = goodSite({
  'about.html': goodPage('about.html', 'Ferns', { canonical: icon }),
  'card.html': goodPage('card.html', 'Card', {
    'og:image': `<meta property="og:image:secure_url" content="${GOOD_SITE}img/secure.png">`,
    'twitter:image': `<meta name="twitter:image:src" content="img/card.png">`,
  }),
  'content.html': goodPage('content.html', 'Content', bare).replace(
    '<main>',
    '<main><img src="img/wide.png"><img src="img/second.png">',
  ),
  ...Object.fromEntries(
    ['img/secure.png', 'img/card.png', 'img/wide.png', 'img/second.png'].map((path, index) => [
      path,
      pngBytes(1200 + index, 630),
    ]),
  ),
  ...{ 'icon.png': pngBytes(64, 64), 'touch.png': pngBytes(180, 180), 'favicon.ico': pngBytes(32, 32) },
})

let gathering: Gathering
beforeAll(async () => {
  gathering = await gatherMemory(files, GOOD_SITE)
})

/** What every place shows of each page, and its text. */
function told(of: Gathering) {
  const context = createCheckContext(of)
  return of.pages.map((page) => ({
    cards: JSON.stringify(surfaces.map((surface) => cardOf(page, surface, context.cards))),
    text: comparedText(page, context),
  }))
}

const changes: ((image: GatheredImage) => Partial<GatheredImage>)[] = [
  () => ({ errorCode: 'empty', error: 'It is empty.' }),
  () => ({ width: 90, height: 90 }),
  () => ({ width: 3000, height: 500 }),
  () => ({ bytes: 40_000_000 }),
  () => ({ format: 'gif' }),
  ({ hash }) => ({ hash: `${hash}0` }),
]

describe('the text of all that a page is compared by', () => {
  test('differs wherever a picture that came otherwise, or not, changes a card', () => {
    const before = told(gathering)
    let changed = 0
    fc.assert(
      fc.property(fc.nat(gathering.images.length - 1), fc.option(fc.constantFrom(...changes)), (at, change) => {
        const images = change
          ? gathering.images.map((image, index) => (index === at ? { ...image, ...change(image) } : image))
          : gathering.images.filter((_, index) => index !== at)
        for (const [index, now] of told({ ...gathering, images }).entries()) {
          if (now.cards === before[index]!.cards) continue
          changed++
          expect(now.text).not.toBe(before[index]!.text)
        }
      }),
      runs(80),
    )
    expect(changed).toBeGreaterThan(4)
  })

  test('is the same where only what another page says, or how a picture looks by itself, is other', () => {
    const before = told(gathering)
    const [home, ...rest] = gathering.pages
    const pages = [{ ...home!, facts: { ...home!.facts!, title: 'Other' } }, ...rest]
    const images = gathering.images.map((image) => ({ ...image, look: undefined }))
    const after = told({ ...gathering, pages, images })
    expect(after[0]!.text).not.toBe(before[0]!.text)
    expect(after.slice(1)).toEqual(before.slice(1))
  })

  test('is none of a page that could not be read', () => {
    const [page] = gathering.pages
    expect(comparedText({ ...page!, facts: null }, createCheckContext(gathering))).toBeNull()
  })
})
