import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { commandIn } from '@/cli/testing/command'
import { GatheringBuilder } from '@/core/crawl'
import { openBrowserBuild } from './build-events'
import type { GivenUrls } from './protocol'

const here = mkdtempSync(join(tmpdir(), 'parrot-given-'))
afterAll(() => rmSync(here, { recursive: true }))

const FILES: Record<string, string> = {
  'index.html': '<!doctype html><title>Lantern works</title><a href="/a">a</a>',
  'a.html': '<!doctype html><title>Wicks and oils</title><link rel="canonical" href="https://lanterns.example/a">',
}
const folder = {
  kind: 'folder' as const,
  name: 'dist',
  files: Object.entries(FILES).map(([path, text]) => ({ path, file: new File([text], path) })),
}
const urls = (...addresses: string[]): GivenUrls => ({
  ...{ kind: 'list', name: 'live.txt', follow: false, isCut: false },
  addresses,
})

async function gather(only: GivenUrls, site: string | null = null) {
  const builder = new GatheringBuilder()
  const build = await openBrowserBuild({ ...folder, site, only }, new AbortController().signal)
  for await (const event of build.events) builder.add(event)
  return builder.gathering()!
}

test('URLs read out of a chosen folder are those that the command reads out of it', async () => {
  const live = ['https://lanterns.example/', 'https://lanterns.example/a', 'https://lanterns.example/none']
  for (const [path, text] of Object.entries({ ...FILES, 'live.txt': live.join('\n') }))
    writeFileSync(join(here, path), text)
  const { out } = await commandIn(here)('check', 'live.txt', '--build', '.', '--format', 'json', '--fail-on', 'never')
  const command = JSON.parse(out)
  const { pages, source } = await gather(urls(...live))
  expect(pages.map(({ url, fetch }) => [url, fetch.status])).toEqual([
    ['https://lanterns.example/', 200],
    ['https://lanterns.example/a', 200],
    ['https://lanterns.example/none', 404],
  ])
  expect(pages.map(({ facts }) => facts?.title ?? null)).toEqual(
    pages.map(({ url }) => command.pages.find((page: { url: string }) => page.url === url)?.facts?.title ?? null),
  )
  expect(source).toEqual({ ...command.source, build: 'dist', site: 'https://lanterns.example/' })
})

test('URLs of several sites need to be told which one the build is', async () => {
  const two = urls('https://lanterns.example/', 'https://other.example/')
  await expect(gather(two)).rejects.toThrow('several sites')
  const { pages } = await gather(two, 'https://lanterns.example/')
  const told = Object.fromEntries(pages.map(({ url, fetch }) => [url, fetch.status ?? fetch.error]))
  expect(told).toEqual({
    'https://lanterns.example/': 200,
    'https://other.example/': 'https://other.example/ is not part of the build.',
  })
})

test('a list that goes on is said to be read in part', async () => {
  const { incomplete } = await gather({ ...urls('https://lanterns.example/'), isCut: true })
  expect(incomplete).toMatchObject([{ why: 'pages', message: 'live.txt goes on: only its first URL was read.' }])
})
