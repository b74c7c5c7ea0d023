import { describe, expect, test } from 'vitest'
import { pngBytes } from '../testing/good-site'
import { describeImage } from './image-queue'
import { type FetchResult, readFollowing } from './read-address'

const answered = (
  status: number,
  headers: Record<string, string> = {},
  body: Uint8Array = new Uint8Array(),
  isCut = false,
): FetchResult => ({
  kind: 'answered',
  status,
  headers,
  body,
  isCut,
  ms: 1,
})

const server = (answers: Record<string, FetchResult>) => async (url: string) =>
  answers[new URL(url).pathname] ?? answered(404)
const at = (path: string) => `https://a.example${path}`

describe('readFollowing', () => {
  test('keeps the status and the target of each hop', async () => {
    const followed = await readFollowing(
      at('/1'),
      server({
        '/1': answered(301, { location: '/2' }),
        '/2': answered(307, { location: at('/3') }),
        '/3': answered(200),
      }),
    )
    expect(followed).toMatchObject({
      finalUrl: at('/3'),
      redirects: [
        { status: 301, url: at('/2') },
        { status: 307, url: at('/3') },
      ],
      exchange: { status: 200 },
    })
  })

  test.each([
    ['to itself', { '/1': answered(302, { location: '/1' }) }, 'redirect-loop'],
    [
      'in a circle',
      { '/1': answered(302, { location: '/2' }), '/2': answered(302, { location: '/1' }) },
      'redirect-loop',
    ],
    ['to what is no address', { '/1': answered(302, { location: 'javascript:alert(1)' }) }, 'bad-answer'],
  ])('a redirect %s is a failure', async (_name, answers: Record<string, FetchResult>, code) => {
    expect((await readFollowing(at('/1'), server(answers))).exchange).toMatchObject({ kind: 'failed', code })
  })

  test.each([300, 304])('%i is no redirect', async (status) => {
    const { redirects } = await readFollowing(at('/1'), server({ '/1': answered(status, { location: '/2' }) }))
    expect(redirects).toEqual([])
  })

  test('a hop that is not allowed ends the chain with the redirect itself', async () => {
    const followed = await readFollowing(
      at('/1'),
      server({ '/1': answered(302, { location: 'https://b.example/' }) }),
      undefined,
      (url) => url.startsWith('https://a.'),
    )
    expect(followed).toMatchObject({ finalUrl: at('/1'), exchange: { status: 302 } })
  })
})

describe('describeImage', () => {
  const outside = {
    digest: async (bytes: Uint8Array) => `sha256:${bytes.length}`,
    decode: async () => ({ alpha: true, look: null }),
  }
  const describe1 = (exchange: FetchResult) => describeImage(at('/a.png'), exchange, outside)
  const png = pngBytes(1200, 630, 5000)

  test('a picture: format and size from its bytes, whatever its name and header say', async () => {
    expect(await describe1(answered(200, { 'content-type': 'text/plain' }, png))).toMatchObject({
      status: 200,
      format: 'png',
      width: 1200,
      height: 630,
      bytes: 5000,
      hash: 'sha256:5000',
      alpha: false,
      contentType: 'text/plain',
      errorCode: null,
    })
  })

  test('206 is given as 200', async () => {
    expect(await describe1(answered(206, {}, png))).toMatchObject({ status: 200, errorCode: null })
  })

  test('transparency is asked for only where the format allows it', async () => {
    const withAlpha = png.slice()
    withAlpha[25] = 6
    expect((await describe1(answered(200, {}, withAlpha))).alpha).toBe(true)
    expect((await describe1(answered(200, {}, withAlpha, true))).alpha).toBeNull()
  })

  test('cut off: no hash, and the weight is what the server says', async () => {
    expect(await describe1(answered(200, { 'content-length': '20000000' }, png, true))).toMatchObject({
      bytes: 20_000_000,
      hash: null,
      width: 1200,
    })
    expect(
      (await describe1(answered(200, { 'content-length': '900', 'content-encoding': 'gzip' }, png, true))).bytes,
    ).toBeNull()
  })

  test.each([
    ['an error', answered(404, {}, png), 'status'],
    ['nothing', answered(200), 'empty'],
    [
      'a page',
      answered(200, { 'content-type': 'text/html' }, new TextEncoder().encode('<!doctype html>')),
      'not-image',
    ],
    ['a header cut short', answered(200, {}, png.subarray(0, 20)), 'damaged'],
    ['no answer', { kind: 'failed', code: 'timeout', message: 'late', ms: 1 } as FetchResult, 'timeout'],
  ])('%s: %s', async (_name, exchange, code) => {
    const image = await describe1(exchange)
    expect(image.errorCode).toBe(code)
    expect(image.width).toBeNull()
    expect(image.error).not.toBeNull()
  })
})
