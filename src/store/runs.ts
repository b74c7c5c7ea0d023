import { database, type StoredRun } from './database'

/** A run that nobody has written to for so long has lost its worker: its tab was closed. */
const LEFT_BEHIND_MS = 15_000

/** Runs, newest first. */
export async function listRuns(): Promise<StoredRun[]> {
  return database.runs.orderBy('startedAt').reverse().toArray()
}

/** Deletes a run with everything that belongs to it alone. Small pictures are shared and stay. */
export async function deleteRun(id: string): Promise<void> {
  const { runs, pages, rows, images } = database
  await database.transaction('rw', [runs, pages, rows, images], async () => {
    await pages.where('run').equals(id).delete()
    await rows.where('run').equals(id).delete()
    await images.where('run').equals(id).delete()
    await runs.delete(id)
  })
}

/** A running run that nobody writes to is said to be stopped, with what it has. */
export async function closeLeftBehind(now: number): Promise<void> {
  const left = (await database.runs.toArray()).filter(
    (run) => run.state === 'running' && now - run.touchedAt > LEFT_BEHIND_MS,
  )
  for (const run of left) {
    const message = `The tab was closed at ${run.pages} of about ${run.pages + run.waiting} pages.`
    await database.runs.update(run.id, {
      state: 'stopped',
      finishedAt: new Date(run.touchedAt).toISOString(),
      notes: [...run.notes, { kind: 'stopped', message }],
    })
  }
}

/** An id that sorts by time and is short enough for an address. */
export function newRunId(now: Date, random: () => number): string {
  const stamp = now.toISOString().replace(/[-:]/g, '').slice(2, 13).replace('T', '-')
  return `${stamp}-${Math.floor(random() * 46656)
    .toString(36)
    .padStart(3, '0')}`
}
