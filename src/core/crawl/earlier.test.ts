import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Gathering } from '../model'
import { testOutside } from '../testing/build-run'
import { goodPage, pngBytes } from '../testing/good-site'
import { patience, runs } from '../testing/property-runs'
import { crawl } from './crawl'
import { defaultCrawlOptions } from './crawl-options'
import { earlierFrom, type KnownPage } from './earlier'
import { GatheringBuilder, oneByOne } from './events'
import type { FetchResult, ReadRequest } from './read-address'

const SITE = 'https://site.example'
const PATHS = ['/', '/a', '/b', '/c', '/d', '/e'] as const
const PICTURES = ['/one.png', '/two.png'] as const

/** What a server has under a path. `version`: its ETag; null where it tells of no changes. */
type Thing = { body: string | Uint8Array; version: number | null; headers: Record<string, string> }

type Edit = {
  at: number
  kind: 'text' | 'gone' | 'links' | 'leads-on' | 'header' | 'silent' | 'picture' | 'picture-gone'
  to: number
}

const pageOf = (at: number, title: string, links: readonly number[], head = '') =>
  goodPage(
    PATHS[at]!.slice(1),
    title,
    { 'og:image': `<meta property="og:image" content="${SITE}${PICTURES[at % 2]}">${head}` },
    links.map((to) => `<a href="${PATHS[to]}">on</a>`).join(' '),
  )

function begun(): Map<string, Thing> {
  const things = new Map<string, Thing>()
  for (const [at, path] of PATHS.entries())
    things.set(path, { body: pageOf(at, `Page ${at}`, [0, (at + 1) % 6, (at + 3) % 6]), version: 0, headers: {} })
  for (const [at, path] of PICTURES.entries())
    things.set(path, { body: pngBytes(1200, 630, 90_000 + at), version: 0, headers: {} })
  return things
}

function edited(things: Map<string, Thing>, { at, kind, to }: Edit, version: number): void {
  const path = PATHS[at]!
  const picture = PICTURES[at % 2]!
  const page = (body: string, headers = {}) => things.set(path, { body, version, headers })
  switch (kind) {
    case 'text':
      return void page(pageOf(at, `Page ${at}, edit ${version}`, [to, 0]))
    case 'links':
      return void page(pageOf(at, `Page ${at}`, [to]))
    case 'leads-on':
      return void page(pageOf(at, `Page ${at}`, [], `<meta http-equiv="refresh" content="0; url=${PATHS[to]}">`))
    case 'header':
      return void page(pageOf(at, `Page ${at}`, [to, 0]), { 'x-robots-tag': 'noindex' })
    case 'silent':
      return void things.set(path, { body: pageOf(at, `Silent ${version}`, [to]), version: null, headers: {} })
    case 'gone':
      return void things.delete(path)
    case 'picture':
      return void things.set(picture, { body: pngBytes(800 + to, 630, 91_000 + version), version, headers: {} })
    case 'picture-gone':
      return void things.delete(picture)
  }
}

/** Crawls the server as it is; `again` is told of each answer that said “not modified”. */
async function crawled(
  things: ReadonlyMap<string, Thing>,
  before: Gathering | null,
  again: () => void = () => undefined,
) {
  const read = async (request: ReadRequest): Promise<FetchResult> => {
    const path = new URL(request.url).pathname
    const thing = things.get(path)
    const etag = thing && thing.version !== null ? `"${path} ${thing.version}"` : null
    const isSame = etag !== null && request.ifChanged?.etag === etag
    if (isSame) again()
    const type = path.endsWith('.png') ? 'image/png' : 'text/html'
    return {
      kind: 'answered',
      status: isSame ? 304 : thing ? 200 : 404,
      // A server that says “not modified” leaves most headers out.
      headers: isSame ? { etag } : { 'content-type': type, ...(etag && { etag }), ...thing?.headers },
      body:
        isSame || !thing
          ? new Uint8Array()
          : typeof thing.body === 'string'
            ? new TextEncoder().encode(thing.body)
            : thing.body,
      isCut: false,
      ms: 1,
    }
  }
  const known = before?.pages.filter((page): page is KnownPage => page.facts !== null && page.kept !== undefined)
  const earlier = before ? earlierFrom({ pages: known!, images: before.images }) : undefined
  const builder = new GatheringBuilder()
  const batches = crawl(
    { ...defaultCrawlOptions, start: `${SITE}/` },
    { ...testOutside(read), keepsLinks: true, earlier },
  )
  for await (const event of oneByOne(batches)) builder.add(event)
  return builder.gathering()!
}

const byUrl = (a: { url: string }, b: { url: string }) => (a.url < b.url ? -1 : 1)

/** As it is told: which of two answers came first is no part of it. */
const told = (of: Gathering) => ({
  ...of,
  pages: [...of.pages].map(({ source: _source, ...page }) => page).sort(byUrl),
  images: [...of.images].sort(byUrl),
})

test(
  'whatever was edited, a run that takes over what has not changed says what a whole one says',
  async () => {
    const edit = fc.record({
      at: fc.nat(PATHS.length - 1),
      kind: fc.constantFrom<Edit['kind'][]>(
        ...(['text', 'gone', 'links', 'leads-on', 'header', 'silent', 'picture', 'picture-gone'] as const),
      ),
      to: fc.nat(PATHS.length - 1),
    })
    let taken = 0
    await fc.assert(
      fc.asyncProperty(fc.array(fc.array(edit, { maxLength: 3 }), { minLength: 1, maxLength: 4 }), async (rounds) => {
        const things = begun()
        let before = await crawled(things, null)
        let version = 0
        for (const edits of rounds) {
          for (const one of edits) edited(things, one, ++version)
          const again = await crawled(things, before, () => void taken++)
          expect(told(again)).toEqual(told(await crawled(things, null)))
          before = again
        }
      }),
      runs(40),
    )
    expect(taken).toBeGreaterThan(40)
  },
  patience(60_000),
)
