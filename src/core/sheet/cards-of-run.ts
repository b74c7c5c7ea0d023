import { pathOn } from '../address'
import type { ReadDocument } from '../document'
import { type CardPart, cardChanges, type Surface } from '../surface'
import { plural, shownTime } from '../text'
import { type DrawnCard, drawCard } from './draw-card'
import type { Drawing } from './drawing'
import { type Pair, sheetOfCards, sheetOfPairs } from './sheet'

/** What is drawn of a run: as a document has it, or one just made. */
export type DrawnRun = Pick<ReadDocument, 'startedAt'> & {
  source: { site: string }
  pages: readonly DrawnPage[]
  images: readonly { url: string; hash: string | null }[]
}
type DrawnPage = Pick<ReadDocument['pages'][number], 'url' | 'cards'>

/** Cards on one sheet: more make a picture that is too long to look through. */
export const MAX_ON_SHEET = 60

const hostOf = ({ source }: DrawnRun) => new URL(source.site).host

/** A sheet, and how many of its cards had no room on it. */
export type CardSheet = { drawing: Drawing; cards: number; left: number }

/** Cards of one page on several places, or of several pages, each named. @param keyOf the painter's key of a picture */
export function sheetOfRun(
  run: DrawnRun,
  pages: readonly DrawnPage[],
  surfaces: readonly Surface[],
  keyOf: (url: string) => string,
): CardSheet {
  const all = pages.flatMap(({ url, cards }) =>
    surfaces.flatMap((surface) => {
      const card = cards[surface.id]
      return card ? [{ path: pathOn(url, run.source.site), surface, card }] : []
    }),
  )
  const shown = all.slice(0, MAX_ON_SHEET)
  const only = pages.length === 1 ? pages[0] : undefined
  const cells = shown.map(({ path, surface, card }) => ({
    caption: only ? surface.name : surfaces.length === 1 ? path : `${path} · ${surface.name}`,
    card: drawCard(card, surface, { keyOf }),
  }))
  const left = all.length - shown.length
  const places = surfaces.length === 1 ? `${surfaces[0]!.name}, ` : ''
  const rest = left > 0 ? `, the first ${shown.length} of ${all.length} cards` : ''
  const title = only ? pathOn(only.url, run.source.site) : hostOf(run)
  const about = `${only ? `${hostOf(run)}, ` : ''}${places}${shownTime(run.startedAt)}${rest}`
  return { drawing: sheetOfCards(title, about, cells), cards: shown.length, left }
}

/** One card that shows something else than before. */
type ChangedCard = {
  path: string
  surface: Surface
  before: DrawnCard | null
  after: DrawnCard | null
  marked: ReadonlySet<CardPart>
  /** Further places whose card of this page changed. */
  others: number
}

/** Of which of two runs a picture is: the same address may hold another one in each. */
export type Side = 'before' | 'after'

/** A picture counts by what it shows: under one address it may be another. */
function partsChanged(
  before: DrawnPage['cards'][string],
  after: DrawnPage['cards'][string],
  hashes: Record<Side, ReadonlyMap<string, string | null>>,
): Set<CardPart> {
  const parts = new Set(cardChanges(before, after))
  const [was, is] = [hashes.before.get(before.image.url ?? ''), hashes.after.get(after.image.url ?? '')]
  if (was && is) {
    if (was !== is) parts.add('image')
    // Another address with the same picture is the same card: what a build names its files is not to be seen.
    else parts.delete('image')
  }
  return parts
}

/**
 * Cards that changed from one run to another, a page each; of several places that changed the first stands for all.
 * Pages are matched by their path under the site, so that staging can be held against production.
 *
 * @param isEach a card for each of the places, and not only the first
 */
export function changedCards(
  before: DrawnRun,
  after: DrawnRun,
  surfaces: readonly Surface[],
  isEach = false,
): ChangedCard[] {
  const at = (run: DrawnRun) => new Map(run.pages.map((page) => [pathOn(page.url, run.source.site), page.cards]))
  const hashesOf = (run: DrawnRun) => new Map(run.images.map(({ url, hash }) => [url, hash]))
  const [old, now] = [at(before), at(after)]
  const hashes = { before: hashesOf(before), after: hashesOf(after) }
  return [...new Set([...now.keys(), ...old.keys()])].flatMap((path) => {
    const changed = surfaces.flatMap((surface) => {
      const [was, is] = [old.get(path)?.[surface.id] ?? null, now.get(path)?.[surface.id] ?? null]
      if (!was && !is) return []
      const marked = was && is ? partsChanged(was, is, hashes) : new Set<CardPart>()
      return was && is && marked.size === 0 ? [] : [{ path, surface, before: was, after: is, marked, others: 0 }]
    })
    const first = changed[0]
    return isEach || !first ? changed : [{ ...first, others: changed.length - 1 }]
  })
}

/** Each changed card beside what it was, a row each. */
export function sheetOfChanged(
  before: Pick<DrawnRun, 'startedAt'>,
  after: DrawnRun,
  changed: readonly ChangedCard[],
  keyOf: (side: Side, url: string) => string,
): CardSheet {
  const shown = changed.slice(0, MAX_ON_SHEET)
  const pairs = shown.map(({ path, surface, before: was, after: is, marked, others }): Pair => {
    const drawn = (card: DrawnCard | null, side: Side) =>
      card && drawCard(card, surface, { keyOf: (url) => keyOf(side, url), marked })
    const more = others > 0 ? ` and ${plural(others, 'more place')}` : ''
    return { name: `${path} · ${surface.name}${more}`, before: drawn(was, 'before'), after: drawn(is, 'after') }
  })
  const left = changed.length - shown.length
  const rest = left > 0 ? `, the first ${shown.length} of them` : ''
  const about = `${plural(changed.length, 'changed card')}${rest}: ${shownTime(before.startedAt)} and ${shownTime(after.startedAt)}`
  return { drawing: sheetOfPairs(hostOf(after), about, pairs), cards: shown.length, left }
}
