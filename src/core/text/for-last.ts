/**
 * Remembers what was worked out for the page that was asked about last: ten places and many checks ask the same of one
 * page in turn, and then of the next. No caller may change what is remembered.
 *
 * @returns takes the objects that the answer hangs on, a name for the question, and what answers it
 */
export function forLast<V>(): (page: object, context: object | null, name: string, make: () => V) => V {
  let last: { page: object; context: object | null; made: Map<string, V> } | null = null
  return (page, context, name, make) => {
    if (last?.page !== page || last.context !== context) last = { page, context, made: new Map() }
    const known = last.made.get(name)
    if (known !== undefined) return known
    const made = make()
    last.made.set(name, made)
    return made
  }
}
