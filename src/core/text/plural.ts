const RULES = new Intl.PluralRules('en')
const NUMBERS = new Intl.NumberFormat('en')
const LISTS = new Intl.ListFormat('en-GB', { type: 'conjunction' })

/**
 * A count with its noun: the only place where a noun is put into the plural.
 *
 * @param many the noun for any number but one; absent: the noun and an s, so that one that ends otherwise needs it
 * @example plural(1, 'entry', 'entries') // '1 entry'
 */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${NUMBERS.format(count)} ${RULES.select(count) === 'one' ? one : many}`

/** Things named one after the other. @example listed(['a', 'b', 'c']) // 'a, b and c' */
export const listed = (things: readonly string[]): string => LISTS.format(things)
