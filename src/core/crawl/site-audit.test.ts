import { describe, expect, it } from 'vitest'
import { testOutside } from '../testing/build-run'
import { crawl } from './crawl'
import { type CrawlOptions, defaultCrawlOptions } from './crawl-options'
import { GatheringBuilder, oneByOne } from './events'
import type { FetchResult } from './read-address'

const START = 'http://127.0.0.1:4000/'
const SITE = 'https://site.example/'

/** The survey of a crawl of these pages, and what was asked for. */
async function surveyOf(pages: Record<string, string | { to: string }>, options: Partial<CrawlOptions> = {}) {
  const asked: string[] = []
  const read = async ({ url }: { url: string }): Promise<FetchResult> => {
    asked.push(url.replace(START, '/'))
    const found = pages[url.replace(START, '/')]
    const location = typeof found === 'object' ? found.to : null
    const body = typeof found === 'string' ? found : ''
    const status = location ? 301 : found === undefined ? 404 : 200
    const headers = {
      ...(location ? { location } : {}),
      'content-type': url.endsWith('.xml') ? 'application/xml' : 'text/html',
    }
    return { kind: 'answered', status, headers, body: new TextEncoder().encode(body), isCut: false, ms: 1 }
  }
  const builder = new GatheringBuilder()
  const all = { ...defaultCrawlOptions, start: START, site: SITE, ...options }
  for await (const event of oneByOne(crawl(all, testOutside(read)))) builder.add(event)
  return { survey: builder.gathering()!.survey!, asked }
}

const map = (...urls: string[]) => `<urlset>${urls.map((url) => `<url><loc>${url}</loc></url>`).join('')}</urlset>`

describe('what a crawl notes beside its pages', () => {
  it('pages that only the sitemap names are linked from nowhere; links to itself don’t count', async () => {
    const { survey } = await surveyOf({
      '/': '<a href="/a">a</a>',
      '/a': '<a href="/">home</a>',
      '/lost': '<a href="/lost">me</a>',
      '/sitemap.xml': map(`${SITE}a`, `${SITE}lost`),
    })
    expect(survey.unlinked).toEqual([`${SITE}lost`])
    expect(survey.sitemaps).toEqual({ read: [`${SITE}sitemap.xml`], failed: [], pages: [`${SITE}a`, `${SITE}lost`] })
    expect(survey.onStaging).toEqual([])
  })

  it('a page is linked under any address that leads to it, found before the page or after', async () => {
    const pages = {
      '/': '<a href="/old">a</a><a href="/c">c</a>',
      '/old': { to: '/new' },
      '/new': '',
      '/c/': '',
      '/c': '',
    }
    const early = await surveyOf({ ...pages, '/sitemap.xml': map(`${SITE}new`, `${SITE}c/`) })
    expect(early.survey.unlinked).toEqual([])
    expect((await surveyOf(pages)).survey.unlinked).toEqual([])
  })

  it('it can’t be said of a run that left pages out', async () => {
    const pages = { '/': '<a href="/a">a</a><a href="/b">b</a>', '/a': '', '/b': '' }
    expect((await surveyOf(pages, { maxPages: 2 })).survey.unlinked).toBeNull()
    expect((await surveyOf(pages, { maxDepth: 0 })).survey.unlinked).toBeNull()
    expect((await surveyOf(pages)).survey.unlinked).toEqual([])
  })

  it('feeds and neighbours are asked for once each, and a page that was read is not asked for again', async () => {
    const head =
      '<link rel="alternate" type="application/rss+xml" href="/feed.xml"><link rel="next" href="/2"><link rel="prev" href="/0">'
    const { survey, asked } = await surveyOf({ '/': `${head}<a href="/2">2</a>`, '/2': head })
    // Neighbours are followed as links are: they are pages, there or not.
    expect(survey.dead).toEqual([`${SITE}feed.xml`])
    expect(asked.filter((path) => ['/feed.xml', '/0', '/2'].includes(path)).sort()).toEqual(['/0', '/2', '/feed.xml'])
  })

  it('what robots.txt closes is not asked for, feed or not', async () => {
    const head =
      '<link rel="alternate" type="application/rss+xml" href="/closed/feed.xml"><link rel="next" href="/closed/2">'
    const pages = { '/': head, '/robots.txt': 'User-agent: *\nDisallow: /closed/\n' }
    const { survey, asked } = await surveyOf(pages)
    expect(asked.filter((path) => path.startsWith('/closed'))).toEqual([])
    expect(survey.dead).toEqual([])
    const passing = await surveyOf(pages, { ignoreRobots: true })
    expect(passing.survey.dead).toEqual([`${SITE}closed/feed.xml`])
  })

  it('addresses of the staging server in the sitemap are named', async () => {
    const { survey } = await surveyOf({ '/': '', '/sitemap.xml': map(`${START}a`, `${SITE}b`) })
    expect(survey.onStaging).toEqual([`${START}a`])
    // Judged as the production pages that they are meant for.
    expect(survey.sitemaps?.pages).toEqual([`${SITE}a`, `${SITE}b`])
  })
})
