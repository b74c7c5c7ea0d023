import { database } from './database'

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
  const made = new Set<string>()
  await database.images.each(({ image, made: isMade }) => {
    if (isMade && image.hash) made.add(image.hash)
  })
  for (const table of [database.thumbs, database.originals]) {
    const keys = (await table.toCollection().primaryKeys()).filter((key) => !made.has(key))
    await table.bulkDelete(keys)
  }
}
