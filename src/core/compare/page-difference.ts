import { type CardPart, cardChanges, type TagChange, tagChanges } from '../surface'
import type { ComparedPage, ComparedRun } from './compared-run'

/** How the picture of a card changed. */
export type ImageChange = { before: string | null; after: string | null; sameAddress: boolean; samePicture: boolean }

/** What one surface shows otherwise than before. */
export type CardDifference = { parts: CardPart[]; image?: ImageChange }

/** What a page says and shows otherwise than before: cards by surface, those alone that differ. */
export type PageDifference = { tags: TagChange[]; cards: Map<string, CardDifference> }

type Hashes = ComparedRun['hashes']

/** Known only where both pictures were read whole. */
function contentsOf(before: string | null, after: string | null, hashes: { before: Hashes; after: Hashes }) {
  const was = before === null ? null : (hashes.before.get(before) ?? null)
  const is = after === null ? null : (hashes.after.get(after) ?? null)
  return was === null || is === null ? 'unknown' : was === is ? 'same' : 'other'
}

/** What differs between two readings of one page; null when nothing does. */
export function pageDifference(
  before: ComparedPage,
  after: ComparedPage,
  hashes: { before: Hashes; after: Hashes },
): PageDifference | null {
  const cards = new Map<string, CardDifference>()
  const old = before.cards()
  for (const [surface, card] of Object.entries(after.cards())) {
    const was = old[surface]
    if (!was) continue
    const parts = cardChanges(was, card)
    const [a, b] = [was.image.url, card.image.url]
    const contents = contentsOf(a, b, hashes)
    if (a !== null && a === b && contents === 'other') parts.push('image')
    if (parts.length === 0) continue
    const image = { before: a, after: b, sameAddress: a === b, samePicture: contents === 'same' }
    cards.set(surface, { parts, ...(parts.includes('image') ? { image } : {}) })
  }
  const tags = tagChanges(before.facts, after.facts)
  return cards.size === 0 && tags.length === 0 ? null : { tags, cards }
}
