import type { Card, Surface } from '../surface'
import { addTo } from '../text'

/** Where places cut a text: the UTF-16 offset after the last unit shown, and who cuts there. */
export type CutMark = { at: number; places: string[]; lost: string }

/** Marks for one text, the earliest cut first. A place that takes its text from elsewhere has no mark here. */
export function cutMarks(
  text: string,
  part: 'title' | 'description',
  cards: readonly { surface: Surface; card: Card }[],
): CutMark[] {
  const marks = new Map<number, string[]>()
  for (const { surface, card } of cards) {
    const drawn = card[part]
    // A part without room has nothing shown: it is not cut, it is not there.
    if (!drawn.cut || drawn.shown === '' || !text.startsWith(drawn.shown)) continue
    addTo(marks, drawn.shown.length, surface.name)
  }
  return [...marks].sort(([a], [b]) => a - b).map(([at, places]) => ({ at, places, lost: text.slice(at).trim() }))
}

/** Signs and words that a text should not end with. */
const LOOSE_SIGNS = new Set(',;:–—-|·(')
const LOOSE_WORDS = new Set(['and', 'or', 'the', 'a', 'an', 'of', 'to', 'in', 'on', 'for', 'with', 'but'])

const isSpace = (sign: string) => sign.trim() === ''

/** Where the last word of a text starts, and where the space before it does. */
function lastWord(text: string): { start: number; spaceStart: number } {
  let start = text.length
  while (start > 0 && !isSpace(text[start - 1]!)) start--
  let spaceStart = start
  while (spaceStart > 0 && isSpace(text[spaceStart - 1]!)) spaceStart--
  return { start, spaceStart }
}

/** A text without signs, and words like “and”, that leave it open at its end. */
function withoutLooseEnd(text: string): string {
  let trimmed = text
  for (;;) {
    let end = trimmed.length
    while (end > 0 && (LOOSE_SIGNS.has(trimmed[end - 1]!) || isSpace(trimmed[end - 1]!))) end--
    trimmed = trimmed.slice(0, end)
    const { start, spaceStart } = lastWord(trimmed)
    if (spaceStart === start || !LOOSE_WORDS.has(trimmed.slice(start).toLowerCase())) return trimmed
    trimmed = trimmed.slice(0, spaceStart)
  }
}

/**
 * A text cut at a word's end so that it fits where the mark stands; null when no word fits. Nothing is added to it.
 * @example trimAt('How to rewire a lamp and a kettle', 24) // 'How to rewire a lamp'
 */
export function trimAt(text: string, at: number): string | null {
  const shown = text.slice(0, at)
  const isWhole = at >= text.length || isSpace(text[at]!) || (shown !== '' && isSpace(shown.at(-1)!))
  const trimmed = withoutLooseEnd(isWhole ? shown : shown.slice(0, lastWord(shown).spaceStart))
  return trimmed === '' ? null : trimmed
}
