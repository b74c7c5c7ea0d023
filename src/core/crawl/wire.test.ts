import { describe, expect, test } from 'vitest'
import { CrawlRequest, toWire, WireEvent } from './wire'

const from = { kind: 'url', start: 'http://localhost:3000/' } as const
const image = {
  url: 'https://site.example/a.png',
  status: 200,
  format: 'png' as const,
  width: 1,
  height: 1,
  bytes: 1,
  alpha: null,
  animated: false,
  hash: null,
  contentType: null,
  error: null,
  errorCode: null,
  iconOnly: false,
}

describe('a request from the interface', () => {
  test('has its defaults', () => {
    expect(CrawlRequest.parse({ from, site: null })).toMatchObject({
      maxPages: null,
      ignoreRobots: false,
      login: null,
      resume: null,
      include: [],
    })
  })

  test.each([
    ['a file', { from: { kind: 'url', start: 'file:///etc/passwd' }, site: null }],
    ['no address', { from: { kind: 'url', start: 'localhost' }, site: null }],
    ['another scheme for the site', { from, site: 'ftp://x.example' }],
    ['no pages', { from, site: null, maxPages: 0 }],
    ['far too many pages', { from, site: null, maxPages: 1e9 }],
    ['an empty list', { from: { kind: 'list', addresses: [] }, site: null }],
    ['a header of the connection', { from, site: null, login: { headers: [{ name: 'Host', value: 'x' }] } }],
    ['a header that breaks out', { from, site: null, login: { headers: [{ name: 'X', value: 'a\r\nEvil: b' }] } }],
    ['a header with a name that is none', { from, site: null, login: { headers: [{ name: 'a b', value: 'x' }] } }],
  ])('%s is refused', (_name, request) => {
    expect(CrawlRequest.safeParse(request).success).toBe(false)
  })
})

describe('events on the wire', () => {
  test('a picture that could be read carries the path it is served under; one that could not has none', () => {
    const served = (url: string) => `/api/image?p=${url.length}`
    expect(toWire({ kind: 'image', image }, served)).toMatchObject({ image: { served: '/api/image?p=26' } })
    expect(toWire({ kind: 'image', image: { ...image, errorCode: 'status' } }, served)).toMatchObject({
      image: { served: null },
    })
  })

  test('survive the way as lines of JSON', () => {
    const events: WireEvent[] = [
      { kind: 'found', waiting: [{ url: 'https://site.example/', depth: 1 }] },
      { kind: 'note', note: { kind: 'trap', message: 'Cut: an address.' } },
      { kind: 'progress', done: 1, waiting: 2, fetching: ['x'] },
      { kind: 'finished', finishedAt: '2026-11-23T09:12:00Z', stopped: false },
      { kind: 'failed', message: 'It broke off.' },
    ]
    for (const event of events) expect(WireEvent.parse(JSON.parse(JSON.stringify(event)))).toEqual(event)
  })

  test('anything else is refused', () => {
    expect(WireEvent.safeParse({ kind: 'page', page: { url: 'x' } }).success).toBe(false)
    expect(WireEvent.safeParse({ kind: 'surprise' }).success).toBe(false)
  })
})
