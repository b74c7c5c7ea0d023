import { Parser } from 'htmlparser2'
import { trimAscii } from '../text/collapse'
import { limits } from './limits'

/** What a sitemap names: pages, or further sitemaps. */
export type SitemapReading = { pages: string[]; sitemaps: string[]; isCut: boolean }

/** Characters fed to the parser at a time: no tree of the whole is ever built. */
const CHUNK = 65_536

const localName = (name: string) => name.slice(name.indexOf(':') + 1).toLowerCase()

/**
 * Reads a sitemap or a sitemap index (sitemaps.org). Entries beyond the limit are left, and that is said.
 *
 * @param text the unpacked file
 */
export function readSitemap(text: string): SitemapReading {
  const reading: SitemapReading = { pages: [], sitemaps: [], isCut: false }
  let parent: 'url' | 'sitemap' | null = null
  let location: string | null = null
  const parser = new Parser(
    {
      onopentagname(name) {
        const local = localName(name)
        if (local === 'url' || local === 'sitemap') parent = local
        // `image:loc` and its like name no page: only the one directly in its entry counts.
        else if (name.toLowerCase() === 'loc' && parent) location = ''
      },
      ontext(data) {
        if (location !== null) location += data
      },
      onclosetag(name) {
        const local = localName(name)
        if (local === 'url' || local === 'sitemap') parent = null
        if (name.toLowerCase() !== 'loc' || location === null) return
        const list = parent === 'sitemap' ? reading.sitemaps : reading.pages
        if (list.length >= limits.sitemapEntries) reading.isCut = true
        else list.push(trimAscii(location))
        location = null
      },
    },
    { xmlMode: true, decodeEntities: true },
  )
  for (let index = 0; index < text.length; index += CHUNK) parser.write(text.slice(index, index + CHUNK))
  parser.end()
  return reading
}

/** A list of addresses, one a line; empty lines and lines that start with `#` are passed over. */
export function readList(text: string): string[] {
  return text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .map(trimAscii)
    .filter((line) => line !== '' && !line.startsWith('#'))
}

/** Do bytes start as gzip does (RFC 1952)? */
export function isGzip(bytes: Uint8Array): boolean {
  return bytes[0] === 0x1f && bytes[1] === 0x8b
}
