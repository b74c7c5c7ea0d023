import { expect, test } from 'vitest'
import { createCheckContext, runChecks } from '../check'
import { gatherMemory } from '../testing/build-run'
import { buildOf, CLEAN_SITE, cleanSite } from '../testing/clean-site'
import { GUIDE, put } from '../testing/seeds'
import { findCauses } from './find-causes'

/** What the edits of a page without a tag rest on. */
async function basesWithout(tag: string, site: string | null = CLEAN_SITE) {
  const clean = cleanSite()
  put(GUIDE, { [tag]: null })(clean)
  const gathering = await gatherMemory(buildOf(clean), site)
  const context = createCheckContext(gathering)
  const { pages, findings } = runChecks(gathering, context)
  const edits = findCauses(context, pages, findings).flatMap((cause) => cause.edits)
  return edits.find((edit) => edit.tag === tag)?.basis
}

test.each([
  ['og:title', 'its heading'],
  ['og:description', 'its description'],
  ['og:url', 'its own URL'],
  ['canonical', 'its own URL'],
  ['og:type', 'the other pages of its section'],
  ['twitter:card', 'the size of its image'],
  ['og:site_name', 'what other pages and titles call the site'],
])('%s that is missing is written on the strength of %s', async (tag, basis) => {
  expect(await basesWithout(tag)).toBe(basis)
})

test('where the site was inferred, the signs of it stand beside the URL', async () => {
  expect(await basesWithout('og:url', null)).toMatch(/^its own URL; the site is named by \d+ canonicals/)
})

test('what a person has to write rests on nothing', async () => {
  const clean = cleanSite()
  put(GUIDE, { title: '<title>Page title</title>', 'og:title': null })(clean)
  const gathering = await gatherMemory(buildOf(clean), CLEAN_SITE)
  const context = createCheckContext(gathering)
  const { pages, findings } = runChecks(gathering, context)
  for (const { needs, edits } of findCauses(context, pages, findings))
    for (const { to, basis } of edits) if (to === '{needed}') expect([needs, basis]).toEqual([needs, undefined])
})
