/** So many pages with one picture show that it is no page's own. */
export const DEFAULT_FROM_PAGES = 3

/** The one used by at least three pages and by more than any other; null when there is none, or two. */
export function mostUsed(lists: Iterable<readonly string[]>): string | null {
  const counts = new Map<string, number>()
  for (const list of lists) {
    const [first] = list
    if (first !== undefined) counts.set(first, (counts.get(first) ?? 0) + 1)
  }
  const [most, second] = [...counts].sort((a, b) => b[1] - a[1])
  return most && most[1] >= DEFAULT_FROM_PAGES && most[1] > (second?.[1] ?? 0) ? most[0] : null
}
