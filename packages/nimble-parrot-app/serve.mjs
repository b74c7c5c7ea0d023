// Serves the built app, within limits that no client can talk it out of.
import { readFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { createRequire } from 'node:module'
import { join } from 'node:path'

/** What an answer has that no route has put anything else in place of: nothing in it can run. */
const HEADERS = {
  'Content-Security-Policy': "default-src 'none'; frame-ancestors 'none'; sandbox",
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'no-referrer',
}

/** Connections held at once: in all, and of one client. A page needs six, and a stream beside them. */
const MAX_CONNECTIONS = 1000
const MAX_OF_CLIENT = 64
/** Time to send the head of a request, and all of it: a list of addresses is a few MB. */
const HEAD_MS = 10_000
const REQUEST_MS = 60_000

/** Bytes of a request that a server for others takes: it holds each in memory before a route sees it. */
const MAX_PUBLIC_BODY = 10_000_000

/** Why a request is not read, as a status; null where it is. A body of unknown length could be of any. */
function refusedBody({ method, headers }) {
  if (process.env.NIMBLE_PARROT_PUBLIC !== '1' || method === 'GET' || method === 'HEAD') return null
  if (headers['content-length'] === undefined) return 411
  return Number(headers['content-length']) > MAX_PUBLIC_BODY ? 413 : null
}

/** A path that can't be taken apart has no view: the framework would answer for it before anything of ours. */
function isReadable(url) {
  try {
    decodeURIComponent(url.split('?', 1)[0])
    return url.startsWith('/') && !url.startsWith('//') && !url.includes('\\')
  } catch {
    return false
  }
}

/** Holds connections under the limits, and forgets a client with its last one. */
function limitConnections(server) {
  const held = new Map()
  server.maxConnections = MAX_CONNECTIONS
  server.on('connection', (socket) => {
    const client = socket.remoteAddress ?? ''
    const count = (held.get(client) ?? 0) + 1
    if (count > MAX_OF_CLIENT) {
      socket.destroy()
      return
    }
    held.set(client, count)
    socket.on('close', () => {
      const left = held.get(client) - 1
      if (left > 0) held.set(client, left)
      else held.delete(client)
    })
  })
}

/**
 * What answers requests for the build in a folder. It is asked for below the framework's own entry, which would bring the
 * compiler and the server for development along: the packed app has neither.
 */
async function requestHandler(dir, host, port) {
  process.env.NODE_ENV ??= 'production'
  const { config } = JSON.parse(readFileSync(join(dir, '.next', 'required-server-files.json'), 'utf8'))
  process.env.__NEXT_PRIVATE_STANDALONE_CONFIG = JSON.stringify(config)
  const { initialize } = createRequire(join(dir, 'package.json'))('next/dist/server/lib/router-server')
  // How long it took to read its own settings is no use to the person who starts the app.
  const { log } = console
  console.log = () => {}
  try {
    const app = await initialize({ dir, port, hostname: host, dev: false, minimalMode: false, quiet: true })
    return app.requestHandler
  } finally {
    console.log = log
  }
}

/**
 * @param {{ dir: string, port: number, host?: string }} options `dir`: where the built app is
 * @returns the server, once it listens
 */
export async function serve({ dir, port, host = '127.0.0.1' }) {
  const handle = await requestHandler(dir, host, port)
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value)
    if (!isReadable(request.url)) {
      response.writeHead(307, { location: '/' }).end()
      return
    }
    const refused = refusedBody(request)
    if (refused !== null) {
      response.writeHead(refused, { 'content-type': 'text/plain', connection: 'close' })
      response.end(`A request has a Content-Length of at most ${MAX_PUBLIC_BODY} bytes.\n`)
      return
    }
    // Whose request it is: what the request itself says of that does not count.
    request.headers['x-nimble-parrot-client'] = request.socket.remoteAddress ?? ''
    handle(request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500, { 'content-type': 'text/plain' })
      response.end('A fault of ours.\n')
    })
  })
  server.headersTimeout = HEAD_MS
  server.requestTimeout = REQUEST_MS
  limitConnections(server)
  await new Promise((resolve, reject) => server.once('error', reject).listen(port, host, resolve))
  return server
}
