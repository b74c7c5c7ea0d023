/**
 * The value that occurs most; of those that occur equally often the first. null: there is none.
 *
 * @example usualOf(['b', 'a', 'a', 'b']) // 'b'
 */
export function usualOf<T>(values: Iterable<T>): T | null {
  const counts = new Map<T, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null
}
