import type { GatheredPage, MetaFact } from '../model'
import { ogImages } from './candidates'

/** How many pictures a page offers: places that let people choose show them one after the other. */
export const offeredPictures = (page: GatheredPage): number => (page.facts ? ogImages(page.facts).length : 0)

/**
 * The page as a place sees it when somebody chooses another of its pictures: the chosen one stands for all.
 *
 * @param index of the picture, from 0
 */
export function withPictureChosen(page: GatheredPage, index: number): GatheredPage {
  if (!page.facts) return page
  const images = ogImages(page.facts)
  if (images.length < 2 || !images[index]) return page
  const others = new Set<MetaFact>(
    images
      .filter((_, at) => at !== index)
      .flatMap(({ forms, width, height, alt, type }) => [
        ...forms,
        ...[width, height, alt, type].filter((tag) => tag !== null),
      ]),
  )
  // A picture of the card's own would go before what was chosen.
  const isOfCard = ({ key }: MetaFact) => /^twitter:image(?::src|:alt)?$/.test(key)
  const metas = page.facts.metas.filter((meta) => !others.has(meta) && !isOfCard(meta))
  return { ...page, facts: { ...page.facts, metas } }
}
