/** Maps addresses between the build that is read and the production site that it is meant for. */
export type AddressMap = {
  /** Public base address, with a slash at its end. */
  site: string
  /** Where the build is served, with a slash at its end; null for folders and zips. */
  build: string | null
  /** An address of the build becomes the public one; any other is returned as it is. */
  toPublic(address: string): string
  /** A public address of the site becomes the one to ask for in the build; any other is returned as it is. */
  toBuild(address: string): string
  /** Is this public address one of the site's pages or files? Scheme and `www.` aside it must be host and path. */
  isOnSite: (publicAddress: string) => boolean
  /** On the site's host, but outside the path that the site lives under: the build cannot hold it. */
  isBesideSite(publicAddress: string): boolean
}

/** The address with a path that ends in a slash, and nothing after it. */
export function withSlash(address: string): string {
  const url = new URL(address)
  url.search = ''
  url.hash = ''
  if (!url.pathname.endsWith('/')) url.pathname += '/'
  return url.href
}

const afterScheme = (address: string) => address.slice(address.indexOf('://') + 3)

/**
 * What follows a base in an address, whatever its scheme; null when the address is not under it.
 * @param outer the base without its scheme
 */
function restUnder(address: string, outer: string): string | null {
  const start = address.indexOf('://') + 3
  if (address.startsWith(outer, start)) return address.slice(start + outer.length)
  return address.length - start === outer.length - 1 && outer.startsWith(address.slice(start)) ? '' : null
}

/**
 * @param site public base address of the pages
 * @param start address that the crawl starts from, null for a folder or zip
 * @param served base that the server gives the site's pages under, where it is known; null: worked out from `start`
 */
export function createAddressMap(site: string, start: string | null, served: string | null = null): AddressMap {
  const siteBase = withSlash(site)
  const build = served !== null ? withSlash(served) : start === null ? null : buildBase(start, siteBase)
  const onSite = afterScheme(siteBase)
  const inBuild = build === null ? null : afterScheme(build)
  // A build that was made for a path and is served from a root: its links name the path all the same.
  const sitePath = new URL(siteBase).pathname
  const isFromRoot = build !== null && sitePath !== '/' && new URL(build).pathname === '/'
  const origin = siteBase.slice(0, siteBase.length - sitePath.length)
  return {
    site: siteBase,
    build,
    toPublic(address) {
      const rest = inBuild === null ? null : restUnder(address, inBuild)
      // The base without its slash is the start page as well: servers send on to the slash.
      if (rest === null) return sitePath !== '/' && `${address}/` === siteBase ? siteBase : address
      return isFromRoot && `/${rest}`.startsWith(sitePath) ? `${origin}/${rest}` : siteBase + rest
    },
    toBuild(address) {
      const rest = build === null ? null : restUnder(address, onSite)
      return rest === null ? address : build + rest
    },
    isOnSite: (address) => restUnder(address, onSite) !== null,
    isBesideSite: (address) => restUnder(address, onSite) === null && new URL(address).host === new URL(siteBase).host,
  }
}

/** A preview server mirrors the site's path when the start lies under it; else its root is the site's base. */
function buildBase(start: string, siteBase: string): string {
  const { origin, pathname } = new URL(start)
  const sitePath = new URL(siteBase).pathname
  return origin + (`${pathname}/`.startsWith(sitePath) ? sitePath : '/')
}
