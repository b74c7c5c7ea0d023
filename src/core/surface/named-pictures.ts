import type { AddressMap } from '../address'
import type { GatheredPage, PageFacts } from '../model'
import { metasOf, ogImages } from './candidates'
import { publicImageUrl } from './picture'

/** Addresses of pictures that a page's tags name, each once, in their order: to be shared, and as icons. */
export function picturesNamed(
  page: GatheredPage & { facts: PageFacts },
  at: { addresses: AddressMap },
): { share: string[]; icons: string[] } {
  const { facts } = page
  const metas = [
    ...ogImages(facts).flatMap(({ forms }) => forms),
    ...metasOf(facts, 'twitter:image'),
    ...metasOf(facts, 'twitter:image:src'),
  ]
  const addressOf = (value: string | null) => publicImageUrl(page, value ?? '', at) ?? []
  const links = facts.links.filter(({ rel }) =>
    rel.split(' ').some((token) => token === 'icon' || token.startsWith('apple-touch-icon')),
  )
  return {
    share: [...new Set(metas.flatMap(({ value }) => addressOf(value)))],
    icons: [...new Set(links.flatMap(({ href }) => addressOf(href)))],
  }
}
