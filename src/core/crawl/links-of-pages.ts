import { originOf, pageAddress } from '../address'

/** Resolved links that are remembered at most. */
const MAX_KEPT = 50_000

/** Characters that a path may hold to be taken as it stands: nothing to encode, and no query to look into. */
const IS_PLAIN = new Uint8Array(128)
for (const character of 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_~/.') {
  IS_PLAIN[character.charCodeAt(0)] = 1
}

const SLASH = 47
const DOT = 46

/**
 * Is this a path from the root that the URL standard leaves as it is? No dot after a slash (`/../`), no two slashes at
 * its start (another host), only letters that need no encoding.
 */
export function isPlainPath(href: string): boolean {
  if (href.charCodeAt(0) !== SLASH || href.charCodeAt(1) === SLASH) return false
  for (let index = 0; index < href.length; index++) {
    const unit = href.charCodeAt(index)
    if (unit >= 128 || IS_PLAIN[unit] === 0) return false
    if (unit === DOT && href.charCodeAt(index - 1) === SLASH) return false
  }
  return true
}

/**
 * Resolves the links of a run's pages. Most links of a site stand on many of its pages, and most are plain paths: the
 * first are resolved once, the others without parsing an address.
 */
export class LinksOfPages {
  private readonly absolute = new Map<string, string | null>()

  constructor(private readonly toPublic: (address: string) => string) {}

  /**
   * Public addresses that a page's links lead to, each with the index of the first link that does.
   * @param base resolved address that they are relative to
   */
  resolve(hrefs: readonly string[], base: string): Map<string, number> {
    const origin = originOf(base)
    const found = new Map<string, number>()
    for (const [index, href] of hrefs.entries()) {
      const address = isPlainPath(href) ? this.toPublic(origin + href) : this.resolveOther(href, base)
      if (address !== null && !found.has(address)) found.set(address, index)
    }
    return found
  }

  private resolveOther(href: string, base: string): string | null {
    // Where an absolute address leads doesn't hang on the page that it stands on.
    const isAbsolute = href.startsWith('http://') || href.startsWith('https://')
    const known = isAbsolute ? this.absolute.get(href) : undefined
    if (known !== undefined) return known
    const address = pageAddress(href, base)
    const target = address && this.toPublic(address)
    if (isAbsolute) {
      if (this.absolute.size >= MAX_KEPT) this.absolute.clear()
      this.absolute.set(href, target)
    }
    return target
  }
}
