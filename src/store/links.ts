import type { KeptLinks } from '@/core/model'
import { database, type StoredLinks } from './database'
import { Once } from './packed'

/** Pages whose links are kept of one run at most: a later run is handed no more of them. */
const MOST_PAGES = 10_000

/** A page's address and its links. */
export type PageLinks = { url: string; kept: KeptLinks }

/** Links of pages in one part: most of them stand on most pages, and are kept once. */
export function packedLinks(run: string, part: number, pages: readonly PageLinks[]): StoredLinks {
  const texts = new Once<string>()
  const packed = pages.map(({ url, kept: { hrefs, hrefPlaces, refreshTo } }) => ({
    url,
    hrefs: Uint32Array.from(hrefs, (text) => texts.numberOf(text, text)),
    places: Uint32Array.from(hrefPlaces),
    refreshTo,
  }))
  return { run, part, texts: texts.values, pages: packed }
}

/** The links of a part, by page. */
export function unpackedLinks({ texts, pages }: StoredLinks): PageLinks[] {
  return pages.map(({ url, hrefs, places, refreshTo }) => ({
    url,
    kept: { hrefs: Array.from(hrefs, (number) => texts[number] ?? ''), hrefPlaces: [...places], refreshTo },
  }))
}

/** Writes the links of a run's pages, part by part. */
export class LinkKeeper {
  private part: number | null = null
  private pages = 0

  constructor(private readonly run: string) {}

  async keep(pages: readonly PageLinks[]): Promise<void> {
    if (pages.length === 0 || this.pages >= MOST_PAGES) return
    this.pages += pages.length
    // A run that goes on where it was broken off has parts already.
    this.part ??= await database.links.where('run').equals(this.run).count()
    await database.links.put(packedLinks(this.run, this.part++, pages))
  }
}

/** All links that are kept of a run, by page. */
export async function linksOf(run: string): Promise<Map<string, KeptLinks>> {
  const parts = await database.links.where('run').equals(run).toArray()
  return new Map(parts.flatMap(unpackedLinks).map(({ url, kept }) => [url, kept]))
}
