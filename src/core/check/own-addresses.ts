import { baseOf, resolveAddress } from '../address'
import type { GatheredPage, MetaFact, PageFacts, Position } from '../model'
import { metasOf } from '../surface'
import { forLast, groupBy, isBlank } from '../text'

/** An address that a tag gives, resolved against the page; `address` is null when it makes no sense. */
export type NamedAddress = { key: string; raw: string; address: string | null; at: Position }

type ReadPage = GatheredPage & { facts: PageFacts }

function named(page: ReadPage, key: string, raw: string, at: Position): NamedAddress[] {
  if (isBlank(raw)) return []
  return [{ key, raw, address: resolveAddress(raw, baseOf(page.url, page.facts.base)), at }]
}

const ofLast = forLast<readonly NamedAddress[]>()

/** What og:url and canonical say the page's address is. */
export const ownAddresses = (page: ReadPage): readonly NamedAddress[] =>
  ofLast(page, page.facts, 'own', () => findOwn(page))

function findOwn(page: ReadPage): NamedAddress[] {
  const canonicals = page.facts.links.filter((link) => link.rel.split(' ').includes('canonical'))
  return [
    ...metasOf(page.facts, 'og:url').flatMap((tag) => named(page, 'og:url', tag.value ?? '', tag)),
    ...canonicals.flatMap((link) => named(page, 'canonical', link.href, link)),
  ]
}

const PICTURE_KEYS = ['og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image', 'twitter:image:src']

/** Tags that name share images. */
export const pictureTags = (facts: PageFacts): MetaFact[] => PICTURE_KEYS.flatMap((key) => metasOf(facts, key))

/** What og:image and twitter:image name. */
export const pictureAddresses = (page: ReadPage): readonly NamedAddress[] =>
  ofLast(page, page.facts, 'pictures', () =>
    pictureTags(page.facts).flatMap((tag) => named(page, tag.key, tag.value ?? '', tag)),
  )

/** Signs that join the keys of tags which say the same: `canonical and og:url`. */
export const AND = ' and '

/** Tags that say the same are one fault: each value once, with all the keys that say it, at the first of them. */
export function eachAddressOnce(all: readonly NamedAddress[]): NamedAddress[] {
  if (all.length < 2) return [...all]
  return [...groupBy(all, ({ raw }) => raw.trim()).values()].map((same) => {
    const keys = [...new Set(same.map(({ key }) => key))]
    const [first] = [...same].sort((a, b) => a.at.line - b.at.line || a.at.column - b.at.column)
    return { ...first!, key: keys.sort().join(AND) }
  })
}
