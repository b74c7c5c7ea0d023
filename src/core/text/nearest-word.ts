/** Edits (one letter more, less or other; two that changed places) between two words, no further than `most`. */
export function editsBetween(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1
  let before: number[] = []
  let row = Array.from({ length: b.length + 1 }, (_, index) => index)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++) {
      const changed = row[j - 1]! + (a[i - 1] === b[j - 1] ? 0 : 1)
      next[j] = Math.min(row[j]! + 1, next[j - 1]! + 1, changed)
      const isSwapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]
      if (isSwapped) next[j] = Math.min(next[j]!, before[j - 2]! + 1)
    }
    before = row
    row = next
  }
  return row[b.length]!
}

/** Edits up to which a word is taken for a slip of another. */
const NEAR = 2

/** Of the words known, the one that a mistyped one was most likely meant to be; null when none comes near. */
export function nearestWord<T extends string>(word: string, known: readonly T[]): T | null {
  let best: { known: T; edits: number } | null = null
  for (const one of known) {
    const edits = editsBetween(word.toLowerCase(), one.toLowerCase(), NEAR)
    if (edits <= NEAR && edits < Math.max(word.length, one.length) && (best === null || edits < best.edits))
      best = { known: one, edits }
  }
  return best?.known ?? null
}
