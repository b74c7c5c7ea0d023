// Serves made-up pages for benchmarks, in a process of its own: node bench/page-server.mjs PAGES
import { createServer } from 'node:http'

const count = Number(process.argv[2])
const SENTENCE = 'A lamp that flickers is a lamp that asks for a new switch, and sometimes for a new plug as well. '
const body = (index) =>
  Array.from(
    { length: 60 },
    (_, part) => `<h2>Part ${part} of ${index}</h2><p class="text">${SENTENCE.repeat(3)}</p>`,
  ).join('\n')
const links = (index) =>
  Array.from({ length: 12 }, (_, step) =>
    index * 12 + step + 1 < count
      ? `<li><a href="/s${(index * 12 + step + 1) % 9}/p${index * 12 + step + 1}">next</a></li>`
      : '',
  ).join('')
const page = (index) => `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Page ${index} | Bench</title>
<meta name="description" content="Page ${index}: ${SENTENCE}"><meta property="og:title" content="Page ${index}"><meta name="twitter:card" content="summary">
</head><body><nav><ul>${links(index)}</ul></nav><main><h1>Page ${index}</h1>${body(index)}</main></body></html>`

const server = createServer((request, response) => {
  const found = /^\/(?:s\d+\/p(\d+))?$/.exec(request.url)
  if (!found || Number(found[1] ?? 0) >= count) return response.writeHead(404).end()
  return response.writeHead(200, { 'content-type': 'text/html; charset=utf-8' }).end(page(Number(found[1] ?? 0)))
})
server.listen(0, '127.0.0.1', () => process.send?.(server.address().port))
