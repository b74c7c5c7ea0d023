import type { HeldEvent } from '@/core/compare'
import { database, type StoredHeldEvent, type StoredRun } from './database'

/** Runs of a site that went live, the newest launch first. The first of them is the baseline. */
export async function launchesOf(site: string): Promise<(StoredRun & { launchedAt: string })[]> {
  const runs = await database.runs.filter((run) => run.source.site === site && run.launchedAt !== undefined).toArray()
  return (runs as (StoredRun & { launchedAt: string })[]).sort((a, b) => (a.launchedAt < b.launchedAt ? 1 : -1))
}

/** Says that a run went live at a moment (ISO 8601), or that it didn't. */
export async function markLaunched(run: string, at: string | null): Promise<void> {
  await database.runs.update(run, { launchedAt: at ?? undefined })
}

/** Links of a site that were posted or asked for again, in the order in which that was said. */
export async function heldEventsOf(site: string): Promise<StoredHeldEvent[]> {
  return database.heldEvents.where('site').equals(site).sortBy('id')
}

/** Keeps what happened. @returns ids by which it can be taken back */
export async function keepHeldEvents(site: string, events: readonly StoredHeldEvent['event'][]): Promise<number[]> {
  const rows = events.map((event) => ({ site, event }))
  return (await database.heldEvents.bulkAdd(rows, { allKeys: true })) as number[]
}

/** Takes back what was said, as if it had not happened. */
export async function takeBackHeldEvents(ids: readonly number[]): Promise<void> {
  await database.heldEvents.bulkDelete([...ids])
}

/** What happened to the copies of a site: launches, links posted, places asked. */
export async function historyOf(
  site: string,
): Promise<{ launches: StoredRun[]; said: StoredHeldEvent[]; events: HeldEvent[] }> {
  const launches = await launchesOf(site)
  const said = await heldEventsOf(site)
  const launched = launches.map(({ id, launchedAt }): HeldEvent => ({ kind: 'launched', run: id, at: launchedAt }))
  return { launches, said, events: [...launched, ...said.map(({ event }) => event)] }
}
