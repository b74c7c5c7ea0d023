import { baseOf, pageAddress, resolveAddress } from '../address'
import type { GatheredPage, KeptLinks } from '../model'
import { createFileMap, decodedPath, encodedPath, type FileMap } from './build-files'

/** An HTML file as read: its page has no address yet, since what pages link to decides it. */
export type FileReading = { path: string; page: GatheredPage; links: KeptLinks | null }

/** Addresses that a page names as its own: canonical, og:url. */
function ownAddressesNamed({ page: { facts } }: FileReading): string[] {
  if (!facts) return []
  const ogUrls = facts.metas.filter(({ key }) => key === 'og:url').map(({ value }) => value ?? '')
  return [facts.canonical ?? '', ...ogUrls].filter((address) => address !== '')
}

/** Paths below the base, decoded, that addresses lie at; those elsewhere are left out. */
function* pathsUnder(base: URL, addresses: Iterable<string>, from: string): Generator<string> {
  for (const raw of addresses) {
    const address = pageAddress(raw, from)
    if (!address?.startsWith(base.href) && `${address}/` !== base.href) continue
    yield decodedPath(new URL(address!).pathname.slice(base.pathname.length))
  }
}

/** Does a link lead to a fragment of the page that it stands on? It is no word on what the page's URL is. */
function isWithinPage(href: string, file: string): boolean {
  const hash = href.indexOf('#')
  if (hash < 0) return false
  const target = href.slice(0, hash).trim()
  if (target === '') return true
  const name = file.slice(file.lastIndexOf('/') + 1)
  return target === name || target === `./${name}` || target === `/${file}`
}

/** Counts of the two forms that addresses of folders' indexes are written in. */
class SlashVotes {
  /** By folder: how many write its address with a slash at the end, less those that don't. */
  private readonly votes: Map<string, number>
  private inAll = 0

  constructor(paths: readonly string[]) {
    this.votes = new Map(paths.flatMap((path) => /^(.+)\/index\.html?$/.exec(path)?.[1] ?? []).map((one) => [one, 0]))
  }

  add(path: string): void {
    const hasSlash = path.endsWith('/')
    const folder = hasSlash ? path.slice(0, -1) : path
    const votes = this.votes.get(folder)
    if (votes === undefined) return
    const vote = hasSlash ? 1 : -1
    this.votes.set(folder, votes + vote)
    this.inAll += vote
  }

  /** What most pages and sitemaps write of this folder, else of all; with a slash, as servers send on to, where none does. */
  readonly endsInSlash = (folder: string): boolean => (this.votes.get(folder) || this.inAll) >= 0
}

/**
 * Works out the addresses of a build's files from what its pages and sitemaps write: `/name` or `/name.html`, with a
 * slash at the end of a folder's index, or without where pages and sitemaps themselves name it so.
 *
 * @param listed addresses that sitemaps list
 */
export function addressFiles(
  paths: readonly string[],
  site: string,
  readings: readonly FileReading[],
  listed: readonly string[],
): FileMap {
  const base = new URL(site)
  const linked = new Set<string>()
  const named = new Set<string>()
  const votes = new SlashVotes(paths)
  const name = (addresses: Iterable<string>, from: string) => {
    for (const path of pathsUnder(base, addresses, from)) {
      named.add(path)
      votes.add(path)
    }
  }
  for (const one of readings) {
    const { path, page, links } = one
    const at = new URL(encodedPath(path), site).href
    const from = baseOf(at, page.facts?.base ?? null)
    const hrefs = (links?.hrefs ?? []).filter((href) => !isWithinPage(href, path))
    // A link without the slash is sent on to the one with it, by every server: it is no word on the form.
    for (const target of pathsUnder(base, hrefs, from)) linked.add(target)
    if (links?.refreshTo) name([links.refreshTo], from)
    // What a page says of itself is resolved as `resolveAddress` does: no parameter is dropped.
    name(
      ownAddressesNamed(one).flatMap((raw) => resolveAddress(raw, from) ?? []),
      from,
    )
  }
  name(listed, site)
  // Where no link tells, the page's own tags and the sitemap do.
  for (const path of named) if (!linked.has(`${path}.html`) && !linked.has(`${path}.htm`)) linked.add(path)
  return createFileMap(paths, site, linked, votes.endsInSlash)
}
