import { expect, test } from 'vitest'
import { gatherMemory } from '../../testing/build-run'
import { describeCheck } from '../../testing/describe-check'
import { GOOD_SITE, goodPage } from '../../testing/good-site'
import { runChecks } from '../run-checks'

describeCheck('title-short', {
  raises: {
    '14 characters': { head: { title: '<title>Ferns of the g</title>' } },
  },
  passes: {
    'seven and a half letters’ worth of Japanese': { head: { title: '<title>気圧計の使い方と校正</title>' } },
    '15 characters': { head: { title: '<title>Ferns of the ga</title>' } },
  },
})

test('not raised on a site of one page', async () => {
  const html = goodPage('', 'Roses', { title: '<title>Roses</title>' })
  const { pages } = runChecks(await gatherMemory({ 'index.html': html }, GOOD_SITE))
  expect(pages[0]!.findings.filter(({ rule }) => rule === 'title-short')).toEqual([])
})
