import { database, type StoredOverview } from './database'

/** What a run looks like from afar; undefined in a run that was never judged to its end. */
export async function overviewOf(run: string): Promise<StoredOverview | undefined> {
  return database.overviews.get(run)
}
