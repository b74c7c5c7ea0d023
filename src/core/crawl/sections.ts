import { withSlash } from './address-map'

/**
 * Groups pages by the first segment of their path below the site's base.
 *
 * A segment with at least two pages gives `/segment/*`, with its index and all deeper pages; a page that stands alone
 * is a section of its own, named by its path.
 *
 * @returns section of each address
 * @example sectionsOf(['https://a.example/', 'https://a.example/guides/', 'https://a.example/guides/lamp'], 'https://a.example/')
 *          // '/', '/guides/*', '/guides/*'
 */
export function sectionsOf(urls: Iterable<string>, site: string): Map<string, string> {
  const basePath = new URL(withSlash(site)).pathname
  const counts = new Map<string, number>()
  const parts = new Map<string, { path: string; prefix: string; segment: string }>()
  for (const url of urls) {
    const path = new URL(url).pathname
    const prefix = path.startsWith(basePath) ? basePath : '/'
    const segment = path.slice(prefix.length).split('/')[0]!
    parts.set(url, { path, prefix, segment })
    if (segment !== '') counts.set(prefix + segment, (counts.get(prefix + segment) ?? 0) + 1)
  }
  const sections = new Map<string, string>()
  for (const [url, { path, prefix, segment }] of parts) {
    const isShared = segment !== '' && counts.get(prefix + segment)! > 1
    sections.set(url, isShared ? `${prefix}${segment}/*` : path)
  }
  return sections
}
