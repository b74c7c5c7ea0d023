/** What the packed forms of this folder have in common: values that stand in them once, and the text that they are read from. */

/** Values, each once, by the numbers of their order. */
export class Once<T> {
  readonly values: T[] = []
  private readonly numbers = new Map<string, number>()

  /** @param key tells two values apart */
  numberOf(value: T, key: string): number {
    const known = this.numbers.get(key)
    if (known !== undefined) return known
    this.numbers.set(key, this.values.length)
    return this.values.push(value) - 1
  }
}

/** Reads what this browser's own database holds in the form in which it was written. */
export const readPacked = <T>(text: string): T => JSON.parse(text)
