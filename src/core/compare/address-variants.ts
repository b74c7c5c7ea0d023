/**
 * Addresses that lead to the same page on most servers, the nearest first: without what follows `?` or `#`, with the
 * other scheme, with or without the closing slash. Places hold each of them as a copy of its own.
 *
 * @param address absolute
 */
function addressVariants(address: string): string[] {
  const withoutQuery = address.replace(/[?#].*$/s, '')
  const slashed = withoutQuery.endsWith('/') ? withoutQuery.slice(0, -1) : `${withoutQuery}/`
  const otherScheme = (one: string) =>
    one.startsWith('https:') ? `http:${one.slice(6)}` : one.replace(/^http:/, 'https:')
  return [...new Set([withoutQuery, slashed, otherScheme(withoutQuery), otherScheme(slashed)])]
}

/** The page that an address leads to: the very one that is known, or the page of its nearest variant. */
export function pageOfAddress(address: string, known: ReadonlyMap<string, string>): string | null {
  const exact = known.get(address)
  if (exact !== undefined) return exact
  for (const variant of addressVariants(address)) {
    const page = known.get(variant)
    if (page !== undefined) return page
  }
  return null
}
