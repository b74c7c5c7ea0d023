import sharp from 'sharp'
import { demoFolder } from '../demo/server.mjs'
import { readImageHeader } from '../src/core/image/read-header'
import { openFolder } from '../src/io/folder'
import { medianMs, report } from './measure'

/** Sizes of all pictures of the demo, ten times over, by our reader and by sharp's own. */
export async function run(): Promise<void> {
  const files = await openFolder(demoFolder)
  const paths = files.paths.filter((path) => /\.(?:jpg|png|webp)$/.test(path))
  const pictures = await Promise.all(paths.map((path) => files.read(path)))
  const many = Array.from({ length: 10 }, () => pictures).flat()
  const theirs = await medianMs(async () => {
    for (const picture of many) await sharp(picture).metadata()
  })
  const ours = await medianMs(() => many.map(readImageHeader))
  const wrong = await Promise.all(
    pictures.map(async (picture) => {
      const [reading, truth] = [readImageHeader(picture), await sharp(picture).metadata()]
      return reading.kind !== 'image' || reading.width !== truth.width || reading.height !== truth.height
    }),
  )
  report(`sharp metadata, ${many.length} pictures`, theirs)
  report('our header reader', ours, { name: 'sharp', ms: theirs })
  console.log(`sizes that differ: ${wrong.filter(Boolean).length}`)
}
