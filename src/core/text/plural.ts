/**
 * A count with its noun.
 *
 * @param many the noun for any number but one; absent: the noun and an s
 * @example plural(1, 'entry', 'entries') // '1 entry'
 */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString('en')} ${count === 1 ? one : many}`
