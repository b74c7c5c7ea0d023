import { describe, expect, test } from 'vitest'
import { AddressSecrets, createUrlFilter, globMatcher, isAllowed, parseRobots, withoutValues } from '../address'
import { findCauses } from '../cause'
import { createCheckContext, runChecks } from '../check'
import { DocumentReader, readSigners } from '../document'
import { readTextTable } from '../draft'
import { decodeHtml, readPage } from '../page'
import { sourceFileOf } from '../requirements'
import { entryNameFault, fittingPath, nearestWord } from '../text'
import { gatherMemory } from './build-run'
import { expectDoubling } from './doubling'
import { GOOD_SITE, goodSite } from './good-site'

const read = (html: string) => readPage(decodeHtml(new TextEncoder().encode(html), 'text/html; charset=utf-8'))

const tableOf = (rows: string) => readTextTable(`url,title\n${rows}`, GOOD_SITE, new Map(), new Map())

const LETTERS = 'abcdefghijklmnopqrstuvwxyz'
const nameOf = (index: number) => `${LETTERS[index % 26]}${LETTERS[Math.floor(index / 26) % 26]}`

/** A page whose head holds so many of something. */
const pageOf = (count: number, tag: (index: number) => string) =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>A page of many</title>${Array.from({ length: count }, (_, index) => tag(index)).join('')}</head><body><h1>Many</h1></body></html>`

/** All that a run does with one page, from its bytes to its causes. */
async function judging(html: string): Promise<() => unknown> {
  const gathering = await gatherMemory(goodSite({ 'about.html': html }), GOOD_SITE)
  return () => {
    const context = createCheckContext(gathering)
    const verdict = runChecks(gathering, context)
    return findCauses(context, verdict.pages, verdict.findings, verdict.waived)
  }
}

test('what grows faster is told', async () => {
  const cube = (size: number) => () => {
    let sum = 0
    for (let a = 0; a < size ** 3; a++) sum += a % 7
    return sum
  }
  await expect(expectDoubling(20, cube)).rejects.toThrow('times as long')
}, 120_000)

describe('a page with twice as much of something takes no more than twice as long', { timeout: 240_000 }, () => {
  test.each<[string, number, (index: number) => string]>([
    ['near-miss names', 300, (index) => `<meta property="og:image${nameOf(index)}" content="x">`],
    ['unknown names', 300, (index) => `<meta property="og:x${index}" content="x">`],
    ['images', 150, (index) => `<meta property="og:image" content="/img/${index}.png">`],
    ['icons', 300, (index) => `<link rel="icon" href="/i${index}.png">`],
    ['canonicals', 300, (index) => `<link rel="canonical" href="/c${index}">`],
    ['titles', 300, (index) => `<meta property="og:title" content="T${index}">`],
    ['JSON-LD', 100, (index) => `<script type="application/ld+json">{"@type":"Product","name":"${index}"}</script>`],
  ])('%s', async (_name, size, tag) => {
    const runs = new Map<number, () => unknown>()
    const runOf = async (at: number) => runs.get(at) ?? runs.set(at, await judging(pageOf(at, tag))).get(at)!
    await expectDoubling(size, (at) => async () => (await runOf(at))())
  })
})

describe('twice as long a text takes no more than twice as long', { timeout: 120_000 }, () => {
  const url = (count: number) =>
    `https://a.example/?${Array.from({ length: count }, (_, at) => `token=${at}`).join('&')}`
  const cases: [string, number, (size: number) => () => unknown][] = [
    ['a URL of secrets', 500, (size) => () => new AddressSecrets().take(url(size), 'user')],
    [
      'a text that echoes a secret',
      500,
      (size) => {
        const scrub = withoutValues([['token', 'abcdefgh']], [])
        return () => scrub('?token=abcdefgh&'.repeat(size))
      },
    ],
    [
      'rules of robots.txt with stars',
      200,
      (size) => {
        const rules = parseRobots(
          `User-agent: *\n${Array.from({ length: size }, (_, at) => `Disallow: /*a*b${at}`).join('\n')}`,
        )
        return () =>
          Array.from({ length: 20 }, (_, at) => isAllowed(rules, 'NimbleParrot', `/${'ab'.repeat(200)}${at}`))
      },
    ],
    [
      'a glob of stars',
      20,
      (size) => {
        const matches = globMatcher(`/${'*a'.repeat(Math.min(size, 480))}b`)
        return () => Array.from({ length: 200 }, () => matches(`/${'a'.repeat(900)}`))
      },
    ],
    [
      'globs',
      10,
      (size) => {
        const include = Array.from({ length: size }, (_, at) => `/**/x${at}/**`)
        const filter = createUrlFilter(include, [], GOOD_SITE)
        return () => Array.from({ length: 200 }, (_, at) => filter(`${GOOD_SITE}a/b/c/d/${at}`))
      },
    ],
    [
      'where a page is written',
      20,
      (size) => () => sourceFileOf(`/${'a'.repeat(900)}`, [{ from: `/${'*a'.repeat(Math.min(size, 480))}b`, to: 'x' }]),
    ],
    [
      'a document',
      500,
      (size) => () => {
        const reader = new DocumentReader()
        reader.add(`{"pages":[${Array.from({ length: size }, (_, at) => `{"url":"${at}"}`).join(',')}]}`)
        return reader.end()
      },
    ],
    [
      'a table of texts',
      300,
      (size) => () =>
        tableOf(Array.from({ length: size }, (_, at) => `${GOOD_SITE}p${at},"T, ""x"" ${at}"`).join('\n')),
    ],
    ['a table whose quotes never end', 300, (size) => () => tableOf('"a","'.repeat(size))],
    ['signers', 500, (size) => () => readSigners('# x\n'.repeat(size))],
    ['names of files', 500, (size) => () => [entryNameFault('a/'.repeat(size)), fittingPath('..\\a:/'.repeat(size))]],
    ['a misspelt word', 200, (size) => () => nearestWord('x'.repeat(size), ['og:image', 'og:title'])],
    ['a page of open tags', 500, (size) => () => read(`<title>x</title>${'<div><b>'.repeat(size)}`)],
    [
      'a page of attributes',
      500,
      (size) => () => read(`<meta ${Array.from({ length: size }, (_, at) => `a${at}=x`).join(' ')}>`),
    ],
    ['a page of entities', 500, (size) => () => read(`<title>${'&ampamp;&notin'.repeat(size)}</title>`)],
  ]
  test.each(cases)('%s', async (_name, size, make) => {
    await expectDoubling(size, make)
  })
})
