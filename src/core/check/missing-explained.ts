import type { LinkPlace, MissingUrl } from '../model'
import { groupBy } from '../text'
import type { CheckContext } from './context'

/**
 * URLs that are not there and are told where they are written, by checks of their own: entries of a sitemap, canonical
 * and og:url, links to other languages and to the neighbours in a series. A link in a page's text is none of these.
 */
export function explainedMissing(missing: readonly MissingUrl[], context: CheckContext): ReadonlySet<string> {
  const pages = groupBy(context.readable, ({ url }) => url)
  const isOfTag = ({ page: url, line, column }: LinkPlace) => {
    const facts = pages.get(url)?.[0]?.facts
    if (!facts) return false
    const links = facts.links.filter(({ rel, hreflang }) => {
      const words = rel.split(' ')
      return (
        ['canonical', 'next', 'prev'].some((word) => words.includes(word)) ||
        (words.includes('alternate') && hreflang !== undefined)
      )
    })
    const tags = [...links, ...facts.metas.filter(({ key }) => key === 'og:url')]
    return tags.some((tag) => tag.line === line && tag.column === column)
  }
  const isExplained = ({ linkers }: MissingUrl) =>
    linkers.first.length > 0 && linkers.first.every((place) => place.line === 0 || isOfTag(place))
  return new Set(missing.filter(isExplained).map(({ url }) => url))
}
