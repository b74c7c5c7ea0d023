import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../../testing/build-run'
import { describeCheck } from '../../testing/describe-check'
import { GOOD_SITE, goodPage, goodSite } from '../../testing/good-site'
import { createCheckContext } from '../context'
import { inWords } from '../finding-words'
import { runChecks } from '../run-checks'

const noindex = (content: string) =>
  goodPage('about.html', 'Ferns', { robots: `<meta name="robots" content="${content}">` })

describeCheck('sitemap-lists-hidden', {
  raises: {
    'a page with noindex': {
      files: { 'about.html': noindex('noindex') },
      expect: {
        level: 'warning',
        message: 'The sitemap lists https://site.example/about.html, which noindex keeps out of search.',
        pages: ['https://site.example/about.html'],
      },
    },
    'a page that robots.txt closes': {
      files: { 'robots.txt': 'User-agent: Googlebot\nDisallow: /visit\n' },
      expect: {
        message: 'The sitemap lists https://site.example/visit.html, which is kept from crawlers by robots.txt.',
      },
    },
    'a page that only sends on': {
      files: { 'about.html': '<!doctype html><meta http-equiv="refresh" content="0;url=visit.html">' },
      expect: { message: 'The sitemap lists https://site.example/about.html, which is redirected.' },
    },
  },
  passes: {
    'a page with other words to robots': { files: { 'about.html': noindex('max-image-preview:large') } },
    'a page closed to another crawler': { files: { 'robots.txt': 'User-agent: OtherBot\nDisallow: /visit\n' } },
  },
})

describe('sitemap-lists-hidden', () => {
  test('the staging server in it is named', async () => {
    const gathering = await gatherMemory(goodSite(), GOOD_SITE)
    const onStaging = ['http://stage.example:8080/sitemap.xml']
    const staged = { ...gathering, survey: { ...gathering.survey!, onStaging } }
    const { findings } = runChecks(staged, createCheckContext(staged))
    const found = findings.filter(({ rule }) => rule === 'sitemap-lists-hidden')
    expect(found.map((finding) => ({ ...finding, ...inWords(finding) }))).toMatchObject([
      { message: 'robots.txt or the sitemap names the staging server: http://stage.example:8080/sitemap.xml.' },
    ])
  })
})
