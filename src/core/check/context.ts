import { type AddressMap, createAddressMap } from '../crawl/address-map'
import { parseRobots } from '../crawl/robots'
import { sectionsOf } from '../crawl/sections'
import type { GatheredImage, GatheredPage, Gathering, PageFacts } from '../model'
import { type CardContext, cardOf } from '../surface/card'
import type { Card } from '../surface/card-model'
import type { Surface } from '../surface/profile'
import { surfaces } from '../surface/profiles'
import { type DeclaredImage, declaredImages } from './declared-images'

/** What checks may ask of a run. Everything is worked out once, when first asked for. */
export type CheckContext = {
  gathering: Gathering
  pages: readonly GatheredPage[]
  /** Pages that could be read. */
  readable: readonly (GatheredPage & { facts: PageFacts })[]
  addresses: AddressMap
  images: ReadonlyMap<string, GatheredImage>
  cards: CardContext
  surfaces: readonly Surface[]
  sections: ReadonlyMap<string, string>
  cardOf(page: GatheredPage, surface: Surface): Card
  declaredImages(page: GatheredPage & { facts: PageFacts }): DeclaredImage[]
}

/** Where the build was served; null for files, and for a list, whose addresses are the pages' own. */
function builtAt({ kind, location }: Gathering['source']): string | null {
  return (kind === 'url' || kind === 'sitemap') && /^https?:/i.test(location) ? location : null
}

/** What cards of a run depend on. */
export function cardContextOf(
  gathering: Pick<Gathering, 'source' | 'view' | 'robotsTxt' | 'notes'>,
  images: ReadonlyMap<string, GatheredImage>,
): CardContext {
  const { source, view, robotsTxt, notes } = gathering
  return {
    view,
    addresses: createAddressMap(source.site, builtAt(source)),
    images,
    robots: robotsTxt === null ? null : parseRobots(robotsTxt),
    loginPassed: notes.some(({ kind }) => kind === 'login-passed'),
  }
}

function remember<K extends object, V>(make: (key: K) => V): (key: K) => V {
  const known = new WeakMap<K, V>()
  return (key) => {
    const found = known.get(key)
    if (found !== undefined) return found
    const made = make(key)
    known.set(key, made)
    return made
  }
}

export function createCheckContext(gathering: Gathering): CheckContext {
  const images = new Map(gathering.images.map((image) => [image.url, image]))
  const cards = cardContextOf(gathering, images)
  const cardsOf = new Map(
    surfaces.map((surface) => [surface, remember((page: GatheredPage) => cardOf(page, surface, cards))]),
  )
  const readable = gathering.pages.filter((page): page is GatheredPage & { facts: PageFacts } => page.facts !== null)
  return {
    gathering,
    pages: gathering.pages,
    readable,
    addresses: cards.addresses,
    images,
    cards,
    surfaces,
    sections: sectionsOf(
      gathering.pages.map((page) => page.url),
      cards.addresses.site,
    ),
    cardOf: (page, surface) => cardsOf.get(surface)?.(page) ?? cardOf(page, surface, cards),
    declaredImages: remember((page) => declaredImages(page, cards.addresses)),
  }
}
