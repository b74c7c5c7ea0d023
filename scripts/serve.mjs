// Serves the built app: node scripts/serve.mjs [--port 4300]. On loopback, unless NIMBLE_PARROT_HOST says otherwise.
import { createServer } from 'node:http'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { root } from './setup.mjs'

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
 * @param {{ port: number, host?: string }} options
 * @returns the server, once it listens
 */
export async function serve({ port, host = '127.0.0.1' }) {
  process.env.NODE_ENV ??= 'production'
  const { default: next } = await import('next')
  const app = next({ dev: false, dir: root, hostname: host, port })
  await app.prepare()
  const handle = app.getRequestHandler()
  const server = createServer((request, response) => {
    for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value)
    if (!isReadable(request.url)) {
      response.writeHead(307, { location: '/' }).end()
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

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { values } = parseArgs({ options: { port: { type: 'string', default: '4300' } } })
  const host = process.env.NIMBLE_PARROT_HOST ?? '127.0.0.1'
  serve({ port: Number(values.port), host }).catch((error) => {
    console.error(error.message)
    process.exit(1)
  })
}
