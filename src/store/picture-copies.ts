import { database } from './database'
import { hashesOfMade } from './kept-pictures'

/** Copies of pictures that are kept for all runs: small ones for the cards, whole ones for refitting. */
export async function pictureCopies(): Promise<{ count: number; bytes: number }> {
  let count = 0
  let bytes = 0
  for (const table of [database.thumbs, database.originals]) {
    for (const copy of await table.toArray()) {
      count++
      bytes += copy.bytes
    }
  }
  return { count, bytes }
}

/** Lets go of them. Pictures made here are in no build, and stay. */
export async function deletePictureCopies(): Promise<void> {
  const made = await hashesOfMade()
  for (const table of [database.thumbs, database.originals]) {
    const keys = (await table.toCollection().primaryKeys()).filter((key) => !made.has(key))
    await table.bulkDelete(keys)
  }
}
