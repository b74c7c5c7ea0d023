import { expect, test } from 'vitest'
import { memoryFiles } from '../testing/build-run'
import type { FetchResult } from './read-address'
import { readFromBuild } from './read-from-build'

const elsewhere: FetchResult = { kind: 'failed', code: 'refused', message: 'elsewhere', ms: 0 }
const read = readFromBuild(
  memoryFiles({
    'index.html': 'home',
    'guides/index.html': 'guides',
    'guides/wicks.html': 'wicks',
    'img/a b.png': new Uint8Array([1]),
    'robots.txt': 'User-agent: *',
  }),
  'https://lanterns.example/docs',
  async () => elsewhere,
)
const ask = (url: string) => read({ url, accept: 'page', maxBytes: 100 })
const text = (result: FetchResult) =>
  result.kind === 'answered' ? new TextDecoder().decode(result.body) : result.message

test.each([
  ['https://lanterns.example/docs/', 'home'],
  ['https://lanterns.example/docs/guides/', 'guides'],
  ['https://lanterns.example/docs/guides/wicks', 'wicks'],
  ['https://lanterns.example/docs/guides/wicks.html', 'wicks'],
  ['https://lanterns.example/docs/robots.txt', 'User-agent: *'],
])('%s is a file of the build', async (url, body) => {
  expect(await ask(url)).toMatchObject({ kind: 'answered', status: 200 })
  expect(text(await ask(url))).toBe(body)
})

test('a folder without its slash is sent on, as servers do', async () => {
  expect(await ask('https://lanterns.example/docs/guides')).toMatchObject({
    status: 301,
    headers: { location: 'https://lanterns.example/docs/guides/' },
  })
})

test('names are decoded, and images have their type', async () => {
  expect(await ask('https://lanterns.example/docs/img/a%20b.png')).toMatchObject({
    status: 200,
    headers: { 'content-type': 'image/png' },
  })
})

test('what the build lacks, and what lies beside the site, is not there; other hosts are asked', async () => {
  expect(await ask('https://lanterns.example/docs/none')).toMatchObject({ status: 404 })
  expect(await ask('https://lanterns.example/robots.txt')).toMatchObject({ status: 404 })
  expect(await ask('https://other.example/docs/')).toEqual(elsewhere)
})
