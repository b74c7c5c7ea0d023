import { expect, it } from 'vitest'
import { composedNames } from './composed-name'

const site = 'https://brasswick.example/'
const names = (...paths: string[]) => [
  ...composedNames(
    paths.map((path) => new URL(path, site).href),
    site,
    { folder: 'share/', type: 'jpeg' },
  ).values(),
]

it.each([
  ['/', 'share/index.jpg'],
  ['/guides/lamp', 'share/guides-lamp.jpg'],
  ['/guides/lamp/', 'share/guides-lamp.jpg'],
  ['/guides/lamp.html', 'share/guides-lamp.jpg'],
  ['/guides/index.html', 'share/guides.jpg'],
  ['/list?page=2', 'share/list-page-2.jpg'],
  ['/%2e%2e/%2e%2e/etc', 'share/etc.jpg'],
])('names the picture of %s %s', (path, name) => expect(names(path)).toEqual([name]))

it('names no two the same, in letters of any case', () =>
  expect(names('/a/b', '/a-b', '/A/B', '/a/b/')).toEqual([
    'share/a-b.jpg',
    'share/a-b-2.jpg',
    'share/A-B-3.jpg',
    'share/a-b-4.jpg',
  ]))

it('bounds what a long address makes', () => {
  const [name] = names(`/${'x'.repeat(5000)}`)
  expect(name!.length).toBeLessThan(140)
})

it('names pages of a site beneath a base without it', () =>
  expect([
    ...composedNames(['https://x.example/docs/a'], 'https://x.example/docs/', { folder: '', type: 'png' }).values(),
  ]).toEqual(['a.png']))
