// Decodes pictures in a process of its own: what a hostile picture makes of the decoder ends with it.
import sharp from 'sharp'

// One picture at a time, nothing kept, and none of the loaders that render documents.
sharp.concurrency(1)
sharp.cache(false)
sharp.block({ operation: ['VipsForeignLoad'] })
sharp.unblock({
  operation: [
    'VipsForeignLoadJpeg',
    'VipsForeignLoadPng',
    'VipsForeignLoadNsgif',
    'VipsForeignLoadWebp',
    'VipsForeignLoadHeif',
    'VipsForeignLoadTiff',
  ],
})

/** Whether some pixel lets through what is behind; null when it can't be told. */
async function transparencyOf(bytes, limitInputPixels) {
  try {
    const image = sharp(bytes, { limitInputPixels, failOn: 'error' })
    const { hasAlpha } = await image.metadata()
    return hasAlpha ? !(await image.stats()).isOpaque : false
  } catch {
    return null
  }
}

/** The picture upright, shrunk to a square of this side: raw RGBA; null when it can't be decoded. */
async function squareOf(bytes, limitInputPixels, side) {
  try {
    return await sharp(bytes, { limitInputPixels, failOn: 'error' })
      .autoOrient()
      .resize(side, side, { fit: 'fill', kernel: 'mitchell' })
      .toColourspace('srgb')
      .ensureAlpha()
      .raw()
      .toBuffer()
  } catch {
    return null
  }
}

/** A small copy, upright and without metadata: what shows through stays so. null when it can't be decoded. */
async function copyOf(bytes, limitInputPixels, side) {
  try {
    const small = sharp(bytes, { limitInputPixels, failOn: 'error' })
      .autoOrient()
      .resize(side, side, { fit: 'inside', withoutEnlargement: true })
      .toColourspace('srgb')
    const { hasAlpha } = await small.metadata()
    const copy = await (hasAlpha ? small.png({ palette: true }) : small.jpeg({ quality: 74, mozjpeg: true })).toBuffer()
    return { mediaType: hasAlpha ? 'image/png' : 'image/jpeg', bytes: copy }
  } catch {
    return null
  }
}

process.on('message', async ({ bytes, maxPixels, wantsAlpha, side, copySide }) => {
  const buffer = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const alpha = wantsAlpha ? await transparencyOf(buffer, maxPixels) : null
  const square = side > 0 ? await squareOf(buffer, maxPixels, side) : null
  const copy = copySide > 0 ? await copyOf(buffer, maxPixels, copySide) : null
  process.send({ alpha, square, copy, rss: process.memoryUsage.rss() })
})
// The process that started it is gone.
process.on('disconnect', () => process.exit())
