import { baseOf, resolveAddress } from '../address'
import type { LinkPlace, MissingUrl } from '../model'
import { groupBy } from '../text'
import type { CheckContext } from './context'
import { isSameAddress } from './known-page'

/**
 * URLs that are not there and are told where they are written, by checks of their own: entries of a sitemap, canonical
 * and og:url, links to other languages and to the neighbours in a series. A link in a page's text is none of these.
 */
export function explainedMissing(missing: readonly MissingUrl[], context: CheckContext): ReadonlySet<string> {
  const pages = groupBy(context.readable, ({ url }) => url)
  const isOfTag = (missing: string, { page: url, line }: LinkPlace) => {
    const page = pages.get(url)?.[0]
    if (!page) return false
    const links = page.facts.links.filter(({ rel, hreflang }) => {
      const words = rel.split(' ')
      return (
        ['canonical', 'next', 'prev'].some((word) => words.includes(word)) ||
        (words.includes('alternate') && hreflang !== undefined)
      )
    })
    const metas = page.facts.metas.filter(({ key }) => key === 'og:url')
    const tags = [
      ...links.map(({ href, line }) => ({ raw: href, line })),
      ...metas.map(({ value, line }) => ({ raw: value ?? '', line })),
    ]
    // A page that is all on one line has its links on the same.
    return tags.some((tag) => {
      const address = tag.line === line ? resolveAddress(tag.raw, baseOf(url, page.facts.base)) : null
      return address !== null && isSameAddress(context.addresses.toPublic(address), missing)
    })
  }
  const isExplained = ({ url, linkers }: MissingUrl) =>
    linkers.first.length > 0 && linkers.first.every((place) => place.line === 0 || isOfTag(url, place))
  return new Set(missing.filter(isExplained).map(({ url }) => url))
}
