import type { PictureEntry } from '@/core/check'
import { database, type StoredOverview } from './database'
import { packBook, packOverview, unpackBook, unpackOverview } from './packed-overview'

/** What a run looks like from afar; undefined in a run that was never judged to its end. */
export async function overviewOf(run: string): Promise<StoredOverview | undefined> {
  const kept = await database.overviews.get(run)
  return kept && 'text' in kept ? { ...unpackOverview(run, kept.text), edits: kept.edits } : kept
}

/** Share pictures of a run with their uses; undefined in a run that was judged before they were listed. */
export async function bookOf(run: string): Promise<PictureEntry[] | undefined> {
  const kept = await database.overviews.get(run)
  if (!kept || !('text' in kept)) return kept?.book
  return kept.book === undefined ? undefined : unpackBook(kept.book)
}

export async function keepOverview(overview: StoredOverview): Promise<void> {
  const { run, book } = overview
  await database.overviews.put({ run, text: packOverview(overview), ...(book && { book: packBook(book) }) })
}

/** Of a run that is tried: what drafts may hold of it. */
export async function keepEdits(run: string, edits: StoredOverview['edits']): Promise<void> {
  await database.overviews.update(run, { edits })
}
