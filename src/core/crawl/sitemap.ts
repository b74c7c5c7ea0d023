import { Parser } from 'htmlparser2'
import { limits } from '../address'
import { trimAscii } from '../text'

/** What a sitemap names: pages, or further sitemaps. */
export type SitemapReading = { pages: string[]; sitemaps: string[]; isCut: boolean }

const localName = (name: string) => name.slice(name.indexOf(':') + 1).toLowerCase()
const prefixOf = (name: string) => name.slice(0, name.indexOf(':') + 1).toLowerCase()

/**
 * Reads a sitemap or a sitemap index (sitemaps.org) while its text comes in pieces: nothing is kept but the addresses.
 * Entries beyond the limit are left, and that is said.
 */
export class SitemapReader {
  private readonly reading: SitemapReading = { pages: [], sitemaps: [], isCut: false }
  private parent: 'url' | 'sitemap' | null = null
  /** Prefix of the entry's own name: `sm:url` has a `sm:loc`. */
  private prefix = ''
  private location: string | null = null
  private readonly parser = new Parser(
    {
      onopentagname: (name) => this.opened(name),
      ontext: (data) => {
        // An address that is longer than any is no address.
        if (this.location !== null && this.location.length <= limits.addressCharacters) this.location += data
      },
      onclosetag: (name) => this.closed(name),
    },
    { xmlMode: true, decodeEntities: true },
  )

  write(text: string): void {
    this.parser.write(text)
  }

  /** The file went on, and was not read further. */
  cut(): void {
    this.reading.isCut = true
  }

  end(): SitemapReading {
    this.parser.end()
    return this.reading
  }

  private opened(name: string): void {
    const local = localName(name)
    if (local === 'url' || local === 'sitemap') {
      this.parent = local
      this.prefix = prefixOf(name)
    }
    // `image:loc` and its like name no page: only one under the prefix of its entry counts.
    else if (local === 'loc' && this.parent && prefixOf(name) === this.prefix) this.location = ''
  }

  private closed(name: string): void {
    const { reading, parent, location } = this
    const local = localName(name)
    if (local === 'url' || local === 'sitemap') this.parent = null
    if (local !== 'loc' || prefixOf(name) !== this.prefix || location === null) return
    const list = parent === 'sitemap' ? reading.sitemaps : reading.pages
    if (list.length >= limits.sitemapEntries) reading.isCut = true
    else list.push(trimAscii(location))
    this.location = null
  }
}

/** Reads a sitemap whose text is at hand. */
export function readSitemap(text: string): SitemapReading {
  const reader = new SitemapReader()
  reader.write(text)
  return reader.end()
}

/** A list of addresses, one a line; empty lines and lines that start with `#` are passed over. */
export function readList(text: string): string[] {
  return text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .map(trimAscii)
    .filter((line) => line !== '' && !line.startsWith('#'))
}
