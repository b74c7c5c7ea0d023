import { siteInWords } from '../address'
import type { ReadDocument } from '../document'
import { type CardPart, mainPlace, type Surface, surfacesWith, type TagChange } from '../surface'
import { addTo } from '../text'
import { type ComparedPage, type ComparedRun, documentCompared } from './compared-run'
import { type CardDifference, type ImageChange, type PageDifference, pageDifference } from './page-difference'

/** Why a place's held copy of a page is out of date. */
export type RefreshReason = 'text' | 'image' | 'layout' | 'removed' | 'picture-under-same-address'

export type ChangedPage = {
  url: string
  surfaces: string[]
  parts: CardPart[]
  tags: TagChange[]
  /** Of the first surface whose picture changed. */
  image?: ImageChange
}

/** What changed from one run to another: the document of `compare`. */
export type Drift = {
  format: 'nimble-parrot-drift'
  version: 1
  added: string[]
  removed: string[]
  moved: { from: string; to: string }[]
  findings: { came: { rule: string; page: string }[]; went: { rule: string; page: string }[] }
  changed: ChangedPage[]
  refresh: Record<string, { url: string; reason: RefreshReason }[]>
}

/** What tells a page apart when its address changes: its own texts and what it says of itself. */
function signatureOf({ facts, cards }: ComparedPage, place: Surface): string | null {
  if (!facts) return null
  const { title, h1, firstParagraph } = facts
  return title ? JSON.stringify([title, h1, firstParagraph, cards()[place.id]?.description.text ?? null]) : null
}

/** Removed pages that live on elsewhere: the new page answers for the old address, or is the only one that says the same. */
function movesBetween(
  removed: readonly ComparedPage[],
  added: readonly ComparedPage[],
  place: Surface,
): Map<string, string> {
  const moves = new Map<string, string>()
  const led = new Map(
    added.flatMap((page) =>
      [...page.fetch.aliases, ...page.fetch.redirects.map(({ url }) => url)].map((from) => [from, page.url]),
    ),
  )
  const signatures = new Map<string, string[]>()
  for (const page of added) {
    const signature = signatureOf(page, place)
    if (signature) addTo(signatures, signature, page.url)
  }
  const taken = new Set<string>()
  for (const page of removed) {
    const alike = signatures.get(signatureOf(page, place) ?? '') ?? []
    const to = led.get(page.url) ?? (alike.length === 1 ? alike[0] : undefined)
    if (to === undefined || taken.has(to)) continue
    taken.add(to)
    moves.set(page.url, to)
  }
  return moves
}

/** Two runs against each other, in all that the document of it is made from. */
export type Comparison = {
  /** Pages that only the later run has, and that only the earlier one has. */
  fresh: string[]
  gone: string[]
  /** Of those, old addresses with the new ones. */
  moves: Map<string, string>
  /** Pages that differ, in the order of the later run. */
  differences: Map<string, PageDifference>
  findings: Drift['findings']
}

function saysTheSame(before: ComparedPage, after: ComparedPage): boolean {
  const text = before.text()
  return text !== null && text === after.text()
}

/**
 * Compares two runs. Pages are matched by address, moved ones by what leads to them or what they say.
 * @param places that the runs have cards for
 */
export function compareRuns(
  before: ComparedRun,
  after: ComparedRun,
  places: readonly Surface[] = surfacesWith([]),
): Comparison {
  const old = new Map(before.pages.map((page) => [page.url, page]))
  const now = new Set(after.pages.map(({ url }) => url))
  const gone = before.pages.filter(({ url }) => !now.has(url))
  const fresh = after.pages.filter(({ url }) => !old.has(url))
  const hashes = { before: before.hashes, after: after.hashes }
  const isSameAround = before.surroundings !== null && before.surroundings === after.surroundings
  const differences = new Map<string, PageDifference>()
  for (const page of after.pages) {
    const earlier = old.get(page.url)
    if (!earlier || (isSameAround && saysTheSame(earlier, page))) continue
    const difference = pageDifference(earlier, page, hashes)
    if (difference) differences.set(page.url, difference)
  }
  const keyed = (run: ComparedRun) => new Map(run.findings.map((one) => [`${one.rule}\n${one.page}`, one]))
  const [was, is] = [keyed(before), keyed(after)]
  return {
    fresh: fresh.map(({ url }) => url),
    gone: gone.map(({ url }) => url),
    moves: movesBetween(gone, fresh, mainPlace(places)),
    differences,
    findings: {
      came: [...is].filter(([key]) => !was.has(key)).map(([, finding]) => finding),
      went: [...was].filter(([key]) => !is.has(key)).map(([, finding]) => finding),
    },
  }
}

/** The gravest reason for asking a place again. */
export function reasonFor({ parts, image }: CardDifference): RefreshReason {
  if (parts.includes('layout')) return 'layout'
  if (parts.some((part) => part !== 'image')) return 'text'
  return image?.sameAddress ? 'picture-under-same-address' : 'image'
}

function changedPage(url: string, { tags, cards }: PageDifference): ChangedPage {
  const image = [...cards.values()].find((card) => card.image)?.image
  return {
    url,
    surfaces: [...cards.keys()],
    parts: [...new Set([...cards.values()].flatMap(({ parts }) => parts))],
    tags,
    ...(image ? { image } : {}),
  }
}

/** A comparison as a document. */
export function driftDocument(comparison: Comparison, places: readonly Surface[] = surfacesWith([])): Drift {
  const { fresh, gone, moves, differences, findings } = comparison
  const arrived = new Set(moves.values())
  const holding = places.filter((surface) => surface.holding !== null).map(({ id }) => id)
  const refresh: Drift['refresh'] = Object.fromEntries(holding.map((id) => [id, []]))
  for (const [url, { cards }] of differences) {
    for (const [surface, card] of cards) refresh[surface]?.push({ url, reason: reasonFor(card) })
  }
  for (const url of gone) for (const id of holding) refresh[id]!.push({ url, reason: 'removed' })
  return {
    format: 'nimble-parrot-drift',
    version: 1,
    added: fresh.filter((url) => !arrived.has(url)),
    removed: gone.filter((url) => !moves.has(url)),
    moved: [...moves].map(([from, to]) => ({ from, to })),
    findings,
    changed: [...differences].map(([url, difference]) => changedPage(url, difference)),
    refresh: Object.fromEntries(Object.entries(refresh).filter(([, list]) => list.length > 0)),
  }
}

/** The places that a run document has cards for: ours and those that it brings. */
export const placesOf = ({ ownSurfaces }: Pick<ReadDocument, 'ownSurfaces'>): readonly Surface[] =>
  surfacesWith(ownSurfaces ?? [])

/** Two run documents against each other. */
export function driftBetween(before: ReadDocument, after: ReadDocument): Drift {
  const places = placesOf(after)
  return driftDocument(compareRuns(documentCompared(before), documentCompared(after), places), places)
}

/** Why two run documents can't be held against each other; null when they can. */
export function incomparable(before: ReadDocument, after: ReadDocument): string | null {
  if (before.source.site === after.source.site) return null
  return `The two are of different sites, ${siteInWords(before.source.site)} and ${siteInWords(after.source.site)}. Run both with the same --site.`
}

/** Did anything change that a card shows, or that pages come and go by? */
export const hasDrifted = ({ added, removed, moved, changed }: Drift): boolean =>
  added.length + removed.length + moved.length > 0 || changed.some((page) => page.surfaces.length > 0)
