import { expect, test } from 'vitest'
import type { GatheredPage } from '../../model'
import { gatherMemory } from '../../testing/build-run'
import { GOOD_SITE, goodPage, goodSite } from '../../testing/good-site'
import { inWords } from '../finding-words'
import { runChecks } from '../run-checks'

const raisedWith = async (over: Partial<GatheredPage['fetch']>) => {
  const gathering = await gatherMemory(goodSite(), GOOD_SITE)
  const pages = gathering.pages.map((page) => ({ ...page, fetch: { ...page.fetch, ...over } })).slice(0, 1)
  return runChecks({ ...gathering, pages })
    .pages[0]!.findings.filter(({ rule }) => rule === 'page-redirected')
    .map((finding) => ({ ...finding, ...inWords(finding) }))
}

const chain = [{ status: 301, url: 'https://site.example/about.html' }]

test('raised for each address that leads here, with the chain and who links to it', async () => {
  const linkers = { count: 5, first: [{ page: 'https://site.example/visit.html', line: 20, column: 3 }] }
  const ledHereBy = [{ address: 'https://site.example/old', chain, linkers }]
  expect(await raisedWith({ redirects: chain, ledHereBy })).toMatchObject([
    {
      level: 'note',
      message:
        'https://site.example/old leads here by a redirect: 301 to https://site.example/about.html. Named on /visit.html (line 20) and 4 more.',
    },
  ])
})

test('a run of before it was noted who links names the chain', async () => {
  expect(await raisedWith({ redirects: chain })).toMatchObject([
    { message: 'A link leads here by a redirect: 301 to https://site.example/about.html.' },
  ])
})

test('a circle is an error', async () => {
  const over = { redirects: chain, error: 'a loop', errorCode: 'redirect-loop' as const }
  expect(await raisedWith(over)).toMatchObject([{ level: 'error', message: expect.stringContaining('in a circle') }])
})

test('not raised without a redirect', async () => {
  expect(await raisedWith({})).toEqual([])
})

test('a redirect that nobody links to costs nobody a step', async () => {
  const ledHereBy = [{ address: 'https://site.example/old', chain, linkers: { count: 0, first: [] } }]
  expect(await raisedWith({ redirects: chain, ledHereBy })).toEqual([])
})

test('a page with a text of its own that sends visitors on', async () => {
  const text = `<h1>Ferns</h1><p>${'A fern that stands in the shade keeps its green. '.repeat(8)}</p>`
  const raisedBy = async (content: string) => {
    const head = { refresh: `<meta http-equiv="refresh" content="${content}">` }
    const files = goodSite({ 'about.html': goodPage('about.html', 'Ferns', head, text) })
    const { pages } = runChecks(await gatherMemory(files, GOOD_SITE))
    return pages.flatMap(({ findings }) => findings.filter(({ rule }) => rule === 'page-redirected'))
  }
  expect(await raisedBy('0; url=/visit.html')).toMatchObject([{ said: 'refresh', level: 'warning' }])
  for (const content of ['300', '300; url=/visit.html', '5; url=/about.html'])
    expect(await raisedBy(content)).toEqual([])
})
