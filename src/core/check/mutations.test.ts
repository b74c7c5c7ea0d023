import { describe, expect, test } from 'vitest'
import { gatherMemory, type MemoryBuild } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite, type HeadChange, pngBytes } from '../testing/good-site'
import { sitemapOf } from '../testing/sitemap-file'
import { runChecks } from './run-checks'

/** Ids of all findings of a site, sorted, each once. */
async function idsOf(files: MemoryBuild): Promise<string[]> {
  const { pages, findings } = runChecks(await gatherMemory(goodSite(files), GOOD_SITE))
  return [...new Set([...pages.flatMap((page) => page.findings), ...findings].map(({ rule }) => rule))].sort()
}

const head = (change: HeadChange): MemoryBuild => ({ 'about.html': goodPage('about.html', 'Ferns', change) })
const property = (key: string, content: string) => `<meta property="${key}" content="${content}">`
const name = (key: string, content: string) => `<meta name="${key}" content="${content}">`

/** One thing changed on one page of the impeccable site, and exactly what must be said of it. */
const MUTATIONS: [string, MemoryBuild, string[]][] = [
  ['nothing', {}, []],
  // Removed.
  ['title removed', head({ title: null }), ['title-missing']],
  ['description removed', head({ description: null }), []],
  ['both descriptions removed', head({ description: null, 'og:description': null }), ['description-missing']],
  ['canonical removed', head({ canonical: null }), ['canonical-missing']],
  ['og:type removed', head({ 'og:type': null }), ['og-type-missing']],
  ['og:site_name removed', head({ 'og:site_name': null }), ['site-name-missing']],
  ['og:title removed', head({ 'og:title': null }), ['og-title-missing']],
  ['og:description removed', head({ 'og:description': null }), ['og-description-missing']],
  ['og:url removed', head({ 'og:url': null }), ['og-url-missing']],
  [
    'og:image removed',
    head({ 'og:image': null, 'og:image:width': null, 'og:image:height': null, 'og:image:alt': null }),
    ['og-image-missing'],
  ],
  ['og:image:alt removed', head({ 'og:image:alt': null }), ['image-alt-missing']],
  ['the declared size removed', head({ 'og:image:width': null, 'og:image:height': null }), ['image-size-undeclared']],
  ['twitter:card removed', head({ 'twitter:card': null }), ['card-missing']],
  ['favicon that is no picture', { 'favicon.ico': 'none' }, ['favicon-missing']],
  // Emptied.
  ['title emptied', head({ title: '<title></title>' }), ['title-missing']],
  ['og:title emptied', head({ 'og:title': property('og:title', '') }), ['og-title-missing']],
  ['og:description emptied', head({ 'og:description': property('og:description', ' ') }), ['og-description-missing']],
  ['og:type emptied', head({ 'og:type': property('og:type', '') }), ['og-type-missing']],
  ['og:url emptied', head({ 'og:url': property('og:url', '') }), ['og-url-missing']],
  ['twitter:card emptied', head({ 'twitter:card': name('twitter:card', '') }), ['card-missing']],
  ['og:image:alt emptied', head({ 'og:image:alt': property('og:image:alt', '') }), ['image-alt-missing']],
  // Repeated.
  ['og:title repeated, different', head({ more: property('og:title', 'Another name for ferns') }), ['tag-repeated']],
  ['og:title repeated, the same', head({ more: property('og:title', 'Ferns of the garden') }), ['tag-repeated-same']],
  ['og:type repeated, the same', head({ more: property('og:type', 'website') }), ['tag-repeated-same']],
  // Spoilt.
  ['title left at the template’s', head({ title: '<title>Untitled</title>' }), ['title-placeholder', 'title-short']],
  ['og:type unknown', head({ 'og:type': property('og:type', 'gardening') }), ['og-type-unknown']],
  ['twitter:card unknown', head({ 'twitter:card': name('twitter:card', 'huge') }), ['card-unknown']],
  ['twitter:card small', head({ 'twitter:card': name('twitter:card', 'summary') }), ['card-small']],
  ['og:image relative', head({ 'og:image': property('og:image', '/img/Ferns.png') }), ['image-relative']],
  [
    'og:image on http',
    head({ 'og:image': property('og:image', 'http://site.example/img/Ferns.png') }),
    ['image-insecure'],
  ],
  ['og:image mistyped', head({ 'og:image': property('og:image', `${GOOD_SITE}img/Fern.png`) }), ['image-unreachable']],
  ['og:url relative', head({ 'og:url': property('og:url', '/about.html') }), ['address-relative']],
  ['og:url of another page', head({ 'og:url': property('og:url', `${GOOD_SITE}visit.html`) }), ['address-differs']],
  [
    'og:url on localhost',
    head({ 'og:url': property('og:url', 'http://localhost:3000/about.html') }),
    ['address-staging'],
  ],
  ['og:title under name', head({ 'og:title': name('og:title', 'Ferns of the garden') }), ['tag-attribute']],
  ['og:title misspelt', head({ 'og:title': property('og:titel', 'Ferns of the garden') }), ['tag-misspelled']],
  [
    'og:site_name an address',
    head({ 'og:site_name': property('og:site_name', 'site.example') }),
    ['site-name-is-address', 'site-name-varies'],
  ],
  [
    'escaped twice',
    head({ 'og:title': property('og:title', 'Ferns &amp;amp; mosses of it') }),
    ['text-double-escaped'],
  ],
  ['declared size wrong', head({ 'og:image:width': property('og:image:width', '600') }), ['image-size-mismatch']],
  [
    'an account that is an address',
    head({ more: name('twitter:site', 'https://x.example/me') }),
    ['account-malformed'],
  ],
  ['noindex', head({ more: name('robots', 'noindex') }), ['page-noindex', 'sitemap-lists-hidden']],
  ['a sitemap that is broken off', { 'sitemap.xml': '<urlset><url><loc>' }, ['sitemap-lacks-page']],
  [
    'a sitemap that names a page too many',
    { 'sitemap.xml': sitemapOf('', 'about.html', 'visit.html', 'gone.html') },
    ['sitemap-dead-entry'],
  ],
  ['a sitemap that leaves a page out', { 'sitemap.xml': sitemapOf('', 'visit.html') }, ['sitemap-lacks-page']],
  ['a sitemap elsewhere than robots.txt says', { 'robots.txt': `Sitemap: ${GOOD_SITE}map.xml\n` }, ['sitemap-missing']],
  [
    'a feed that is not there',
    head({ more: '<link rel="alternate" type="application/rss+xml" href="/feed.xml">' }),
    ['feed-dead'],
  ],
  ['a next page that is not there', head({ more: '<link rel="next" href="/about/2">' }), ['pagination-broken']],
  [
    'JSON-LD that does not parse',
    head({ more: '<script type="application/ld+json">{"@type":</script>' }),
    ['json-ld-invalid'],
  ],
  // The picture.
  [
    'picture of 199 × 630',
    { 'img/Ferns.png': pngBytes(199, 630, 80_001) },
    ['image-below-minimum', 'image-size-mismatch'],
  ],
  [
    'picture of 599 × 315',
    { 'img/Ferns.png': pngBytes(599, 315, 80_001) },
    ['image-below-large', 'image-size-mismatch'],
  ],
  [
    'picture of 1199 × 630',
    { 'img/Ferns.png': pngBytes(1199, 630, 80_001) },
    ['image-below-recommended', 'image-size-mismatch'],
  ],
  ['picture of 300,001 bytes', { 'img/Ferns.png': pngBytes(1200, 630, 300_001) }, ['image-heavy']],
  ['picture of 300,000 bytes', { 'img/Ferns.png': pngBytes(1200, 630, 300_000) }, []],
  ['picture that is none', { 'img/Ferns.png': '<!doctype html>' }, ['image-not-image']],
  ['picture of no bytes', { 'img/Ferns.png': new Uint8Array() }, ['image-damaged']],
  ['picture of another page', { 'img/Ferns.png': pngBytes(1200, 630) }, ['image-same-picture']],
  // Edges of texts.
  ['og:title of 70 characters', head({ 'og:title': property('og:title', `Ferns ${'a'.repeat(64)}`) }), ['title-cut']],
  [
    'og:title of 71 characters',
    head({ 'og:title': property('og:title', `Ferns ${'a'.repeat(65)}`) }),
    ['title-cut', 'title-long'],
  ],
]

describe('one thing changed on an impeccable site raises exactly what it must', () => {
  test.each(MUTATIONS)('%s', async (_name, files, ids) => {
    expect(await idsOf(files)).toEqual(ids)
  })
})
