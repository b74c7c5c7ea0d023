import type { Cause, Overview } from '@/core/cause'
import type { PictureEntry } from '@/core/check'
import type { StoredOverview } from './database'
import { Once, readPacked } from './packed'

/** Pages by their numbers: where a row of them begins and how many follow on it, in turn. */
type Pages = number[]

type WithNumbers<T extends { pages: unknown }> = Omit<T, 'pages'> & { pages: Pages }

type Use = PictureEntry['uses'][number]
type PackedEntry = Omit<PictureEntry, 'uses' | 'contentOf'> & {
  contentOf: Pages
  /** What a page says with the picture, each once; of every use which one it is. */
  said: Omit<Use, 'page'>[]
  uses: { pages: Pages; said: number[] }
}

type PackedOverview = {
  addresses: string[]
  causes: WithNumbers<Cause>[]
  coverage: Overview['coverage']
  lengths: { pages: Pages; titles: (number | null)[]; descriptions: (number | null)[] }
  pictures: WithNumbers<Overview['pictures'][number]>[]
}

/** Many pages have the same causes and stand one after the other: what is kept of them are the ends of such rows. */
function inRows(numbers: readonly number[]): Pages {
  const rows: Pages = []
  for (const number of numbers) {
    const last = rows.length - 2
    if (last >= 0 && rows[last]! + rows[last + 1]! === number) rows[last + 1]!++
    else rows.push(number, 1)
  }
  return rows
}

function* outOfRows(rows: Pages): Generator<number> {
  for (let at = 0; at < rows.length; at += 2) {
    for (let number = rows[at]!; number < rows[at]! + rows[at + 1]!; number++) yield number
  }
}

/** Addresses of pages, each once. */
class Addresses extends Once<string> {
  readonly pages = (urls: readonly string[]): Pages => inRows(urls.map((url) => this.numberOf(url, url)))
}

/** What a run looks like from afar, as it is kept: causes of a large run name each of its pages many times. */
export function packOverview({ causes, overview }: Pick<StoredOverview, 'causes' | 'overview'>): string {
  const numbers = new Addresses()
  const { coverage, lengths, pictures } = overview
  const packed: PackedOverview = {
    coverage,
    lengths: {
      pages: numbers.pages(lengths.map(({ url }) => url)),
      titles: lengths.map(({ title }) => title),
      descriptions: lengths.map(({ description }) => description),
    },
    causes: causes.map((cause) => ({ ...cause, pages: numbers.pages(cause.pages) })),
    pictures: pictures.map((picture) => ({ ...picture, pages: numbers.pages(picture.pages) })),
    addresses: numbers.values,
  }
  return JSON.stringify(packed)
}

export function unpackOverview(run: string, text: string): StoredOverview {
  const { addresses, causes, coverage, lengths, pictures } = readPacked<PackedOverview>(text)
  const pagesOf = (rows: Pages) => Array.from(outOfRows(rows), (number) => addresses[number]!)
  return {
    run,
    causes: causes.map((cause) => ({ ...cause, pages: pagesOf(cause.pages) })),
    overview: {
      coverage,
      lengths: pagesOf(lengths.pages).map((url, at) => ({
        url,
        title: lengths.titles[at]!,
        description: lengths.descriptions[at]!,
      })),
      pictures: pictures.map((picture) => ({ ...picture, pages: pagesOf(picture.pages) })),
    },
  }
}

type PackedBook = { addresses: string[]; entries: PackedEntry[] }

/** Share pictures with their uses, as they are kept: one picture may stand on every page. */
export function packBook(book: readonly PictureEntry[]): string {
  const numbers = new Addresses()
  const entries = book.map(({ uses, contentOf, ...entry }): PackedEntry => {
    const said = new Once<PackedEntry['said'][number]>()
    const which = uses.map(({ page: _page, ...use }) => said.numberOf(use, JSON.stringify(use)))
    return {
      ...entry,
      contentOf: numbers.pages(contentOf),
      said: said.values,
      uses: { pages: numbers.pages(uses.map(({ page }) => page)), said: which },
    }
  })
  const packed: PackedBook = { addresses: numbers.values, entries }
  return JSON.stringify(packed)
}

export function unpackBook(text: string): PictureEntry[] {
  const { addresses, entries } = readPacked<PackedBook>(text)
  const pagesOf = (rows: Pages) => Array.from(outOfRows(rows), (number) => addresses[number]!)
  return entries.map(({ contentOf, said, uses, ...entry }) => ({
    ...entry,
    uses: pagesOf(uses.pages).map((page, at) => ({ page, ...said[uses.said[at]!]! })),
    contentOf: pagesOf(contentOf),
  }))
}
