/**
 * A site whose production URL nothing names. Inside the program its pages still need whole URLs, so they get a host under
 * `.invalid`, which never resolves (RFC 2606). Documents, messages and screens show such URLs as paths.
 */
const UNNAMED_HOST = 'site.invalid'
const UNNAMED_URL = /https:\/\/(?:[a-z0-9-]+\.)?site\.invalid(?=\/)/g

/** FNV-1a, 32 bits, in base 36: tells one source from another, and is no protection. */
function shortHash(text: string): string {
  let hash = 0x811c9dc5
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193)
  return (hash >>> 0).toString(36)
}

/**
 * Stands for the production URL of a site that has none yet.
 *
 * @param source tells sites apart where several are kept side by side; null: they all share one
 * @param path that the site lives under, with a slash at both ends
 * @example unnamedSite(null, '/docs/') // 'https://site.invalid/docs/'
 */
export function unnamedSite(source: string | null, path = '/'): string {
  return `https://${source === null ? '' : `s${shortHash(source)}.`}${UNNAMED_HOST}${path}`
}

/** Is this the base URL of a site that has a production URL? */
export function isNamedSite(site: string): boolean {
  return !site.includes(UNNAMED_HOST) || site.replace(UNNAMED_URL, '') === site
}

/** A text in which URLs of a site without a production URL are paths. */
export function withoutUnnamedHost(text: string): string {
  return text.includes(UNNAMED_HOST) ? text.replace(UNNAMED_URL, '') : text
}

/** What people read as the name of a site: its URL, or that there is none yet. */
export function siteInWords(site: string): string {
  return isNamedSite(site) ? site : 'a site without a production URL'
}
