import type { AddressMap } from '../address'
import { isReadable } from '../check'
import type { GatheredImage, GatheredPage, PageFacts } from '../model'
import { likelyContentImages, picturesNamed, publicImageUrl } from '../surface'

/** What is known around a page, as far as its cards ask for it. */
type Around = { addresses: AddressMap; images: ReadonlyMap<string, GatheredImage> }

/** Addresses of all pictures that any card of a page may ask for. */
function picturesAskedFor(page: GatheredPage & { facts: PageFacts }, around: Around): string[] {
  const { share, icons } = picturesNamed(page, around)
  const content = likelyContentImages(page.facts).flatMap(({ src }) => publicImageUrl(page, src, around) ?? [])
  return [...share, ...content, ...icons, new URL('/favicon.ico', page.url).href]
}

/**
 * All that a page and its pictures have to do with a comparison, in one text: where two runs of the same surroundings have
 * the same of a page, no card and no tag of it differs. Lines and bytes count: budgets go by them.
 *
 * @returns null for a page that could not be read: how it failed is no text
 */
export function comparedText(page: GatheredPage, around: Around): string | null {
  if (!isReadable(page)) return null
  const pictures = picturesAskedFor(page, around).map((url) => {
    const image = around.images.get(url)
    // Not the picture's own: what it looks like in small follows from its content, and servers know it by other marks.
    return image ? { ...image, look: undefined, validators: undefined, served: undefined } : null
  })
  return JSON.stringify([page.facts, page.fetch.robotsHeader ?? null, pictures])
}
