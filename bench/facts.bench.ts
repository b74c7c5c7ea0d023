import { load } from 'cheerio'
import { Parser } from 'htmlparser2'
import { type DefaultTreeAdapterMap, parse } from 'parse5'
import { decodeHtml, readPage } from '../src/core/page'
import { adversaries, corpora } from './facts-corpora'
import { medianMs, mediansInTurn, report } from './measure'

type Node = DefaultTreeAdapterMap['node']

/** (a) The tree, and a walk over it that picks what a card needs. */
function byTree(text: string): number {
  let found = 0
  const stack: Node[] = [parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false })]
  while (stack.length > 0) {
    const node = stack.pop()!
    if ('tagName' in node && /^(?:title|meta|link|base|html|script|a|area|img|h1|p)$/.test(node.tagName))
      found += node.attrs.length
    if ('childNodes' in node) for (let at = node.childNodes.length - 1; at >= 0; at--) stack.push(node.childNodes[at]!)
  }
  return found
}

/** (b) As a developer would write it by hand. */
function byQueries(text: string): number {
  const $ = load(text)
  const metas = $('meta')
    .map((_, element) => [[$(element).attr('name') ?? $(element).attr('property'), $(element).attr('content')]])
    .get()
  const links = $('link[rel]')
    .map((_, element) => $(element).attr('href'))
    .get()
  const hrefs = $('a[href], area[href]')
    .map((_, element) => $(element).attr('href'))
    .get()
  const images = $('img')
    .map((_, element) => $(element).attr('src'))
    .get()
  const scripts = $('script[type="application/ld+json"]')
    .map((_, element) => $(element).text())
    .get()
  return (
    $('title').first().text().length +
    $('h1').first().text().length +
    $('p').first().text().length +
    metas.length +
    links.length +
    hrefs.length +
    images.length +
    scripts.length
  )
}

/** (c) One pass of a tokenizing parser that gathers the same facts, without saying where anything belongs. */
function byEvents(text: string): number {
  const metas: Record<string, string>[] = []
  const links: Record<string, string>[] = []
  const hrefs: string[] = []
  const images: string[] = []
  const texts: Record<string, string> = {}
  let open = ''
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === 'meta') metas.push({ ...attributes, at: String(parser.startIndex) })
      else if (name === 'link') links.push(attributes)
      else if (name === 'a' || name === 'area') hrefs.push(attributes['href'] ?? '')
      else if (name === 'img') images.push(attributes['src'] ?? '')
      else if ((name === 'title' || name === 'h1' || name === 'p') && !texts[name]) open = name
    },
    ontext(data) {
      if (open !== '') texts[open] = (texts[open] ?? '') + data
    },
    onclosetag(name) {
      if (name === open) open = ''
    },
  })
  parser.end(text)
  return metas.length + links.length + hrefs.length + images.length
}

/** (d) The floor: a walk from one `<` to the next. */
function byLess(text: string): number {
  let count = 0
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) count++
  return count
}

function ours(text: string): number {
  const { facts, hrefs } = readPage({ text, encoding: 'utf-8', from: 'header', bomBytes: 0, byteLength: text.length })
  return facts.metas.length + hrefs.length
}

/** One run each: these take long, and only the order of growth is asked for. */
function onceMs(task: () => unknown): number {
  const startedAt = performance.now()
  task()
  return performance.now() - startedAt
}

/** Facts of whole corpora against other ways to get them; then what adversarial input costs as it doubles. */
export async function run(): Promise<void> {
  for (const { name, pages } of corpora()) {
    const megabytes = pages.reduce((sum, page) => sum + page.length, 0) / 1e6
    const over = (read: (text: string) => number) => () => {
      let sum = 0
      for (const page of pages) sum += read(page)
      return sum
    }
    console.log(`${name}: ${pages.length} pages, ${megabytes.toFixed(1)} MB`)
    // Two of them take a hundred times as long as the others: fewer turns are enough for those.
    const [slowMine, tree, queries] = await mediansInTurn([over(ours), over(byTree), over(byQueries)], 5)
    const [mine, events, walk] = await mediansInTurn([over(ours), over(byEvents), over(byLess)], 25)
    report('  ours, all facts', mine!)
    console.log(`    ${(megabytes / (mine! / 1000)).toFixed(0)} MB/s`)
    for (const [what, other, own] of [
      ['(a) parse5 tree and a walk', tree!, slowMine!],
      ['(b) cheerio and queries', queries!, slowMine!],
      ['(c) htmlparser2, one pass', events!, mine!],
      ['(d) indexOf("<")', walk!, mine!],
    ] as const) {
      const ratio =
        other >= own
          ? `ours is ${(other / own).toFixed(1)} × as fast`
          : `ours takes ${(own / other).toFixed(1)} × as long`
      console.log(`  ${what.padEnd(42)} ${other.toFixed(1).padStart(9)} ms  ${ratio}`)
    }
  }
  console.log('adversarial input: time of 2 MB against that of 1 MB (2 is linear)')
  for (const [at, { name, html }] of adversaries(1_000_000).entries()) {
    const half = onceMs(() => ours(html))
    const whole = adversaries(2_000_000)[at]!.html
    const full = onceMs(() => ours(whole))
    console.log(`  ${name.padEnd(42)} ${full.toFixed(0).padStart(7)} ms  ${(full / half).toFixed(1)}`)
  }
  console.log('charset and decoding of 1 MB:')
  const bytes = new TextEncoder().encode(corpora()[1]!.pages.slice(0, 10).join(''))
  report('  decodeHtml', await medianMs(() => decodeHtml(bytes, null)))
}
