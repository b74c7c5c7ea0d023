/**
 * What a table has under a name that somebody else chose: a page, a file, a surface of one's own. `constructor` is a
 * name like any other, and nothing stands under it unless it was put there.
 */
export const ownEntry = <T>(table: Readonly<Record<string, T>> | undefined, name: string): T | undefined =>
  table !== undefined && Object.hasOwn(table, name) ? table[name] : undefined
