import { trimAscii } from '../text'
import { droppedParameters, droppedPrefixes } from './dropped-parameters'

const isDropped = (name: string) => {
  const lower = name.toLowerCase()
  return droppedParameters.includes(lower) || droppedPrefixes.some((prefix) => lower.startsWith(prefix))
}

/**
 * The address as the URL standard reads it; null when it is none.
 *
 * `URL.canParse` is not asked: in Node 20 its compiled fast path takes Latin-1 for UTF-8, and after some thousand calls
 * calls every host with a letter like `é` no address.
 */
export function parseUrl(text: string, base?: string): URL | null {
  try {
    return new URL(text, base)
  } catch {
    return null
  }
}

/**
 * An address as the WHATWG URL standard resolves it, without fragment or credentials; null when it is no http(s)
 * address.
 *
 * @example resolveAddress('../img/a.png#x', 'https://brasswick.example/guides/') // 'https://brasswick.example/img/a.png'
 */
export function resolveAddress(raw: string, base: string): string | null {
  const text = trimAscii(raw)
  const url = text === '' ? null : parseUrl(text, base)
  if (!url) return null
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return null
  // Setting any of them writes the whole address again.
  if (text.includes('#') || base.includes('#')) url.hash = ''
  if (url.username !== '') url.username = ''
  if (url.password !== '') url.password = ''
  return equalEncoding(url.href)
}

const UNRESERVED = /^[A-Za-z0-9\-._~]$/

/** One spelling for one address (RFC 3986, 6.2.2): no encoding where none is needed, capitals where it is. */
function equalEncoding(href: string): string {
  if (!href.includes('%')) return href
  return href.replace(/%[0-9a-f]{2}/gi, (code) => {
    const character = String.fromCharCode(Number.parseInt(code.slice(1), 16))
    return UNRESERVED.test(character) ? character : code.toUpperCase()
  })
}

/** A page's address as links lead to it: resolved, without the parameters that name a visit or a campaign. */
export function pageAddress(raw: string, base: string): string | null {
  const address = resolveAddress(raw, base)
  if (!address?.includes('?')) return address
  const url = new URL(address)
  const names = [...new Set(url.searchParams.keys())].filter(isDropped)
  for (const name of names) url.searchParams.delete(name)
  // Left alone unless something was dropped: rewriting a query also rewrites its encoding.
  return names.length > 0 ? url.href : address
}

/** Offset of the path in an address as {@link resolveAddress} writes it. */
const pathStart = (address: string) => address.indexOf('/', address.indexOf('://') + 3)

/** Scheme, host and port of an address as {@link resolveAddress} writes it. */
export function originOf(address: string): string {
  return address.slice(0, pathStart(address))
}

/** `/path?query` of an address as {@link resolveAddress} writes it. */
export function pathOf(address: string): string {
  return address.slice(pathStart(address))
}

/** The path alone. */
export function pathnameOf(address: string): string {
  const query = address.indexOf('?')
  return address.slice(pathStart(address), query < 0 ? address.length : query)
}

/** Base address of a page's relative addresses: its `<base href>`, else its own. */
export function baseOf(pageUrl: string, baseHref: string | null): string {
  return (baseHref !== null && resolveAddress(baseHref, pageUrl)) || pageUrl
}

const PRIVATE_HOST =
  /^(?:localhost|.*\.localhost|127(?:\.\d+){3}|10(?:\.\d+){3}|192\.168(?:\.\d+){2}|172\.(?:1[6-9]|2\d|3[01])(?:\.\d+){2}|169\.254(?:\.\d+){2}|0\.0\.0\.0|\[::1?\]|\[f[cde].*\]|[^.]+|.*\.(?:local|internal|test))$/i

/** Host without its port, of an address as {@link resolveAddress} writes it. */
export function hostnameOf(address: string): string {
  return address.slice(address.indexOf('://') + 3, pathStart(address)).replace(/:\d+$/, '')
}

/** A host that only its own network can reach: loopback, private ranges, single-label names. */
export function isPrivateHost(hostname: string): boolean {
  return PRIVATE_HOST.test(hostname)
}

/** An address without its query and fragment. */
export const withoutQuery = (address: string): string => {
  const end = address.search(/[?#]/)
  return end < 0 ? address : address.slice(0, end)
}

/** A page's path on the site; its whole address where it lies elsewhere. */
export const pathOn = (url: string, site: string): string => (url.startsWith(site) ? `/${url.slice(site.length)}` : url)

/** Do two URLs differ in the slash at their end at most? */
export const isSameButSlash = (a: string, b: string): boolean => a.replace(/\/$/, '') === b.replace(/\/$/, '')
