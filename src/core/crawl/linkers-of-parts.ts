import { createAddressMap } from '../address'
import type { GatheredPage, KeptLinks, RunNote, RunSource } from '../model'
import { groupBy } from '../text'
import { LinkBook, linksOf } from './link-book'
import { LinksOfPages } from './links-of-pages'
import { mergeTwins } from './merge-twins'

/** A page that was read with a part of a list, and where its links lead; null where that is not known. */
type PartPage = { page: GatheredPage; links: KeptLinks | null }

/** A page that several parts came to, by its own address and by one that leads to it: told once, with all ways to it. */
function together([first, ...others]: readonly [PartPage, ...PartPage[]]): PartPage {
  if (others.length === 0) return first
  const { fetch } = first.page
  const known = new Set(fetch.aliases)
  const aliases = others.flatMap(({ page }) => page.fetch.aliases.filter((alias) => !known.has(alias)))
  const ways = new Map(
    [first, ...others].flatMap(({ page }) => (page.fetch.ledHereBy ?? []).map((lead) => [lead.address, lead] as const)),
  )
  const ledHereBy = ways.size > 0 ? { ledHereBy: [...ways.values()] } : {}
  return {
    ...first,
    page: { ...first.page, fetch: { ...fetch, aliases: [...fetch.aliases, ...aliases], ...ledHereBy } },
  }
}

/**
 * What only all pages of a list together tell, where they were read in parts: who links to an address that is not there or
 * that redirects, and which addresses are two forms of one page's.
 *
 * @param all pages of all parts, in the order of the list
 */
export function withLinkersOfAll(
  all: readonly PartPage[],
  { site, servedAt }: RunSource,
): { pages: GatheredPage[]; note: RunNote | null } {
  const read = [...groupBy(all, ({ page }) => page.url).values()].map((same) => together(same as [PartPage]))
  const links = new LinksOfPages(createAddressMap(site, null, servedAt ?? null).toPublic)
  const book = new LinkBook()
  for (const { page, links: own } of read) {
    if (!own) continue
    const { visible, stated } = linksOf(page, own, links)
    for (const list of [visible, stated])
      for (const { address, line, column } of list)
        book.note(address, { page: page.url, line, column }, list === visible)
  }
  const told = new Set(read.map(({ page }) => page.url))
  const isFormOnly = (url: string) => told.has(`${url}.html`) && !book.isVisible(url)
  const pages = read.map(({ page }): GatheredPage => {
    const { linkers, ledHereBy } = page.fetch
    if (!linkers && !ledHereBy) return page
    const fetch = {
      ...page.fetch,
      ...(linkers && { linkers: book.of(page.url) }),
      ...(ledHereBy && { ledHereBy: ledHereBy.map((lead) => ({ ...lead, linkers: book.of(lead.address) })) }),
    }
    return { ...page, fetch }
  })
  return mergeTwins(pages, (url) => !isFormOnly(url))
}
