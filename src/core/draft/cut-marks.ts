import { addTo } from '../group-by'
import type { Card } from '../surface/card-model'
import type { Surface } from '../surface/profile'

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

/** Words that a text should not end with. */
const DANGLING = /[\s,;:–—\-|·(]+$|\s+(?:and|or|the|a|an|of|to|in|on|for|with|but)$/i

/**
 * A text cut at a word's end so that it fits where the mark stands; null when no word fits. Nothing is added to it.
 * @example trimAt('How to rewire a lamp and a kettle', 24) // 'How to rewire a lamp'
 */
export function trimAt(text: string, at: number): string | null {
  const shown = text.slice(0, at)
  const isWhole = at >= text.length || /^\s/.test(text.slice(at)) || /\s$/.test(shown)
  let trimmed = isWhole ? shown : shown.replace(/\s*\S+$/u, '')
  for (let before = ''; before !== trimmed; ) {
    before = trimmed
    trimmed = trimmed.replace(DANGLING, '')
  }
  return trimmed === '' ? null : trimmed
}
