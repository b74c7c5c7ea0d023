import { resolveAddress } from '../address'

const ADDRESS_KEYS = ['u', 'url', 'link', 'href']

/** What a share link carries: the address, and the account it names. */
export type ShareLink = { address: string | null; via: string | null }

/** Reads a link to another host whose query carries an address; null for any other link. */
export function readShareLink(href: string, pageUrl: string): ShareLink | null {
  const resolved = resolveAddress(href, pageUrl)
  if (resolved === null) return null
  const link = new URL(resolved)
  if (link.host === new URL(pageUrl).host) return null
  const given = ADDRESS_KEYS.map((key) => link.searchParams.get(key)).find(
    (value) => value !== null && /^https?:\/\//i.test(value),
  )
  const inText = /https?:\/\/\S+/i.exec(link.searchParams.get('text') ?? '')?.[0]
  const raw = given ?? inText ?? null
  return raw === null ? null : { address: resolveAddress(raw, pageUrl), via: link.searchParams.get('via') }
}
