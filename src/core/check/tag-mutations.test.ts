import { describe, expect, test } from 'vitest'
import type { Gathering } from '../model'
import { gatherMemory } from '../testing/build-run'
import { crawlMemory, type TestAnswer } from '../testing/crawl-run'
import { GOOD_SITE, goodPage, goodSite } from '../testing/good-site'
import { runChecks } from './run-checks'

const PAGE = goodPage('about.html', 'Ferns')

/** What can happen to any one tag of a page; each takes the tag's line. */
const WAYS = {
  removed: (tag: string) => PAGE.replace(`${tag}\n`, ''),
  emptied: (tag: string) => PAGE.replace(tag, emptied(tag)),
  'repeated, the same': (tag: string) => PAGE.replace(tag, `${tag}\n${tag}`),
  'repeated, another': (tag: string) => PAGE.replace(tag, `${tag}\n${spoilt(tag)}`),
  'in the body': (tag: string) => PAGE.replace(`${tag}\n`, '').replace('<main>', `<main>${tag}`),
  'in a comment': (tag: string) => PAGE.replace(tag, `<!-- ${tag} -->`),
  'in a template': (tag: string) => PAGE.replace(tag, `<template>${tag}</template>`),
  'in a noscript': (tag: string) => PAGE.replace(tag, `<noscript>${tag}</noscript>`),
} satisfies Record<string, (tag: string) => string>
type Way = keyof typeof WAYS

const emptied = (tag: string) => tag.replace(/(content|href|charset)="[^"]*"/, '$1=""').replace(/>[^<]+<\//, '></')
const spoilt = (tag: string) =>
  tag
    .replace(/(content|href)="([^"]*)"/, '$1="$2x"')
    .replace(/charset="[^"]*"/, 'charset="iso-8859-1"')
    .replace('</title>', 'x</title>')

/** As if it were not there: what each way of hiding a tag comes to. */
const gone = (...ids: string[]): Partial<Record<Way, string[]>> => ({
  removed: ids,
  'in a comment': ids,
  'in a template': ids,
})
const twice = { 'repeated, the same': ['tag-repeated-same'], 'repeated, another': ['tag-repeated'] }
const outside = { 'in the body': ['tag-outside-head'] }

/** Ids that each way raises on each tag of the impeccable page; where none is given, nothing must be said. */
const TABLE: Record<string, Partial<Record<Way, string[]>>> = {
  '<meta charset': {
    ...gone('charset-late'),
    emptied: ['charset-late'],
    // The first that is found counts, wherever the parser puts it.
  },
  // Of several titles, and of one in the body, the standard takes the first; one in a noscript ends that, and stands.
  '<title': { ...gone('title-missing'), emptied: ['title-missing'] },
  // og:description says it as well: nothing is lost.
  'name="description"': { emptied: ['tag-empty'], ...twice, ...outside },
  'rel="canonical"': {
    ...gone('canonical-missing'),
    emptied: ['canonical-missing'],
    'repeated, the same': ['tag-repeated-same'],
    // It is followed, and is not there.
    'repeated, another': ['address-dead', 'tag-repeated'],
    ...outside,
  },
  '"og:type"': {
    ...gone('og-type-missing'),
    emptied: ['og-type-missing'],
    ...twice,
    'repeated, another': ['og-type-unknown', 'tag-repeated'],
    ...outside,
  },
  '"og:site_name"': {
    ...gone('site-name-missing'),
    emptied: ['site-name-missing'],
    ...twice,
    ...outside,
  },
  '"og:title"': { ...gone('og-title-missing'), emptied: ['og-title-missing'], ...twice, ...outside },
  '"og:description"': {
    ...gone('og-description-missing'),
    emptied: ['og-description-missing'],
    ...twice,
    ...outside,
  },
  '"og:url"': {
    ...gone('og-url-missing'),
    emptied: ['og-url-missing'],
    'repeated, the same': ['tag-repeated-same'],
    'repeated, another': ['address-differs', 'tag-repeated'],
    ...outside,
  },
  '"og:image"': {
    ...gone('og-image-missing'),
    emptied: ['og-image-missing'],
    // What is declared of a size belongs to the picture before it: the other one has none.
    'repeated, the same': ['image-size-undeclared', 'tag-repeated-same'],
    'repeated, another': ['image-size-undeclared', 'image-unreachable'],
    'in the body': ['image-size-undeclared', 'tag-outside-head'],
  },
  '"og:image:width"': {
    ...gone('image-size-undeclared'),
    emptied: ['image-size-undeclared', 'tag-empty'],
    ...twice,
    'repeated, another': ['image-size-mismatch', 'tag-repeated'],
    ...outside,
  },
  '"og:image:height"': {
    ...gone('image-size-undeclared'),
    emptied: ['image-size-undeclared', 'tag-empty'],
    ...twice,
    'repeated, another': ['image-size-mismatch', 'tag-repeated'],
    ...outside,
  },
  '"og:image:alt"': { ...gone('image-alt-missing'), emptied: ['image-alt-missing'], ...twice, ...outside },
  '"twitter:card"': {
    ...gone('card-missing'),
    emptied: ['card-missing'],
    'repeated, the same': ['tag-repeated-same'],
    'repeated, another': ['card-unknown', 'tag-repeated'],
    ...outside,
  },
}

