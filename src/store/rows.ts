import { Dexie } from 'dexie'
import { groupBy } from '@/core/text'
import { database, type StoredRows, type WallRow } from './database'
import { packRows, ROWS_A_PART, unpackRows } from './packed-rows'

/**
 * Rows of runs, in the order in which pages were found. A hundred lie in one part: each by itself takes the database longer
 * to hand over than anything that is done with it.
 */

const partOf = (order: number) => Math.floor(order / ROWS_A_PART)

const unpacked = ({ run, part, text }: StoredRows, only?: ReadonlySet<number>) =>
  unpackRows(run, part * ROWS_A_PART, text, only)

const rowsIn = (part: StoredRows, only?: ReadonlySet<number>): WallRow[] =>
  unpacked(part, only).filter((row) => row !== null)

/** Parts of a run, from one of them on. */
const partsOf = (run: string, from: number | typeof Dexie.minKey = Dexie.minKey) =>
  database.rowParts.where('[run+part]').between([run, from], [run, Dexie.maxKey])

/** Parts that are asked for at once: while some are unpacked, the next come. */
const PARTS_AT_ONCE = 10

/** Rows of a run, part by part. */
export async function* rowsByPart(run: string): AsyncGenerator<WallRow[]> {
  const read = (from: number) =>
    database.rowParts.bulkGet(Array.from({ length: PARTS_AT_ONCE }, (_, at) => [run, from + at]))
  for (let from = 0, coming = read(0); ; from += PARTS_AT_ONCE) {
    const parts = await coming
    coming = read(from + PARTS_AT_ONCE)
    for (const part of parts) {
      if (!part) return
      yield rowsIn(part)
    }
  }
}

/** All rows of a run, in that order. */
export async function rowsOf(run: string): Promise<WallRow[]> {
  return (await partsOf(run).toArray()).flatMap((part) => rowsIn(part))
}

/** Addresses of a run's pages, in that order. */
export const pageAddresses = async (run: string): Promise<string[]> => (await rowsOf(run)).map(({ url }) => url)

/** Room that a run's rows take, in characters. */
export const roomOfRows = async (run: string): Promise<number> =>
  (await partsOf(run).toArray()).reduce((sum, { text }) => sum + text.length, 0)

/** The place after a run's last row. */
async function endOf(run: string): Promise<number> {
  const last = await partsOf(run).last()
  return last ? last.part * ROWS_A_PART + unpacked(last).length : 0
}

/** At most so many rows of a run, evenly over it; of a run that is no longer all of them. */
export async function sampledRows(run: string, most: number): Promise<WallRow[]> {
  const end = await endOf(run)
  if (end <= most) return rowsOf(run)
  const orders = Array.from({ length: most }, (_, index) => Math.floor((index * end) / most))
  const parts = await database.rowParts.bulkGet([...new Set(orders.map(partOf))].map((part) => [run, part]))
  const only = new Set(orders)
  return parts.flatMap((part) => (part ? rowsIn(part, only) : []))
}

/** The rows found last, newest first. */
export async function newestRows(run: string, most: number): Promise<WallRow[]> {
  const parts = await partsOf(run)
    .reverse()
    .limit(1 + Math.ceil(most / ROWS_A_PART))
    .toArray()
  return parts.flatMap((part) => rowsIn(part).reverse()).slice(0, most)
}

/** Parts that are written in one transaction. */
const PARTS_A_WRITE = 10

/**
 * Writes rows of one run, each at the place that its order says.
 * @returns by how many characters what is kept has grown
 */
export async function putRows(rows: readonly WallRow[]): Promise<number> {
  const groups = [...groupBy(rows, ({ run, order }) => `${partOf(order)} ${run}`).values()]
  let growth = 0
  for (let from = 0; from < groups.length; from += PARTS_A_WRITE)
    growth += await putParts(groups.slice(from, from + PARTS_A_WRITE))
  return growth
}

async function putParts(groups: readonly (readonly WallRow[])[]): Promise<number> {
  const keys = groups.map(([first]): [string, number] => [first!.run, partOf(first!.order)])
  return database.transaction('rw', database.rowParts, async () => {
    const before = await database.rowParts.bulkGet(keys)
    const after = groups.map((group, index): StoredRows => {
      const [run, part] = keys[index]!
      const kept = before[index]
      const places: (WallRow | null)[] = kept ? unpacked(kept) : []
      for (const row of group) {
        const place = row.order - part * ROWS_A_PART
        while (places.length < place) places.push(null)
        places[place] = row
      }
      return { run, part, text: packRows(places) }
    })
    await database.rowParts.bulkPut(after)
    return after.reduce((sum, { text }, index) => sum + text.length - (before[index]?.text.length ?? 0), 0)
  })
}

/**
 * Takes away all rows from a place on.
 * @returns by how many characters what is kept has grown: none, or less than none
 */
export async function cutRows(run: string, from: number): Promise<number> {
  return database.transaction('rw', database.rowParts, async () => {
    const parts = await partsOf(run, partOf(from)).toArray()
    const before = parts.reduce((sum, { text }) => sum + text.length, 0)
    await partsOf(run, partOf(from)).delete()
    const left = parts.slice(0, 1).flatMap((part) => rowsIn(part).filter(({ order }) => order < from))
    return (await putRows(left)) - before
  })
}

/** Takes away all rows of a run: told to other tabs as one range. */
export const deleteRows = (run: string): Promise<number> => partsOf(run).delete()
