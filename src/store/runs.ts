import { runLock } from '@/workers/protocol'
import { database, type StoredRun } from './database'
import { deletePagesOf } from './pages'

/** Runs, newest first. */
export async function listRuns(): Promise<StoredRun[]> {
  return database.runs.orderBy('startedAt').reverse().toArray()
}

/** Deletes a run with everything that belongs to it alone. Small pictures are shared and stay. */
export async function deleteRun(id: string): Promise<void> {
  const { runs, pages, rows, images, frontier, overviews } = database
  await database.transaction('rw', [runs, pages, rows, images, frontier, overviews], async () => {
    await overviews.delete(id)
    await frontier.where('run').equals(id).delete()
    await deletePagesOf(id)
    await rows.where('run').equals(id).delete()
    await images.where('run').equals(id).delete()
    await runs.delete(id)
  })
}

/**
 * A run that is said to be running, and that no worker holds, was left behind by a closed tab: it is stopped, with what
 * it has. A worker of another tab holds the run's lock, so that run is left alone.
 */
export async function closeLeftBehind(): Promise<void> {
  const { held = [] } = await navigator.locks.query()
  const locks = new Set(held.map(({ name }) => name))
  const running = await database.runs.filter((run) => run.state === 'running').toArray()
  for (const run of running.filter(({ id }) => !locks.has(runLock(id)))) {
    const message = `The tab was closed at ${run.pages} of about ${run.pages + run.waiting} pages.`
    await database.runs.update(run.id, {
      state: 'stopped',
      finishedAt: new Date(run.touchedAt).toISOString(),
      notes: [...run.notes, { kind: 'stopped', message }],
    })
  }
}

/** May the run go on where it was broken off? Only a crawl can: files have to be given again. */
export const canResume = (run: StoredRun) => run.state === 'stopped' && run.waiting > 0 && run.source.kind === 'url'

/** What takes room: how much the browser gives, how much is used. null where it doesn't say. */
export async function storageUse(): Promise<{ usedBytes: number; quotaBytes: number } | null> {
  const { usage, quota } = await navigator.storage.estimate()
  return usage === undefined || quota === undefined ? null : { usedBytes: usage, quotaBytes: quota }
}

/** An id that sorts by time and is short enough for an address. */
export function newRunId(now: Date, random: () => number): string {
  const stamp = now.toISOString().replace(/[-:]/g, '').slice(2, 13).replace('T', '-')
  return `${stamp}-${Math.floor(random() * 46656)
    .toString(36)
    .padStart(3, '0')}`
}
