import { database, type StoredImage } from './database'
import { ofRun } from './of-run'

/** Pictures of a run, by address. */
export async function imagesOf(run: string): Promise<Map<string, StoredImage['image']>> {
  const images = await database.images.where('run').equals(run).toArray()
  return new Map(images.map(({ url, image }) => [url, image]))
}

/** Pictures that a build or a server gave: what was made here is in no build, and nothing to be judged. */
export async function givenImages(run: string): Promise<StoredImage['image'][]> {
  const stored = await ofRun(database.images, run).toArray()
  return stored.flatMap(({ image, made }) => (made ? [] : [image]))
}

/** A picture of a run; undefined where the run has none at this address. */
export async function imageAt(run: string, url: string): Promise<StoredImage['image'] | undefined> {
  return (await database.images.get([run, url]))?.image
}

/** Pictures of runs, in the order in which they are asked for. */
export function imagesAt(keys: readonly { run: string; url: string }[]): Promise<(StoredImage | undefined)[]> {
  return database.images.bulkGet(keys.map(({ run, url }): [string, string] => [run, url]))
}

/** Adds pictures to runs, all at once: each write makes all views that show pictures read them again. */
export async function keepImages(images: readonly StoredImage[]): Promise<void> {
  await database.images.bulkPut([...images])
}

/** The small copy of a picture by its key (`thumb-key.ts`). */
export async function thumbAt(key: string): Promise<Blob | undefined> {
  return (await database.thumbs.get(key))?.blob
}

/** Small copies by their keys, in the order in which they are asked for. */
export const thumbsAt = (keys: readonly string[]) => database.thumbs.bulkGet([...keys])

/** Keeps the small copy of a picture. */
export async function keepThumb(key: string, blob: Blob): Promise<void> {
  await database.thumbs.put({ key, blob, bytes: blob.size, savedAt: Date.now() })
}

/** Changes with every picture that comes, and with every small copy that is made: to be watched. */
export const picturesKept = () => Promise.all([database.thumbs.count(), database.images.count()])

/** Pictures of a run with all that is kept of each. */
export const storedImagesOf = (run: string): Promise<StoredImage[]> => ofRun(database.images, run).toArray()

/** Keeps pictures of one run, in place of those of their addresses. */
export async function keepImagesOf(run: string, images: readonly StoredImage['image'][]): Promise<void> {
  await keepImages(images.map((image) => ({ run, url: image.url, image })))
}

/** Is there a small copy under the key? */
export const hasThumb = async (key: string): Promise<boolean> =>
  (await database.thumbs.where('key').equals(key).count()) > 0
