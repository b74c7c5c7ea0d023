import { expect, test } from 'vitest'
import { gatherMemory } from '../../testing/build-run'
import { GOOD_SITE, goodSite } from '../../testing/good-site'
import { runChecks } from '../run-checks'

const raisedWith = async (alpha: boolean | null) => {
  const gathering = await gatherMemory(goodSite(), GOOD_SITE)
  const images = gathering.images.map((image) => (image.url.includes('Ferns') ? { ...image, alpha } : image))
  const { pages } = runChecks({ ...gathering, images })
  return pages.flatMap(({ findings }) => findings).filter(({ rule }) => rule === 'image-transparent')
}

test('raised where a pixel really is transparent', async () => {
  expect(await raisedWith(true)).toMatchObject([{ level: 'note', image: 'https://site.example/img/Ferns.png' }])
})

test('not raised where none is, or it can’t be told', async () => {
  expect(await raisedWith(false)).toEqual([])
  expect(await raisedWith(null)).toEqual([])
})
