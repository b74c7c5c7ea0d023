import { baseOf, resolveAddress } from '../address'
import type { GatheredPage, PageFacts, Position } from '../model'
import { metasOf } from '../surface'
import { forLast, isBlank } from '../text'

/** An address that a tag gives, resolved against the page; `address` is null when it makes no sense. */
export type NamedAddress = { key: string; raw: string; address: string | null; at: Position }

function named(page: GatheredPage & { facts: PageFacts }, key: string, raw: string, at: Position): NamedAddress[] {
  if (isBlank(raw)) return []
  return [{ key, raw, address: resolveAddress(raw, baseOf(page.url, page.facts.base)), at }]
}

const ofLast = forLast<readonly NamedAddress[]>()

/** What og:url and canonical say the page's address is. */
export const ownAddresses = (page: GatheredPage & { facts: PageFacts }): readonly NamedAddress[] =>
  ofLast(page, page.facts, 'own', () => findOwn(page))

function findOwn(page: GatheredPage & { facts: PageFacts }): NamedAddress[] {
  const canonicals = page.facts.links.filter((link) => link.rel.split(' ').includes('canonical'))
  return [
    ...metasOf(page.facts, 'og:url').flatMap((tag) => named(page, 'og:url', tag.value ?? '', tag)),
    ...canonicals.flatMap((link) => named(page, 'canonical', link.href, link)),
  ]
}

const PICTURE_KEYS = ['og:image', 'og:image:url', 'og:image:secure_url', 'twitter:image', 'twitter:image:src']

/** Those, and the addresses of the pictures. */
export const cardAddresses = (page: GatheredPage & { facts: PageFacts }): readonly NamedAddress[] =>
  ofLast(page, page.facts, 'card', () => {
    const pictures = PICTURE_KEYS.flatMap((key) => metasOf(page.facts, key))
    return [...ownAddresses(page), ...pictures.flatMap((tag) => named(page, tag.key, tag.value ?? '', tag))]
  })
