import type { Server } from 'node:http'
import { connect } from 'node:net'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { Head } from './generator/head'
import { buildSite } from './generator/site'
import { demoFolder, listen, serveFolder } from './server.mjs'

let server: Server
let base = ''

beforeAll(async () => {
  server = serveFolder(demoFolder)
  base = await listen(server, 0)
})
afterAll(() => server.close())

describe('the demo’s server', () => {
  test.each([
    ['', 200, 'text/html; charset=utf-8'],
    ['guides/', 200, 'text/html; charset=utf-8'],
    ['guides/rewire-a-lamp', 200, 'text/html; charset=utf-8'],
    ['guides/rewire-a-lamp.html', 200, 'text/html; charset=utf-8'],
    ['img/default.png', 200, 'image/png'],
    ['robots.txt', 200, 'text/plain; charset=utf-8'],
    ['nothing-here', 404, 'text/html; charset=utf-8'],
  ])('/%s is %i', async (path, status, type) => {
    const response = await fetch(base + path)
    expect([response.status, response.headers.get('content-type')]).toEqual([status, type])
  })

  test.each(['/../package.json', '/%2e%2e/%2e%2e/package.json', '/..%2fserver.mjs', '/%'])(
    'nothing outside its folder: %s',
    async (path) => {
      const { port } = new URL(base)
      const answer = await new Promise<string>((resolve) => {
        const socket = connect(Number(port), '127.0.0.1', () =>
          socket.write(`GET ${path} HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n`),
        )
        let text = ''
        socket.on('data', (data) => {
          text += data
        })
        socket.on('close', () => resolve(text))
      })
      expect(answer).toMatch(/^HTTP\/1\.1 4\d\d/)
    },
  )
})

describe('the generator', () => {
  test('a head is changed tag by tag, in place', () => {
    const head = new Head()
      .meta('og:title', 'A & "B"')
      .meta('og:image', 'x')
      .meta('og:image:width', '1')
      .meta('description', 'd')
    head.set('og:title', 'C').drop('og:image', 'og:image:')
    expect(head.lines()).toEqual(['<meta property="og:title" content="C">', '<meta name="description" content="d">'])
  })

  test('without troubles every page is right, and the addresses are the same', () => {
    const mended = buildSite({ troubles: [] })
    const asBuilt = buildSite()
    expect(mended.pages.map(({ url }) => url)).toEqual(asBuilt.pages.map(({ url }) => url))
    expect(mended.pages.every(({ html }) => html.includes('og:image') && html.includes('twitter:card'))).toBe(true)
    expect(asBuilt.pages.some(({ html }) => !html.includes('og:image'))).toBe(true)
  })
})
