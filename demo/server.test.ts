import { existsSync, readFileSync } from 'node:fs'
import type { Server } from 'node:http'
import { connect } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { Head } from './generator/head'
import { buildSite } from './generator/site'
import { weekLater } from './generator/week-later'
import { demoFolder, editedFolder, listen, serveFolder } from './server.mjs'

let server: Server
let base = ''

beforeAll(async () => {
  server = serveFolder(demoFolder)
  base = await listen(server, 0)
})
afterAll(() => server.close())

describe('the demo a week later', () => {
  test('has what was edited, all else, and not what was taken away', async () => {
    const edited = serveFolder(demoFolder, { overlay: editedFolder })
    const at = await listen(edited, 0)
    const answer = async (path: string) => {
      const response = await fetch(at + path)
      return [response.status, await response.text()] as const
    }
    const before = await (await fetch(`${base}news/winter-hours`)).text()
    expect(before).not.toContain('open until nine')
    expect(await answer('news/winter-hours')).toEqual([200, expect.stringContaining('open until nine on Thursdays')])
    expect((await answer('guides/oil-a-hinge'))[0]).toBe(200)
    expect((await answer('guides/patch-a-tent'))[0]).toBe(404)
    expect((await answer('guides/patch-a-tent-or-tarp'))[0]).toBe(200)
    expect((await answer('sitemap.xml'))[1]).not.toContain('new-page-3')
    edited.close()
  })

  test('is what its generator makes of it', () => {
    const built = new Map(buildSite().pages.map(({ file, html }) => [file, html]))
    for (const { file, html } of buildSite(weekLater).pages) {
      const path = join(editedFolder, file)
      if (built.get(file) === html) expect(existsSync(path)).toBe(false)
      else expect(readFileSync(path, 'utf8')).toBe(html)
    }
  })
})

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
