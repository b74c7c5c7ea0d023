import { type Collection, Dexie, type Table } from 'dexie'

/**
 * All that a table keeps of one run, as one range of its keys. Deleted as such it is told to other tabs as one range;
 * by the index of runs it would be told key by key, which keeps each of them busy for as long as the run is large.
 */
export function ofRun<Row>(table: Table<Row, [string, string]>, run: string): Collection<Row, [string, string]> {
  return table.where('[run+url]').between([run, Dexie.minKey], [run, Dexie.maxKey])
}
