/** Items by what they have in common, in the order in which each was first met. */
export function groupBy<T, K>(items: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>()
  for (const item of items) {
    addTo(groups, keyOf(item), item)
  }
  return groups
}

/** Puts an item to what a key holds already. In place: a list that is copied for each item takes the square of its length. */
export function addTo<K, T>(groups: Map<K, T[]>, key: K, item: T): void {
  const group = groups.get(key)
  if (group) group.push(item)
  else groups.set(key, [item])
}
