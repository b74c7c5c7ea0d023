import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const demo = fileURLToPath(new URL('../demo/site', import.meta.url))

function htmlFiles(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return htmlFiles(path)
    return name.endsWith('.html') ? [path] : []
  })
}

const WORDS =
  'the lamp asks for a new switch and sometimes for another plug when its cord has been pulled too often by hand'
const words = WORDS.split(' ')
const sentence = (seed: number, length: number) =>
  Array.from({ length }, (_, index) => words[(seed * 7 + index * 5 + ((index * seed) % 11)) % words.length]).join(' ')

const head = (index: number) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Part ${index} | Handbook</title>
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="description" content="${sentence(index, 20)}">
<meta property="og:title" content="Part ${index}"><meta property="og:image" content="https://brasswick.example/p/${index}.png">
<meta name="twitter:card" content="summary_large_image"><link rel="canonical" href="https://brasswick.example/part/${index}">
<link rel="icon" href="/icon.svg" type="image/svg+xml"><link rel="stylesheet" href="/site.css">
<script type="application/ld+json">{"@context":"https://schema.org","@type":"Article","headline":"Part ${index}"}</script>
</head>`

/** A page as a generator of documentation writes it: a long side list, code with many spans, tables. */
function docsPage(index: number, size: number): string {
  const aside = Array.from(
    { length: 150 },
    (_, item) =>
      `<li class="nav-item level-${item % 3}"><a href="/part/${item}" class="nav-link${item === index ? ' is-here' : ''}"><span>${sentence(item, 3)}</span></a></li>`,
  ).join('\n')
  const parts: string[] = []
  let length = 0
  for (let part = 0; length < size - aside.length; part++) {
    const piece = `<h2 id="s${part}">${sentence(part, 4)}<a class="anchor" href="#s${part}" aria-label="Link">#</a></h2>
<p>${sentence(part, 40)} <a href="/part/${part}">${sentence(part, 3)}</a> ${sentence(part + 1, 25)} <code>${sentence(part, 1)}</code>.</p>
<pre class="code"><code>${Array.from({ length: 8 }, (_, line) => `<span class="line"><span class="k">const</span> <span class="v">a${line}</span> = <span class="n">${line}</span>;</span>`).join('\n')}</code></pre>
<table><thead><tr><th>Name<th>Use</thead><tbody>${Array.from({ length: 4 }, (_, row) => `<tr><td><code>${words[row]}</code></td><td>${sentence(row, 9)}</td></tr>`).join('')}</tbody></table>`
    parts.push(piece)
    length += piece.length
  }
  return `${head(index)}<body><header><a href="/">Home</a></header><nav><ul>${aside}</ul></nav><main><h1>Part ${index}</h1>
${parts.join('\n')}</main><footer><p>${sentence(index, 12)}</p></footer></body></html>`
}

/** A page most of which is script: data for the client, and styles. */
function scriptPage(index: number): string {
  const data = JSON.stringify(
    Array.from({ length: 500 }, (_, row) => ({ id: row, text: sentence(row, 12), html: '<b>x</b>' })),
  )
  const style = `<style>${Array.from({ length: 200 }, (_, row) => `.c${row}>a{color:#${100 + row}}`).join('')}</style>`
  return `${head(index).replace('</head>', `${style}</head>`)}<body><div id="app"><main><h1>Part ${index}</h1><p>${sentence(index, 30)}</p>
<img src="/p/${index}.png" width="1200" height="630" alt=""></main></div><script>self.data=${data.replaceAll('</', '<\\/')}</script><script src="/app.js" type="module"></script></body></html>`
}

/** The text as a decoder hands it over: in one piece, not as the parts it was put together from. */
const flat = (text: string) => Buffer.from(text, 'utf8').toString('utf8')

/** Texts of pages by corpus. */
export function corpora(): { name: string; pages: string[] }[] {
  const demoPages = htmlFiles(demo).map((file) => readFileSync(file, 'utf8'))
  return [
    { name: 'the demo, 20 times', pages: Array.from({ length: 20 }, () => demoPages).flat() },
    {
      name: 'documentation, 100 KB pages',
      pages: Array.from({ length: 60 }, (_, index) => flat(docsPage(index, 100_000))),
    },
    { name: 'pages that are mostly script', pages: Array.from({ length: 60 }, (_, index) => flat(scriptPage(index))) },
  ]
}

/** Input made to cost more than its length. */
export function adversaries(size: number): { name: string; html: string }[] {
  const settled = `<main><h1>Lamps</h1><p>${WORDS.repeat(4)}</p></main>`
  const fill = (piece: string, length = size) => piece.repeat(Math.ceil(length / piece.length))
  return [
    { name: '<', html: fill('<') },
    { name: 'unclosed quote', html: `<meta content="${fill('a')}` },
    { name: 'unclosed comment', html: `<!--${fill('- <')}` },
    { name: 'unclosed script', html: `<script>${fill('</scrip')}` },
    { name: 'escaped script', html: `<script><!--${fill('<script></script>')}` },
    { name: 'nested div', html: fill('<div>') },
    { name: 'nested p in div', html: `${fill('<div>', size / 2)}${fill('<p>x')}` },
    { name: 'nested span, </x>', html: `<x><div>${fill('<span>', size / 2)}${fill('</x>')}` },
    { name: 'nested div, li', html: `<ul><li>${fill('<div>', size / 2)}${fill('<li></li>')}` },
    { name: 'open b in every p', html: fill('<p><b id=1>x') },
    { name: 'open b in every p of an object', html: `<object>${fill('<p><b id=1>x')}` },
    { name: 'unclosed a', html: fill('<a href=x>') },
    { name: 'nested table', html: fill('<table><tr><td>') },
    { name: 'nested svg g, </x>', html: `<svg><x><foreignObject><div><svg>${fill('<g>', size / 2)}${fill('</x>')}` },
    { name: 'one tag, many attributes', html: `<meta ${fill('a=b ')}>` },
    { name: 'forms closed out of order', html: fill('<form><div></form>') },
    { name: 'nested select, option', html: `<select>${fill('<option><optgroup>')}` },
    { name: 'p in button in p', html: fill('<p>some words here<button>') },
    { name: 'skimmed, and read after all', html: `${settled}${fill('<a href=/x>x</a><template></template>')}` },
    { name: 'skimmed drawings that end askew', html: `${settled}${fill('<div><svg><g></div>')}` },
    { name: 'navigation without an end', html: `<body>${fill('<nav><div>')}` },
    { name: 'navigation that ends askew', html: `<body>x${fill('<nav><div></nav>')}` },
  ]
}
