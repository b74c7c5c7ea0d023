import { parse } from 'parse5'
import { beforeAll, describe, expect, test } from 'vitest'
import type { Gathering } from '../model'
import { gatherMemory } from '../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { runAsHtml } from './html'
import { needsPagesFile, pagesAsHtml } from './html-pages'
import { picturesWanted, type ReportPicture } from './report-cards'
import { type RunDocument, runDocument } from './run-document'

/** What would become a tag, an attribute, or a rule, wherever it were written as it is. */
const NASTY = `</title></text></style><script>x()</script><img src=http://127.0.0.1:9 onerror=x()>"'&lt;]]>`
const attribute = NASTY.replaceAll('&', '&amp;').replaceAll('"', '&quot;')
const CLEAR = 'Clear for launch'

type Node = { nodeName: string; attrs?: { name: string; value: string }[]; childNodes?: Node[] }
function* nodesOf(node: Node): Generator<Node> {
  yield node
  for (const child of node.childNodes ?? []) yield* nodesOf(child)
}
const nodes = (html: string) => [...nodesOf(parse(html) as Node)]

const picture = (size = 20_000): ReportPicture => ({
  source: `data:image/jpeg;base64,${'A'.repeat(size)}`,
  width: 560,
  height: 294,
})
const withAll = (document: RunDocument, size?: number) =>
  new Map(picturesWanted(document).urls.map((url) => [url, picture(size)]))

let gathered: Gathering
let document: RunDocument
beforeAll(async () => {
  const tag = (key: string) => `<meta property="${key}" content="${attribute}">`
  gathered = await gatherMemory(
    goodSite({
      'nasty.html': goodPage('nasty.html', 'Ferns', {
        'og:title': tag('og:title'),
        'og:description': tag('og:description'),
        'og:site_name': tag('og:site_name'),
        'og:url': tag('og:url'),
        'twitter:card': `<meta name="twitter:card" content="${attribute}">`,
        'og:image': `<meta property="og:image" content="${GOOD_SITE}img/${attribute}.png">`,
      }),
    }),
    GOOD_SITE,
  )
  document = runDocument(
    { ...gathered, scope: [NASTY], incomplete: [{ why: 'stopped', message: NASTY }] },
    { waivers: [{ rule: 'card-unknown', reason: NASTY, by: NASTY }] },
  )
})

/** Every element that a report may hold. */
const OURS =
  /^(?:#.*|html|head|meta|title|style|body|main|section|h[123]|p|a|b|br|time|ul|ol|li|code|pre|span|figure|figcaption|details|summary|table|thead|tbody|tr|th|td|svg|rect|text|use|symbol|image|path|clipPath)$/

describe('nothing of a page breaks out of the report', () => {
  test.each([false, true])('whatever any field holds (one page: %s)', (onePage) => {
    const signOff = { by: NASTY, at: NASTY, content: 'x', differs: [NASTY] }
    const html = runAsHtml({ ...document, signOff }, { onePage, pictures: withAll(document), all: true })
    const found = nodes(html)
    expect([...new Set(found.map(({ nodeName }) => nodeName))].filter((name) => !OURS.test(name))).toEqual([])
    for (const { nodeName, attrs = [] } of found) {
      for (const { name, value } of attrs) {
        expect(name).not.toMatch(/^on|^style$/)
        if (name === 'clip-path') expect(value).toMatch(/^url\(#k[-0-9A-Z]+\)$/)
        if (name === 'fill' || name === 'stroke') expect(value).toMatch(/^(?:none|#[0-9a-f]{6})$/)
        if (nodeName === 'image') expect(value).toMatch(/^(?:data:image\/jpeg;base64,|\d+$)/)
        else if (name === 'href') expect(value).toMatch(/^(?:https:\/\/site\.example\/|#p\d+$)/)
        else expect(name).not.toBe('src')
      }
    }
    expect(html).toContain('&lt;script&gt;x()&lt;/script&gt;')
  })
})

describe('the report of a site', () => {
  test('shows each troubled page, a good one beside it, and holds each picture once', () => {
    const html = runAsHtml(document, { pictures: withAll(document) })
    expect(html).toContain('<code>/nasty.html</code>')
    expect(html).toContain('as it should be')
    const symbols = html.match(/<symbol /g)!.length
    expect(symbols).toBe(picturesWanted(document).urls.length)
    expect(html.match(/<use /g)!.length).toBeGreaterThan(symbols)
  })

  test('tells when it was in words, in the zone of the reader', async () => {
    const at = { ...document, startedAt: '2026-11-27T19:14:03Z' }
    expect(runAsHtml(at)).toContain('>27 November 2026, 19:14 UTC</time>')
    expect(runAsHtml(at, { timeZone: 'Asia/Tokyo' })).toMatch(/>28 November 2026, 04:14 (?:GMT\+9|JST)<\/time>/)
  })

  test('one page has the verdict, the cards and what stands in the way, and nothing for developers', () => {
    const html = runAsHtml(document, { onePage: true })
    expect(html).toContain('What stands in the way')
    expect(html).not.toMatch(/For developers|By section|\bog:|twitter:card/)
  })

  test('a clear site says so, and has no change to tell of', async () => {
    const clear = runDocument(await gatherMemory(goodSite(), GOOD_SITE))
    const html = runAsHtml(clear)
    expect(html).toContain(`<h1>${CLEAR}</h1>`)
    expect(html).not.toContain('changes to make')
  })
})

test('500 pages take no more than 3 MB, with every troubled page in them', () => {
  const [page] = document.pages.filter(({ url }) => url.endsWith('/about.html'))
  const [finding] = document.pages.flatMap(({ findings }) => findings)
  const pages = Array.from({ length: 500 }, (_, index) => {
    const url = `${GOOD_SITE}g/${index}`
    const cards = Object.fromEntries(
      Object.entries(page!.cards).map(([id, card]) => [id, { ...card, image: { ...card.image, url: `${url}.png` } }]),
    )
    return { ...page!, url, section: '/g/*', cards, findings: [{ ...finding!, level: 'error' as const }] }
  })
  const large = { ...document, pages, causes: [] }
  const html = runAsHtml(large, { pictures: withAll(large) })
  expect(html.length).toBeLessThan(3_000_000)
  for (const { url } of pages) expect(html).toContain(`/g/${url.split('/').pop()}</code>`)
})

describe('the second file of a report', () => {
  test('is needed where more pages have something in the way than are drawn', () => {
    const [page] = document.pages.filter(({ findings }) => findings.some(({ level }) => level === 'error'))
    const of = (number: number) => ({ ...document, pages: Array.from({ length: number }, () => page!) })
    expect([400, 401].map((number) => needsPagesFile(of(number)))).toEqual([false, true])
  })

  test('has every page with something in the way, with its errors; nothing in it runs or is fetched', () => {
    const html = [...pagesAsHtml(document)].join('')
    expect(html).toContain('/nasty.html</code><br><span class="error">')
    const found = nodes(html)
    expect(found.map(({ nodeName }) => nodeName)).not.toContain('script')
    expect(found.filter(({ attrs = [] }) => attrs.some(({ name }) => /^(?:src|on)/.test(name)))).toEqual([])
  })

  test('is linked from the report, by a name that may hold anything', () => {
    expect(runAsHtml(document, { pagesFile: 'a "b"-pages.html' })).toContain('<a href="a%20%22b%22-pages.html">')
    expect(runAsHtml(document)).not.toContain('-pages.html')
  })
})