const idsIn = (gathering: Gathering): string[] => {
  const { pages, findings } = runChecks(gathering)
  return [...new Set([...pages.flatMap((page) => page.findings), ...findings].map(({ rule }) => rule))].sort()
}

test('the table has every tag of the impeccable page', () => {
  const head = /<head>\n([\s\S]*)\n<\/head>/.exec(PAGE)![1]!.split('\n')
  expect(Object.keys(TABLE)).toHaveLength(head.length)
  for (const [index, sign] of Object.keys(TABLE).entries()) expect(head[index]).toContain(sign)
})

describe.each(Object.entries(TABLE))('%s', (sign, raised) => {
  const tag = PAGE.split('\n').find((line) => line.includes(sign))!
  test.each(Object.entries(WAYS))('%s', async (way, mutate) => {
    const gathering = await gatherMemory(goodSite({ 'about.html': mutate(tag) }), GOOD_SITE)
    expect(idsIn(gathering)).toEqual(raised[way as Way] ?? [])
  })
})

describe('answers', () => {
  const files = goodSite()
  const served = (change: (path: string) => TestAnswer | null) =>
    crawlMemory(GOOD_SITE, ({ url }) => {
      const path = new URL(url).pathname.slice(1) || 'index.html'
      const changed = change(path)
      const own = files[path]
      if (changed?.status !== undefined && changed.status !== 200) return changed
      if (own === undefined) return { status: 404 }
      const body = typeof own === 'string' ? own : String.fromCharCode(...own)
      return { body, ...changed, headers: { ...typeOf(path), ...changed?.headers } }
    })
  const typeOf = (path: string) => ({
    'content-type': path.endsWith('.html')
      ? 'text/html; charset=utf-8'
      : path.endsWith('.xml')
        ? 'application/xml'
        : 'image/png',
  })
  /** Pictures in memory are no text: what is said of them is the other table's. */
  const idsOfPages = async (change: (path: string) => TestAnswer | null) =>
    idsIn(await served(change)).filter((id) => !id.startsWith('image-') && id !== 'favicon-missing')

  const about = (answer: TestAnswer) => (path: string) => (path === 'about.html' ? answer : null)

  test.each<[string, (path: string) => TestAnswer | null, string[]]>([
    ['nothing changed', () => null, []],
    [
      'X-Robots-Tag: noindex',
      about({ headers: { 'x-robots-tag': 'noindex' } }),
      ['page-noindex', 'sitemap-lists-hidden'],
    ],
    ['X-Robots-Tag for another crawler', about({ headers: { 'x-robots-tag': 'somebot: noindex' } }), []],
    ['no charset in the header: the tag says it', about({ headers: { 'content-type': 'text/html' } }), []],
    ['a page that is not there', about({ status: 404 }), ['page-unreachable']],
    ['a page that fails', about({ status: 410 }), ['page-unreachable']],
    [
      'robots.txt closes one page',
      (path) => (path === 'robots.txt' ? { status: 200, body: 'User-agent: *\nDisallow: /about' } : null),
      [],
    ],
  ])('%s', async (_name, change, ids) => expect(await idsOfPages(change)).toEqual(ids))
})
