import { limits } from '../address'
import { Utf8Pieces } from '../page'
import { readList } from './sitemap'
import { SitemapStream } from './sitemap-stream'

/** What a file of addresses holds. */
export type AddressFile = {
  kind: 'sitemap' | 'list'
  /** As they are written; of a sitemap as many as one may hold, of a list as many as a run reads. */
  addresses: string[]
  /** Further sitemaps that it names: it is an index. */
  sitemaps: string[]
  /** It went on, and was not read further. */
  isCut: boolean
}

const GZIP = 0x1f
const LESS = 0x3c
/** White space, and the bytes of a byte order mark: what may stand before the first `<`. */
const BEFORE = new Set([0x09, 0x0a, 0x0d, 0x20, 0xef, 0xbb, 0xbf])

/** Text of a list while its bytes arrive. */
class ListStream {
  private readonly decoder = new Utf8Pieces()
  private text = ''
  private bytes = 0

  write(bytes: Uint8Array): void {
    const room = Math.max(0, limits.sitemapBytes - this.bytes)
    this.bytes += bytes.length
    this.text += this.decoder.decode(bytes.subarray(0, room))
  }

  end(): AddressFile {
    const text = this.text + this.decoder.end()
    // A picture or a program may hold lines that look like addresses.
    const lines = text.includes('\0') ? [] : readList(text)
    const isCut = this.bytes > limits.sitemapBytes || lines.length > limits.maxPagesOfBuild
    return { kind: 'list', addresses: lines.slice(0, limits.maxPagesOfBuild), sitemaps: [], isCut }
  }
}

/** Reads a file of addresses while its bytes arrive: a sitemap, packed by gzip or not, or a list with one a line. */
export class AddressFileReader {
  private stream: SitemapStream | ListStream | null = null

  /** @throws Error when what began as gzip is broken */
  write(bytes: Uint8Array): void {
    this.stream ??= streamFor(bytes)
    this.stream?.write(bytes)
  }

  /** @throws Error when what began as gzip is broken or cut off */
  end(): AddressFile {
    const { stream } = this
    if (!stream) return { kind: 'list', addresses: [], sitemaps: [], isCut: false }
    if (stream instanceof ListStream) return stream.end()
    const { pages, sitemaps, isCut } = stream.end()
    return { kind: 'sitemap', addresses: pages, sitemaps, isCut }
  }
}

/** By the first byte that says something: names may be wrong. null where none does yet. */
function streamFor(bytes: Uint8Array): SitemapStream | ListStream | null {
  const first = bytes.find((byte) => !BEFORE.has(byte))
  if (first === undefined) return null
  return first === LESS || bytes[0] === GZIP ? new SitemapStream() : new ListStream()
}

/** Why nothing can be gathered from a file; null when something can. */
export function faultOfAddressFile(name: string, { addresses, sitemaps }: AddressFile): string | null {
  if (addresses.length > 0) return null
  if (sitemaps.length > 0) {
    const such = sitemaps.length === 1 ? sitemaps[0] : `${sitemaps.length} further sitemaps, such as ${sitemaps[0]}`
    return `“${name}” names no page but ${such}. Give the address of one, or of the index where it is served.`
  }
  return `“${name}” names no address. A list has one a line; a sitemap has them in <loc>.`
}
