import { pathOf } from '../address'
import type { Linkers } from '../model'

/** Links that are named before the rest is counted. */
const NAMED = 3

/**
 * Who names a URL, as the end of a sentence; empty where no link is known.
 *
 * @example ' Named on /guides/ (line 12) and /about (line 4).'
 */
export function linkerWords(linkers: Linkers | undefined): string {
  if (!linkers || linkers.count === 0) return ''
  const named = linkers.first
    .slice(0, NAMED)
    .map(({ page, line }) => (line === 0 ? `the sitemap ${pathOf(page)}` : `${pathOf(page)} (line ${line})`))
  const rest = linkers.count - named.length
  const all = rest > 0 ? [...named, `${rest} more`] : named
  const last = all.pop()!
  return ` Named on ${all.length === 0 ? last : `${all.join(', ')} and ${last}`}.`
}
