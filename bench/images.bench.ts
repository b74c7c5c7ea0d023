import { createServer } from 'node:http'
import type { AddressInfo, Socket } from 'node:net'
import { join } from 'node:path'
import sharp from 'sharp'

import { root } from '../scripts/setup.mjs'
import { limits } from '../src/core/address'
import { inParallel, lookByReading } from '../src/core/crawl'
import { groupAlike, LOOK_SIDE, type Looked, readImageHeader } from '../src/core/image'
import { nodeEnvironment } from '../src/io/crawl-environment'
import { createDecode } from '../src/io/decoder/decoder'
import { createFetcher } from '../src/io/fetch-address'
import { openFolder } from '../src/io/folder'
import { medianMs, report } from './measure'

const PICTURES = 500

/** Pictures as sites have them: the demo's own, in several weights, some with a camera's notes before the size. */
async function realSizes(pictures: Uint8Array[]): Promise<Buffer[]> {
  const wishes = [
    (bytes: Uint8Array) => sharp(bytes).resize(1200, 630).jpeg({ quality: 92 }),
    (bytes: Uint8Array) => sharp(bytes).resize(1200, 630).png(),
    (bytes: Uint8Array) => sharp(bytes).resize(1600, 840).webp({ quality: 90 }),
    (bytes: Uint8Array) =>
      sharp(bytes)
        .resize(2400, 1260)
        .withExif({ IFD0: { Copyright: 'Mending Hall '.repeat(600) } })
        .jpeg({ quality: 85 }),
  ]
  return Promise.all(
    Array.from({ length: PICTURES }, (_, index) =>
      wishes[index % wishes.length]!(pictures[index % pictures.length]!).toBuffer(),
    ),
  )
}

/** Bytes that a server put on the wire, while a task asked it for every picture. */
async function bytesOnTheWire(files: Buffer[], pictures: 'whole' | 'header'): Promise<number> {
  const sent = new Map<Socket, number>()
  const server = createServer((request, response) => {
    const { socket } = request
    response.on('close', () => sent.set(socket, socket.bytesWritten))
    const file = files[Number(request.url?.slice(1))]!
    const range = /^bytes=0-(\d+)$/.exec(request.headers.range ?? '')
    const body = range ? file.subarray(0, Number(range[1]) + 1) : file
    response.writeHead(range ? 206 : 200, {
      'content-type': 'image/jpeg',
      'content-length': body.length,
      ...(range ? { 'content-range': `bytes 0-${body.length - 1}/${file.length}` } : {}),
    })
    response.end(body)
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  const { signal } = new AbortController()
  const fetcher = createFetcher({
    innerHosts: new Map([[`127.0.0.1:${port}`, new Set(['127.0.0.1'])]]),
    concurrency: 6,
    timeoutMs: 20_000,
    signal,
  })
  const { decode: _, ...environment } = nodeEnvironment(fetcher.read, signal, pictures)
  const look = lookByReading(fetcher.read, environment)
  let wrong = 0
  for (const [index, file] of files.entries()) {
    const { width, bytes } = await look(`http://127.0.0.1:${port}/${index}`, () => true)
    if (!width || bytes !== file.length) wrong++
  }
  await fetcher.close()
  await new Promise<void>((resolve) => server.close(() => resolve()))
  if (wrong > 0) console.log(`${wrong} pictures were read wrongly`)
  return [...sent.values()].reduce((sum, bytes) => sum + bytes, 0)
}

/** Blotches that nothing else looks like. */
function blotches(seed: number): Looked {
  let state = seed + 1
  const look = Uint8Array.from({ length: LOOK_SIDE ** 2 + 72 }, (_, index) => {
    if (index % 8 === 0) state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return index < LOOK_SIDE ** 2 ? state >>> 24 : 128
  })
  return { id: String(seed), look, width: 1200, height: 630 }
}

/** How far the process grows, in MB, while so many large pictures are wanted at once and six are worked on. */
async function growthReading(count: number, file: Buffer): Promise<number> {
  const answer = { kind: 'answered' as const, status: 200, headers: {}, isCut: false, ms: 1 }
  const outside = nodeEnvironment(async () => ({ ...answer, body: new Uint8Array(file) }), new AbortController().signal)
  const look = lookByReading(outside.read, outside)
  const before = process.memoryUsage().rss
  let most = before
  const watch = setInterval(() => {
    most = Math.max(most, process.memoryUsage().rss)
  }, 5)
  let started = 0
  const next = () => (started < count ? look(`https://site.example/${started++}.png`, () => true) : null)
  for await (const images of inParallel(next, limits.concurrency)) {
    for (const { errorCode, error } of images) if (errorCode !== null) console.log(error)
  }
  clearInterval(watch)
  return (most - before) / 1e6
}

/** Sizes from bytes, bytes from the network, and pictures that look the same. */
export async function run(): Promise<void> {
  const files = await openFolder(join(root, 'demo', 'site'))
  const paths = files.paths.filter((path) => /\.(?:jpg|png|webp)$/.test(path))
  const pictures = await Promise.all(paths.map(async (path) => (await files.read(path, limits.imageBytes)).body))

  const many = await realSizes(pictures)
  const theirs = await medianMs(async () => {
    for (const picture of many) await sharp(picture).metadata()
  })
  const ours = await medianMs(() => many.map(readImageHeader))
  report(`sharp metadata, ${many.length} pictures`, theirs)
  report('our header reader', ours, { name: 'sharp', ms: theirs })
  console.log(
    `sized a second: ${Math.round(PICTURES / (ours / 1000))}, sharp ${Math.round(PICTURES / (theirs / 1000))}`,
  )

  const whole = await bytesOnTheWire(many, 'whole')
  const header = await bytesOnTheWire(many, 'header')
  const share = (100 * header) / whole
  console.log(
    `--pictures header: ${Math.round(header / PICTURES)} bytes a picture on the wire beside ${Math.round(whole / PICTURES)} for whole ones: ${share.toFixed(1)} %`,
  )

  const decode = createDecode(new AbortController().signal)
  const looks = await medianMs(async () => {
    for (const picture of pictures) await decode(picture, { alpha: false, look: true })
  }, 3)
  report(`looks of ${pictures.length} pictures`, looks)
  const large = await sharp(pictures[0]!).resize(4000, 3000, { fit: 'fill' }).ensureAlpha(0.5).png().toBuffer()
  // Once before it counts: the decoders keep what they once took.
  await growthReading(limits.concurrency * 2, large)
  const [ten, hundred] = [await growthReading(10, large), await growthReading(100, large)]
  console.log(
    `100 pictures of 4000 × 3000 (${(large.length / 1e6).toFixed(1)} MB), ${limits.concurrency} at a time: the process grows by ${hundred.toFixed(0)} MB; 10 pictures: ${ten.toFixed(0)} MB`,
  )

  const grouped: number[] = []
  for (const count of [2000, 10_000]) {
    const crowd = Array.from({ length: count }, (_, seed) => blotches(seed))
    grouped.push(await medianMs(() => groupAlike(crowd), 3))
  }
  report('2,000 pictures grouped by look', grouped[0]!)
  report('10,000 pictures grouped by look', grouped[1]!, { name: '2,000 (5 × is linear)', ms: grouped[0]! })
}
