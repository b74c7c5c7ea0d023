import { getDomain } from 'tldts'
import { parseUrl } from './address'
import { isPreviewHost } from './preview-host'

/** Values that a script writes where it had none. */
const UNFILLED = new Set(['undefined', 'null', 'nan', '[object object]', '%5bobject%20object%5d'])

/** Labels that stand for a stage of a site, whatever it is about. Others, such as `dev`, are names of real sites too. */
const STAGE = /^(?:staging|stage|stg|preview|previews|preprod|pre-production|preproduction|uat)\d*$/
/** Hosts of services that publish each branch: `deploy-preview-7--site`, `site-git-branch-team`. */
const BRANCH = /^deploy-preview-\d+--.|.--.|-git-.+-/

/** How a URL is wrong by its form alone. `whole` is the URL that was meant, where the form tells. */
export type StrayUrl = { why: 'doubled' | 'unfilled' | 'preview'; whole: string | null }

/**
 * The URL that stands in another one right behind its host, or behind its own origin: `https://a.examplehttps://a.example/b`,
 * `https://a.example/https://a.example/b`. Null where there is none: an archive or an image service names whole URLs of
 * others in its path.
 */
export function innerUrl(raw: string): string | null {
  const text = raw.trim()
  const start = /^https?:\/\//i.exec(text)?.[0].length
  if (start === undefined) return null
  const lower = text.toLowerCase()
  const found = [lower.indexOf('http://', start), lower.indexOf('https://', start)].filter((at) => at >= 0)
  if (found.length === 0) return null
  const at = Math.min(...found)
  const inner = parseUrl(text.slice(at))
  if (!inner) return null
  const before = text.slice(start, at)
  if (!/[/?#]/.test(before)) return inner.href
  const isOwnOrigin = /^[^/?#]+\/+$/.test(before) && before.slice(0, before.indexOf('/')).toLowerCase() === inner.host
  return isOwnOrigin ? inner.href : null
}

/** The part of a URL's path, or its host, that a script had no value for; null where there is none. */
export function unfilledPart(url: string): string | null {
  const parsed = parseUrl(url)
  if (!parsed) return null
  const parts = [parsed.hostname, ...parsed.pathname.split('/')]
  return parts.find((part) => UNFILLED.has(part.toLowerCase())) ?? null
}

/** What follows the unfilled part: the path that was meant to stand on the site. */
function afterUnfilled(url: string): string | null {
  const { hostname, pathname } = new URL(url)
  const parts = pathname.split('/').filter((part) => part !== '')
  if (UNFILLED.has(hostname.toLowerCase())) return parts.join('/')
  const last = parts.findLastIndex((part) => UNFILLED.has(part.toLowerCase()))
  return last < 0 || last === parts.length - 1 ? null : parts.slice(last + 1).join('/')
}

/**
 * Is it a host where a version of this very site is tried out? One under the same registered domain whose name says a
 * stage, or one in the form of services that publish branches.
 */
function isPreviewOf(hostname: string, site: string): boolean {
  const own = new URL(site).hostname
  if (hostname === own || !isPreviewHost(hostname)) return false
  const labels = hostname.split('.')
  if (labels.some((label) => !label.startsWith('xn--') && BRANCH.test(label))) return true
  return getDomain(hostname) === getDomain(own) && labels.some((label) => STAGE.test(label))
}

/** The same path below a site's base. */
export function samePathOn(url: string, site: string): string {
  const { pathname, search } = new URL(url)
  const base = new URL(site)
  const path = pathname.startsWith(base.pathname) ? pathname : base.pathname + pathname.slice(1)
  return base.origin + path + search
}

/**
 * Looks at the form of a URL that a tag of the site gives.
 *
 * @param raw as it is written
 * @param url as it resolves; null where it is none
 * @param site base URL of the site in production
 * @returns null where nothing is wrong with it
 */
export function strayUrl(raw: string, url: string | null, site: string): StrayUrl | null {
  const inner = innerUrl(raw)
  if (inner !== null) return { why: 'doubled', whole: inner }
  if (url === null) return null
  if (unfilledPart(url) !== null) {
    const rest = afterUnfilled(url)
    return { why: 'unfilled', whole: rest === null ? null : new URL(rest, site).href }
  }
  return isPreviewOf(new URL(url).hostname, site) ? { why: 'preview', whole: samePathOn(url, site) } : null
}
