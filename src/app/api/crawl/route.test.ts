import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest'
import { parseJson } from '@/core/model'
import { clientLimits, forgetClients } from '@/io/client-limits'
import { POST } from './route'

let server: Server
let base = ''
let open = 0

beforeAll(async () => {
  server = createServer((request, response) => {
    open++
    response.on('close', () => open--)
    if (request.url === '/hangs') return
    response.writeHead(200, { 'content-type': 'text/html' }).end('<title>Home</title><a href="/hangs">on</a>')
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/`
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
})
beforeEach(forgetClients)
afterEach(() => vi.unstubAllEnvs())

const ask = (body: unknown, signal?: AbortSignal) =>
  POST(
    new Request('http://127.0.0.1:4300/api/crawl', {
      method: 'POST',
      headers: {
        host: '127.0.0.1:4300',
        origin: 'http://127.0.0.1:4300',
        'content-type': 'application/json',
        'x-nimble-parrot-client': 'me',
      },
      body: typeof body === 'string' ? body : JSON.stringify(body),
      ...(signal ? { signal } : {}),
    }),
  )

const crawlOf = (start: string, rest = {}) => ({ from: { kind: 'url', start }, site: null, ...rest })
const reasonOf = async (response: Response) => (await response.json()).error as string

describe('what a request may be', () => {
  test.each([
    ['an empty glob', { include: [''] }, 400, /glob is empty/],
    ['a glob of 64 kB', { exclude: ['*a'.repeat(32_000)] }, 400, /64000 characters; 1000 are the most/],
    ['thousands of globs', { include: Array.from({ length: 5000 }, () => '/a') }, 400, /100/],
    [
      'more than a MB that is no list',
      { exclude: ['/a'], padding: 'x'.repeat(1_100_000) },
      413,
      /list or an earlier run alone/,
    ],
  ])('%s is refused, and says why', async (_name, rest, status, says) => {
    const response = await ask(crawlOf(base, rest))
    expect(response.status).toBe(status)
    expect(await reasonOf(response)).toMatch(says)
  })

  test.each([
    ['endless', `{"from":"${'x'.repeat(61_000_000)}"}`, 413],
    ['deep', '['.repeat(100_000), 400],
    ['no JSON', 'from=x', 400],
  ])('a body that is %s is not read further than it may go', async (_name, body, status) => {
    expect((await ask(body)).status).toBe(status)
  })
})

describe('a server that is meant for others', () => {
  beforeEach(() => vi.stubEnv('NIMBLE_PARROT_PUBLIC', '1'))

  test('reads less of a body than one that is the reader’s own', async () => {
    expect((await ask(`{"from":"${'x'.repeat(11_000_000)}"}`)).status).toBe(413)
  })

  test('a client that vanishes gives its place back', async () => {
    const crawls = Array.from({ length: clientLimits.crawlsOfClient }, () => new AbortController())
    for (const { signal } of crawls) expect((await ask(crawlOf('http://a.example/'), signal)).status).toBe(200)
    expect((await ask(crawlOf('http://a.example/'))).status).toBe(429)
    for (const crawl of crawls) crawl.abort()
    expect((await ask(crawlOf('http://a.example/'))).status).toBe(200)
  })
})

test('a client that vanishes ends what is asked for it', async () => {
  const leave = new AbortController()
  const response = await ask(crawlOf(base), leave.signal)
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  while (!text.includes('"kind":"page"')) text += (await reader.read()).value ?? ''
  expect(parseJson(text.split('\n')[0]!).ok).toBe(true)
  // What is not read is not gathered either.
  const rest = (async () => {
    while (!(await reader.read()).done);
  })().catch(() => undefined)
  await vi.waitFor(() => expect(open).toBe(1), 10_000)
  leave.abort()
  await vi.waitFor(() => expect(open).toBe(0), 10_000)
  await rest
})
