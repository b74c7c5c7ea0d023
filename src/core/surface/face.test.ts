import { expect, test } from 'vitest'
import { createCheckContext } from '../check'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, type HeadChange } from '../testing/good-site'
import { surfaceOf } from '../testing/places'
import { faceOf } from './face'

async function traitsOf(surfaceId: string, head: HeadChange, body = '') {
  const context = createCheckContext(
    await gatherMemory(goodSite({ 'about.html': goodPage('about.html', 'Ferns', head, body) }), GOOD_SITE),
  )
  const surface = surfaceOf(surfaceId)!
  const page = context.pages.find(({ file }) => file === 'about.html')!
  return faceOf(context.cardOf(page, surface), surface).traits
}

test.each([
  ['an impeccable page', 'wide-feed', {}, []],
  ['a title from the plain tag', 'wide-feed', { 'og:title': null }, ['fell-back']],
  ['search takes the plain tag first: no fallback', 'search', { 'og:title': null }, []],
  ['search without a title', 'search', { title: null }, ['fell-back']],
  ['no picture', 'wide-feed', { 'og:image': null }, ['no-picture']],
  ['search has no pictures to miss', 'search', { 'og:image': null }, []],
  ['kept out', 'search', { robots: '<meta name="robots" content="noindex">' }, ['bare']],
  [
    'a long title',
    'wide-feed',
    { 'og:title': `<meta property="og:title" content="${'A long title '.repeat(12)}">` },
    ['text-cut'],
  ],
  [
    'a description that the card cuts, in its one line too',
    'wide-feed',
    { 'og:description': `<meta property="og:description" content="${'A long sentence '.repeat(12)}">` },
    ['text-cut'],
  ],
  [
    'a cut description that has no room at all is no cut',
    'feed-reply',
    { 'og:description': `<meta property="og:description" content="${'A long sentence '.repeat(12)}">` },
    [],
  ],
] as const)('%s on %s', async (_name, surface, head, expected) => {
  expect(await traitsOf(surface, head)).toEqual(expected)
})
