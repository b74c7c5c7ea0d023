// Serves demo/site as a plain file server would: node demo/server.mjs [--port 4301] [--delay MS a page] [--edited]
import { createReadStream, readFileSync } from 'node:fs'
import { stat } from 'node:fs/promises'
import { createServer } from 'node:http'
import { extname, join, normalize, relative, sep } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'

const TYPES = {
  '.html': 'text/html; charset=utf-8',
  '.css': 'text/css',
  '.js': 'text/javascript',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.webp': 'image/webp',
  '.xml': 'application/xml',
  '.txt': 'text/plain; charset=utf-8',
}

/** File that a path means: itself, with .html, or the index of a folder; null when there is none. */
async function fileFor(folder, pathname) {
  const path = normalize(join(folder, decodeURIComponent(pathname)))
  if (path !== folder && !path.startsWith(folder + sep)) return null
  const tries = pathname.endsWith('/') ? [join(path, 'index.html')] : [path, `${path}.html`, join(path, 'index.html')]
  for (const file of tries) {
    const found = await stat(file).catch(() => null)
    if (found?.isFile()) return { file, bytes: found.size, changedAt: found.mtime }
  }
  return null
}

/** What changes with the file, as a file server tells it (RFC 9110, 8.8.3). */
const tagOf = ({ bytes, changedAt }) => `W/"${bytes.toString(36)}-${changedAt.getTime().toString(36)}"`

/** Files that an edit takes away, by their path in the build. */
function goneFrom(overlay) {
  if (overlay === null) return new Set()
  return new Set(readFileSync(join(overlay, 'gone.txt'), 'utf8').split('\n').filter(Boolean))
}

/**
 * @param {string} folder
 * @param {{ delayMs?: number, overlay?: string | null }} options `delayMs`: wait before each page, so that progress can
 * be watched. `overlay`: folder whose files stand in place of those of the first, and whose gone.txt names those that are
 * not there
 */
export function serveFolder(folder, { delayMs = 0, overlay = null } = {}) {
  const gone = goneFrom(overlay)
  const find = async (pathname) => {
    const edited = overlay === null ? null : await fileFor(overlay, pathname)
    if (edited) return edited
    const found = await fileFor(folder, pathname)
    return found && gone.has(relative(folder, found.file).split(sep).join('/')) ? null : found
  }
  return createServer(async (request, response) => {
    try {
      const { pathname } = new URL(request.url ?? '/', 'http://localhost')
      const found = await find(pathname)
      const type = TYPES[extname(found?.file ?? '')] ?? 'application/octet-stream'
      if (delayMs > 0 && (!found || type.startsWith('text/html'))) await wait(delayMs)
      if (!found) {
        response
          .writeHead(404, { 'content-type': 'text/html; charset=utf-8' })
          .end('<!doctype html><title>Not found</title><h1>Not found</h1>')
        return
      }
      const headers = { etag: tagOf(found), 'last-modified': found.changedAt.toUTCString() }
      if (request.headers['if-none-match'] === headers.etag) {
        response.writeHead(304, headers).end()
        return
      }
      response.writeHead(200, { ...headers, 'content-type': type, 'content-length': found.bytes })
      createReadStream(found.file).pipe(response)
    } catch {
      response.writeHead(400).end()
    }
  })
}

/** Starts a server on loopback. @returns its address once it listens */
export function listen(server, port) {
  return new Promise((resolve, reject) => {
    server.once('error', reject)
    server.listen(port, '127.0.0.1', () => resolve(`http://127.0.0.1:${server.address().port}/`))
  })
}

export const demoFolder = fileURLToPath(new URL('./site', import.meta.url))
/** What an edit changes of the demo, see {@link serveFolder}. */
export const editedFolder = fileURLToPath(new URL('./edited', import.meta.url))

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const { values } = parseArgs({
    options: {
      port: { type: 'string', default: '4301' },
      delay: { type: 'string', default: '0' },
      edited: { type: 'boolean' },
    },
  })
  const options = { delayMs: Number(values.delay), overlay: values.edited ? editedFolder : null }
  console.log(await listen(serveFolder(demoFolder, options), Number(values.port)))
}
