import { expect, it } from 'vitest'
import type { PictureEntry } from '@/core/check'
import type { Draft } from '@/core/draft'
import { composeSections, pagesToFill } from './compose-sections'

const url = (path: string) => `https://brasswick.example${path}`
const row = (path: string, section: string, status: number | null = 200) => ({ url: url(path), path, section, status })
const entry = (...paths: string[]): PictureEntry => ({
  url: url(`/img/${paths.length}.jpg`),
  uses: paths.map((path) => ({ page: url(path), keys: ['og:image'], alt: null, kind: null })),
  contentOf: [],
  findings: [],
  same: [],
  alike: [],
})
const draft = (image: string | null, landedAt: string | null = null) => ({ fields: { image }, landedAt }) as Draft

const rows = [
  row('/guides/a', '/guides/*'),
  row('/guides/b', '/guides/*'),
  row('/guides/c', '/guides/*'),
  row('/guides/gone', '/guides/*', 404),
  row('/tools/a', '/tools/*'),
  row('/tools/b', '/tools/*', null),
]

it('tells pages with a picture of their own from those that share one, and those without', () => {
  const book = [entry('/guides/a'), entry('/guides/b', '/guides/c', '/tools/a')]
  const sections = composeSections(rows, book, new Map())
  expect(sections.map(({ section, without }) => [section, without])).toEqual([
    ['/tools/*', 1],
    ['/guides/*', 0],
  ])
  expect(sections[1]!.pages.map(({ path, has }) => [path, has])).toEqual([
    ['/guides/a', 'own'],
    ['/guides/b', 'shared'],
    ['/guides/c', 'shared'],
  ])
})

it('calls a picture on two pages their own, and one beside a shared one too', () => {
  expect(composeSections(rows, [entry('/guides/a', '/guides/b')], new Map())[1]!.pages[0]!.has).toBe('own')
  const both = [entry('/guides/a'), entry('/guides/a', '/guides/b', '/guides/c')]
  for (const book of [both, [...both].reverse()])
    expect(composeSections(rows, book, new Map())[1]!.pages[0]!.has).toBe('own')
})

it('fills what has none, composes again what it composed, and leaves what was drafted by hand', () => {
  const drafts = new Map([
    [url('/guides/a'), draft(url('/share/guides-a.jpg'))],
    [url('/guides/b'), draft(url('/img/by-hand.jpg'))],
    [url('/guides/c'), draft(url('/img/long-in-the-build.jpg'), '2026-01-01T00:00:00Z')],
  ])
  const guides = composeSections(rows, [], drafts).find(({ section }) => section === '/guides/*')!
  expect([guides.without, guides.drafted]).toEqual([1, 2])
  const base = url('/share/')
  const paths = (fills: 'none' | 'shared' | 'all') => pagesToFill(guides, fills, base).map(({ path }) => path)
  expect(paths('none')).toEqual(['/guides/a', '/guides/c'])
  expect(paths('all')).toEqual(['/guides/a', '/guides/b', '/guides/c'])
})
