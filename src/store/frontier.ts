import { database } from './database'
import { ofRun } from './of-run'

/** A page that a run has found and not yet read. `depth`: how many links from the start. */
export type Waiting = { url: string; depth: number }

/** What a run that was broken off has still to read. */
export async function waitingOf(run: string): Promise<Waiting[]> {
  return (await database.frontier.where('run').equals(run).toArray()).map(({ url, depth }) => ({ url, depth }))
}

/** Keeps what a run has found. What is read in the meantime stays there until the run ends. */
export async function keepWaiting(run: string, found: readonly Waiting[]): Promise<void> {
  await database.frontier.bulkPut(found.map(({ url, depth }) => ({ run, url, depth })))
}

/** Forgets what a run had to read: it is done. */
export async function forgetWaiting(run: string): Promise<void> {
  await ofRun(database.frontier, run).delete()
}
