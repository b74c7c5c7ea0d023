import { database } from './database'

/** Bytes of small copies kept over all runs; the oldest go first. */
const MAX_THUMBS = 120_000_000
/** Bytes of whole pictures kept over all runs. */
const MAX_ORIGINALS = 200_000_000
/** A single picture heavier than this is not kept whole. */
export const MAX_ORIGINAL = 12_000_000

const tables = { thumbs: MAX_THUMBS, originals: MAX_ORIGINALS } as const

/** Keeps a whole picture, unless it is too heavy to. */
export async function keepOriginal(key: string, blob: Blob): Promise<void> {
  if (blob.size > MAX_ORIGINAL) return
  await database.originals.put({ key, blob, bytes: blob.size, savedAt: Date.now() })
}

/** Hashes of pictures that were made or added here: they are in no build, and can't be had again. */
export async function hashesOfMade(): Promise<Set<string>> {
  const made = new Set<string>()
  await database.images.each(({ image, made: isMade }) => {
    if (isMade && image.hash) made.add(image.hash)
  })
  return made
}

/**
 * Throws out what was kept longest, until thumbs and whole pictures are within their bounds. What was made or added here
 * stays, and counts.
 *
 * @param most bytes of each; ours when absent
 * @returns how many were thrown out
 */
export async function trimPictures(most: Record<keyof typeof tables, number> = tables): Promise<number> {
  let gone = 0
  const made = await hashesOfMade()
  for (const name of Object.keys(tables) as (keyof typeof tables)[]) {
    let sum = 0
    const old: string[] = []
    await database[name]
      .orderBy('savedAt')
      .reverse()
      .each(({ key, bytes }) => {
        sum += bytes
        if (sum > most[name] && !made.has(key)) old.push(key)
      })
    await database[name].bulkDelete(old)
    gone += old.length
  }
  return gone
}

/** A whole picture by the hash of its bytes; undefined where it is not kept. */
export async function originalAt(key: string): Promise<Blob | undefined> {
  return (await database.originals.get(key))?.blob
}

/** Is a picture itself kept under the key? */
export const hasOriginal = async (key: string): Promise<boolean> =>
  (await database.originals.where('key').equals(key).count()) > 0
