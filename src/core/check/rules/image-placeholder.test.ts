import { describe, expect, test } from 'vitest'
import { gatherMemory } from '../../testing/build-run'
import { GOOD_SITE, goodSite } from '../../testing/good-site'
import { createCheckContext } from '../context'
import { runChecks } from '../run-checks'
import { STARTER_IMAGES } from '../starter-texts'

/** Findings where one of the images has these bytes. */
async function foundWith(hash: string) {
  const gathering = await gatherMemory(goodSite(), GOOD_SITE)
  const images = gathering.images.map((image) => (image.url.endsWith('Ferns.png') ? { ...image, hash } : image))
  const { pages } = runChecks({ ...gathering, images }, createCheckContext({ ...gathering, images }))
  return pages.flatMap(({ url, findings }) =>
    findings.filter(({ rule }) => rule === 'image-placeholder').map(({ level }) => [url, level]),
  )
}

describe('image-placeholder', () => {
  test.each([...STARTER_IMAGES])('is raised for %s', async (hash) => {
    expect(await foundWith(hash)).toEqual([[`${GOOD_SITE}about.html`, 'error']])
  })

  test('is not raised for any other bytes', async () => {
    expect(await foundWith(`sha256:${'0'.repeat(64)}`)).toEqual([])
  })
})
