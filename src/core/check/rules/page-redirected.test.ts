import { expect, test } from 'vitest'
import type { GatheredPage } from '../../model'
import { gatherMemory } from '../../testing/build-run'
import { GOOD_SITE, goodSite } from '../../testing/good-site'
import { runChecks } from '../run-checks'

const raisedWith = async (over: Partial<GatheredPage['fetch']>) => {
  const gathering = await gatherMemory(goodSite(), GOOD_SITE)
  const pages = gathering.pages.map((page) => ({ ...page, fetch: { ...page.fetch, ...over } })).slice(0, 1)
  return runChecks({ ...gathering, pages }).pages[0]!.findings.filter(({ rule }) => rule === 'page-redirected')
}

test('raised where a link leads through redirects, with the chain', async () => {
  const [finding] = await raisedWith({ redirects: [{ status: 301, url: 'https://site.example/about.html' }] })
  expect(finding).toMatchObject({
    level: 'note',
    message: 'A link leads here by a redirect: 301 to https://site.example/about.html.',
  })
})

test('not raised without one; a loop is another finding', async () => {
  expect(await raisedWith({})).toEqual([])
  expect(
    await raisedWith({
      redirects: [{ status: 302, url: 'https://site.example/a' }],
      error: 'a loop',
      errorCode: 'redirect-loop',
    }),
  ).toEqual([])
})
