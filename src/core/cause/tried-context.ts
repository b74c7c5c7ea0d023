import { parseRobots } from '../address'
import type { CheckContext, Subject } from '../check'
import type { GatheredImage, GatheredPage } from '../model'
import { type CardBook, createCardBook } from '../surface'
import type { ReadPage } from './desk'

/** Pictures of a run with some replaced, without copying them all. */
export class LayeredPictures implements ReadonlyMap<string, GatheredImage> {
  constructor(
    private readonly below: ReadonlyMap<string, GatheredImage>,
    private readonly above: ReadonlyMap<string, GatheredImage>,
  ) {}
  get size() {
    return this.below.size + [...this.above.keys()].filter((url) => !this.below.has(url)).length
  }
  get(url: string): GatheredImage | undefined {
    return this.above.get(url) ?? this.below.get(url)
  }
  has(url: string): boolean {
    return this.get(url) !== undefined
  }
  *entries(): MapIterator<[string, GatheredImage]> {
    for (const [url, image] of this.below) yield [url, this.above.get(url) ?? image]
    for (const [url, image] of this.above) if (!this.below.has(url)) yield [url, image]
  }
  *keys(): MapIterator<string> {
    for (const [url] of this.entries()) yield url
  }
  *values(): MapIterator<GatheredImage> {
    for (const [, image] of this.entries()) yield image
  }
  [Symbol.iterator]() {
    return this.entries()
  }
  forEach(call: (image: GatheredImage, url: string, map: ReadonlyMap<string, GatheredImage>) => void): void {
    for (const [url, image] of this.entries()) call(image, url, this)
  }
}

/** The page that a changed one was made from, and what the change is about. */
export type Origins = WeakMap<GatheredPage, { page: GatheredPage; subjects: ReadonlySet<Subject> }>

/** What a card's picture hangs on, and its title: how it is laid out decides how much room that has. */
const OF_PICTURE: readonly Subject[] = ['picture', 'card']
const OF_TITLE_PART: readonly Subject[] = [...OF_PICTURE, 'title']

/** With its first og: tag a page gets a card where it had none: then nothing of the old one stays. */
export const hasOpenGraph = ({ facts }: GatheredPage) => facts?.metas.some(({ key }) => key.startsWith('og:')) ?? false

/** Cards of changed pages: parts that a change is not about are those of the page as built, which are made already. */
function bookWith(base: CheckContext, book: CardBook, origins: Origins): CardBook {
  const kept = (page: GatheredPage, of: readonly Subject[]) => {
    const origin = origins.get(page)
    return origin && !of.some((subject) => origin.subjects.has(subject)) ? origin.page : null
  }
  // A changed page may be made from one that is changed itself.
  const of = (origin: GatheredPage): Pick<CardBook, 'pictureOf' | 'titleOf'> => (origins.has(origin) ? changed : base)
  const changed: CardBook = {
    cardOf: book.cardOf,
    pictureOf(page, surface) {
      const origin = kept(page, OF_PICTURE)
      return origin ? of(origin).pictureOf(origin, surface) : book.pictureOf(page, surface)
    },
    titleOf(page, surface) {
      const origin = kept(page, OF_TITLE_PART)
      return origin ? of(origin).titleOf(origin, surface) : book.titleOf(page, surface)
    },
  }
  return changed
}

/** The run's context with other pictures, and other pages where these are given. */
export function contextWith(
  base: CheckContext,
  above: ReadonlyMap<string, GatheredImage>,
  pages: readonly GatheredPage[] = base.pages,
  robotsTxt: string | null = null,
  origins: Origins = new WeakMap(),
): CheckContext {
  const images = above.size === 0 ? base.images : new LayeredPictures(base.images, above)
  const robots = robotsTxt === null ? base.cards.robots : parseRobots(robotsTxt)
  const gathering = {
    ...base.gathering,
    pages: pages as GatheredPage[],
    robotsTxt: robotsTxt ?? base.gathering.robotsTxt,
  }
  const cards = { ...base.cards, images, robots }
  return {
    ...base,
    gathering,
    pages,
    readable: pages === base.pages ? base.readable : pages.filter((page): page is ReadPage => page.facts !== null),
    images,
    cards,
    ...bookWith(base, createCardBook(cards), origins),
    // What is yet to be made looks like nothing that is there.
    alikePictures: () =>
      base
        .alikePictures()
        .map((group) => group.filter((url) => !above.has(url)))
        .filter((group) => group.length > 1),
  }
}
