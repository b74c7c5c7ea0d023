// A server that does everything wrong that servers do, and keeps a log: node hostile/server.mjs [--port 4302]
// Start at / ; /robots.txt closes /private ; everything else is linked from the start page.
import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { gzipSync } from 'node:zlib'

const HTML = 'text/html; charset=utf-8'
const page = (title, body = '', head = '') =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title>${head}</head><body><h1>${title}</h1>${body}</body></html>`
const link = (href) => `<a href="${href}">${href}</a> `

const share = (href) => `<meta property="og:image" content="${href}">`
/** A green square of 4990 × 4990 pixels, in a few hundred bytes. */
const BOMB = Buffer.from(
  'AAAAHGZ0eXBhdmlmAAAAAG1pZjFhdmlmbWlhZgAAANZtZXRhAAAAAAAAACFoZGxyAAAAAAAAAABwaWN0AAAAAAAAAAAAAAAAAAAAACJpbG9jAAAAAERAAAEAAQAAAAAA+gABAAAAAAAAAa4AAAAjaWluZgAAAAAAAQAAABVpbmZlAgAAAAABAABhdjAxAAAAAA5waXRtAAAAAAABAAAAVmlwcnAAAAA4aXBjbwAAAAxhdjFDgTACAAAAABRpc3BlAAAAAAAAE34AABN+AAAAEHBpeGkAAAAAAwgICAAAABZpcG1hAAAAAAAAAAEAAQOBAgMAAAG2bWRhdBIACgo8Myb7N9aQENBpMp0DETEJi5OmmmmFjYEAAGPPyir3GXnC6ByUKT2FoIqDjqDwZOraqMCa59Po2Vm/w+9jP7vh+L+qUveFaOLOnzAFcWH3hIdceV0EAvZre6Y7XfyPjXLeGWmsM59kqUrEWWrNYQjhJw21IwIkd8qnTXHVEJicZc/KRGP8gOVXAQ55GlgJWM3KmbhxMXNXUMl8ZSD9VwTphageQjSu0vdfOUezrbGYpI89jeew4oQLEGwfWbZXY6FUZw674GRI+fmgsiCk5cV6xo7vZ0syN8mVaX77szZg3KP0JgpXIWXPykRj/IDlVwEOeRpYCVir5tkeK/OXmEF+OjIHA/BwoVb1z3kmuGiCJ3ys77SJdEkjt5R4zlv6qZQ8bYlAdjlbaMyDePLYETL0Ze5XPAQqd9iD9l/wQIJ+9JO9Xzu2paNveA8KSWnPykRWJfk8Odq9mRLqyvX/I230vgncZKpkRA9l6ZW1qPApZDw9Mx1G4TxnyezEoEPpwdy04TC2eio2ZH4uTXstP8sJFs12fiMiyv6TkzbjmIwdjsr6Du9detXY8EA=',
  'base64',
)

/** Paths that the start page links to. */
export const LINKED = [
  '/plain',
  '/plain#part',
  '/plain?utm_source=letter',
  '/private/secret',
  '/loop-a',
  '/chain/0',
  '/leaves',
  '/flaky',
  '/always-500',
  '/busy',
  '/hangs',
  '/drops',
  '/huge',
  '/bomb',
  '/not-html',
  '/no-type.html',
  '/latin1',
  '/wrong-charset',
  '/calendar/2026/11',
  '/grow/a',
  '/shop?order=0',
  '/session/1?PHPSESSID=a1',
  '/moved',
  '/script',
  '/inner-picture',
  '/many-pictures',
  '/picture-bombs',
  '/drawing',
]

/**
 * @param limits.hugeBytes size of /huge
 * @returns the server and its log: one entry a request, with the most that ran at once
 */
export function createHostileServer({ hugeBytes = 50_000_000 } = {}) {
  // Packed once, before anybody waits for it.
  const bomb = gzipSync(Buffer.alloc(60_000_000, ' '))
  const log = []
  const state = { running: 0, most: 0, flaky: 0, busy: 0 }

  const routes = {
    '/': (_url, send) => send(200, page('Start', LINKED.map(link).join(''))),
    '/robots.txt': (_url, send) =>
      send(200, 'User-agent: *\nDisallow: /private\nSitemap: /sitemap-index.xml\n', 'text/plain'),
    '/sitemap-index.xml': (_url, send) =>
      send(
        200,
        '<sitemapindex><sitemap><loc>/sitemap-1.xml.gz</loc></sitemap><sitemap><loc>/sitemap-none.xml</loc></sitemap></sitemapindex>',
        'application/xml',
      ),
    '/sitemap-1.xml.gz': (url, send) =>
      send(
        200,
        gzipSync(
          `<urlset><url><loc>${url.origin}/only-in-sitemap</loc></url><url><loc>https://elsewhere.example/x</loc></url></urlset>`,
        ),
        'application/gzip',
      ),
    // As a generator writes it before launch: production addresses, on a preview server.
    '/sitemap-production.xml': (_url, send) =>
      send(
        200,
        '<sitemapindex><sitemap><loc>https://garden.example/sitemap-part.xml</loc></sitemap></sitemapindex>',
        'application/xml',
      ),
    '/sitemap-part.xml': (_url, send) =>
      send(200, '<urlset><url><loc>https://garden.example/plain</loc></url></urlset>', 'application/xml'),
    '/only-in-sitemap': (_url, send) => send(200, page('Only in the sitemap')),
    '/plain': (_url, send) =>
      send(200, page('Plain', link('/')), HTML, { age: '12', etag: '"abc"', 'cache-control': 'max-age=60' }),
    '/private/secret': (_url, send) => send(200, page('Secret')),
    '/loop-a': (_url, send) => send(302, '', HTML, { location: '/loop-b' }),
    '/loop-b': (_url, send) => send(302, '', HTML, { location: '/loop-a' }),
    '/leaves': (_url, send) => send(302, '', HTML, { location: 'http://elsewhere.example/' }),
    '/flaky': (_url, send) =>
      state.flaky++ === 0
        ? send(503, page('Not yet'), HTML, { 'retry-after': '0' })
        : send(200, page('Flaky, then fine')),
    '/always-500': (_url, send) => send(500, page('Broken', link('/linked-from-an-error'))),
    '/busy': (_url, send) =>
      state.busy++ === 0 ? send(429, '', HTML, { 'retry-after': '1' }) : send(200, page('No longer busy')),
    '/hangs': () => undefined,
    '/drops': (_url, _send, response) => response.destroy(),
    '/huge': (_url, _send, response) => {
      response.writeHead(200, { 'content-type': HTML })
      const filler = Buffer.alloc(65_536, 'x')
      let left = hugeBytes
      response.write(page('Huge').replace('</body></html>', '<p>'))
      const more = () => {
        while (left > 0 && !response.destroyed) {
          left -= filler.length
          if (!response.write(filler)) return response.once('drain', more)
        }
        return response.end()
      }
      more()
    },
    '/bomb': (_url, send) => send(200, bomb, HTML, { 'content-encoding': 'gzip' }),
    '/not-html': (_url, send) => send(200, '%PDF-1.7', 'application/pdf'),
    '/no-type.html': (_url, send) => send(200, page('No type'), ''),
    '/latin1': (_url, send) =>
      send(200, Buffer.from(page('Café').replace('utf-8', 'iso-8859-1'), 'latin1'), 'text/html'),
    '/wrong-charset': (_url, send) => send(200, page('Wrong'), 'text/html; charset=nonsense'),
    '/moved': (_url, send) => send(200, '<meta http-equiv="refresh" content="0; url=/plain">'),
    '/script': (_url, send) =>
      send(200, page('</title><script>document.title="run"</script>', '<img src=x onerror="document.title=\'run\'">')),
    '/inner-picture': (_url, send) =>
      send(
        200,
        page(
          'Inner',
          '',
          '<meta property="og:image" content="http://169.254.169.254/latest/meta-data/"><meta property="og:image" content="http://127.0.0.1:1/x.png">',
        ),
      ),
  }

  Object.assign(routes, {
    '/many-pictures': (_url, send) =>
      send(200, page('Many', '', Array.from({ length: 500 }, (_, index) => share(`/pictures/${index}.png`)).join(''))),
    '/picture-bombs': (_url, send) =>
      send(200, page('Bombs', '', Array.from({ length: 60 }, (_, index) => share(`/bombs/${index}.avif`)).join(''))),
    '/drawing': (_url, send) => send(200, page('Drawing', '', share('/drawing.svg'))),
    // A filter over a huge area: a renderer would take a gigabyte for it.
    '/drawing.svg': (_url, send) =>
      send(
        200,
        '<svg xmlns="http://www.w3.org/2000/svg" width="12000" height="12000"><filter id="f" width="1" height="1"><feTurbulence numOctaves="9"/><feGaussianBlur stdDeviation="900"/></filter><rect width="12000" height="12000" filter="url(#f)"/></svg>',
        'image/svg+xml',
      ),
  })

  /** Families of addresses that never end. */
  const families = [
    [/^\/chain\/(\d+)$/, (found, _url, send) => send(301, '', HTML, { location: `/chain/${Number(found[1]) + 1}` })],
    [
      /^\/calendar\/(\d{4})\/(\d\d)$/,
      (found, _url, send) => {
        const next = new Date(Date.UTC(Number(found[1]), Number(found[2]), 1))
        send(
          200,
          page(
            `Calendar ${found[1]}-${found[2]}`,
            link(`/calendar/${next.getUTCFullYear()}/${String(next.getUTCMonth() + 1).padStart(2, '0')}`),
          ),
        )
      },
    ],
    [
      /^\/grow\/[a/]*$/,
      (_found, url, send) => send(200, page(`Grows ${url.pathname.length}`, link(`${url.pathname}/a`))),
    ],
    [
      /^\/shop$/,
      (_found, url, send) =>
        send(200, page(`Shop ${url.search}`, link(`/shop?order=${Number(url.searchParams.get('order')) + 1}`))),
    ],
    [
      /^\/session\/(\d+)$/,
      (found, _url, send) => send(200, page(`Session ${found[1]}`, link(`/session/1?PHPSESSID=${Math.random()}`))),
    ],
    [/^\/pictures\/\d+\.png$/, (_found, _url, send) => send(404, '', 'image/png')],
    [/^\/bombs\/\d+\.avif$/, (_found, _url, send) => send(200, BOMB, 'image/avif')],
    [
      /^\/behind-login/,
      (_found, _url, send, _response, request) =>
        request.headers.authorization === `Basic ${Buffer.from('ada:secret').toString('base64')}`
          ? send(200, page('Behind the login', link('/behind-login/redirects-away') + link('/behind-login/b')))
          : send(401, page('Login'), HTML, { 'www-authenticate': 'Basic' }),
    ],
  ]

  const server = createServer((request, response) => {
    const url = new URL(request.url, `http://${request.headers.host}`)
    state.running++
    state.most = Math.max(state.most, state.running)
    log.push({ path: url.pathname + url.search, headers: request.headers })
    response.on('close', () => state.running--)
    const send = (status, body, type = HTML, headers = {}) => {
      response.writeHead(status, { ...(type ? { 'content-type': type } : {}), ...headers })
      response.end(body)
    }
    const route = routes[url.pathname]
    if (route && url.pathname !== '/shop') return route(url, send, response, request)
    for (const [pattern, answer] of families) {
      const found = pattern.exec(url.pathname)
      if (found) return answer(found, url, send, response, request)
    }
    return send(404, page('Not found', link('/linked-from-an-error')))
  })
  return { server, log, most: () => state.most }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { values } = parseArgs({ options: { port: { type: 'string', default: '4302' } } })
  const { server } = createHostileServer()
  server.listen(Number(values.port), '127.0.0.1', () => console.log(`http://127.0.0.1:${values.port}/`))
}
