import { AddressSecrets, resolveAddress } from '@/core/address'
import type { CrawlRequest } from '@/core/crawl'
import { database, type StoredRun } from './database'
import { ofRun } from './of-run'
import { deletePagesOf } from './pages'
import { deleteRows } from './rows'
import { runLock } from './run-lock'

/** When what is new in a run was read (ISO 8601): of one that looked at a page again, that page. */
export const runReadAt = ({
  startedAt,
  finishedAt,
  lookedAgain,
}: Pick<StoredRun, 'startedAt' | 'finishedAt' | 'lookedAgain'>): string =>
  lookedAgain && finishedAt ? finishedAt : startedAt

/** Runs, newest first. What is only tried is none. */
export async function listRuns(): Promise<StoredRun[]> {
  const all = await database.runs.toArray()
  return all
    .filter(({ tried }) => tried === undefined)
    .sort((a, b) => Date.parse(runReadAt(b)) - Date.parse(runReadAt(a)))
}

/** Takes away what was tried of a run: it is made again in no time. @param but this one stays */
export async function deleteTried(of: string, but?: string): Promise<void> {
  const tried = await database.runs.filter((run) => run.tried?.run === of && run.id !== but).toArray()
  for (const { id } of tried) await deleteRun(id)
}

/** Deletes a run with everything that belongs to it alone. Small pictures are shared and stay. */
export async function deleteRun(id: string): Promise<void> {
  const { runs, pages, rowParts, images, frontier, overviews, links } = database
  await database.transaction('rw', [runs, pages, rowParts, images, frontier, overviews, links], async () => {
    await overviews.delete(id)
    await links.where('run').equals(id).delete()
    await ofRun(frontier, id).delete()
    await deletePagesOf(id)
    await deleteRows(id)
    await ofRun(images, id).delete()
    await runs.delete(id)
  })
  await deleteTried(id)
}

/** Characters of a run's name. */
export const MOST_OF_NAME = 80

/** Gives a run a name; an empty one takes it away. */
export async function nameRun(id: string, name: string): Promise<void> {
  const kept = name.trim().slice(0, MOST_OF_NAME)
  await database.runs.update(id, { name: kept === '' ? undefined : kept })
}

/** Does a worker write to the run, in this tab or another? */
export async function isRunWritten(id: string): Promise<boolean> {
  const { held = [] } = await navigator.locks.query()
  return held.some(({ name }) => name === runLock(id))
}

/**
 * A run that is said to be running, and that no worker holds, was left behind by a closed tab: it is stopped, with what
 * it has. A worker of another tab holds the run's lock, so that run is left alone.
 */
export async function closeLeftBehind(): Promise<void> {
  const { held = [] } = await navigator.locks.query()
  const locks = new Set(held.map(({ name }) => name))
  const day = Date.now() - 24 * 3_600_000
  const tried = await database.runs.filter((run) => run.tried !== undefined && run.touchedAt < day).toArray()
  for (const { id } of tried) await deleteRun(id)
  const running = await database.runs.filter((run) => run.state === 'running').toArray()
  for (const run of running.filter(({ id }) => !locks.has(runLock(id)))) {
    const message = `The tab was closed at ${run.pages} of about ${run.pages + run.waiting} pages.`
    await database.runs.update(run.id, {
      state: 'stopped',
      finishedAt: new Date(run.touchedAt).toISOString(),
      incomplete: [...run.incomplete, { why: 'stopped', message }],
    })
  }
}

/** May the run go on where it was broken off? Only a crawl can: files have to be given again. */
export const canResume = ({ state, waiting, source, request }: StoredRun) =>
  state === 'stopped' && waiting > 0 && (source.kind === 'url' || request !== undefined)

/** An address without the name, password and tokens that it may have been typed with. */
const plain = (address: string) => new AddressSecrets().take(resolveAddress(address, 'about:blank') ?? '', 'user')

/** What is kept of a request, see `StoredRun.request`. */
export function keptRequest({
  login: _login,
  resume: _resume,
  earlier: _earlier,
  ...request
}: CrawlRequest): CrawlRequest {
  const { from } = request
  if (from.kind === 'url') return { ...request, from: { ...from, start: plain(from.start) } }
  if (from.kind === 'sitemap') return { ...request, from: { ...from, address: plain(from.address) } }
  return { ...request, from: { ...from, addresses: from.addresses.slice(0, 1).map(plain) } }
}

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

export const runAt = (id: string): Promise<StoredRun | undefined> => database.runs.get(id)

/** Changes with every run that comes or goes: to be watched. */
export const runsKept = () => database.runs.count()

/** Writes down who said yes to a run; undefined takes it back. */
export async function signOff(run: string, signedOff: StoredRun['signedOff']): Promise<void> {
  await database.runs.update(run, { signedOff })
}

/** Every run, in no order. */
export const allRuns = (): Promise<StoredRun[]> => database.runs.toArray()

/** Of runs that are fit the one that began last. */
export const newestRun = (isFit: (run: StoredRun) => boolean): Promise<StoredRun | undefined> =>
  database.runs.orderBy('startedAt').reverse().filter(isFit).first()

/** A run that began at this moment (ISO 8601) and is such a one. */
export const runBegunAt = (startedAt: string, isSuch: (run: StoredRun) => boolean): Promise<StoredRun | undefined> =>
  database.runs.where('startedAt').equals(startedAt).filter(isSuch).first()

/** Adds a run. Fails where there is one of its id. */
export async function addRun(run: StoredRun): Promise<void> {
  await database.runs.add(run)
}

/** Keeps a run, in place of one of its id. */
export async function keepRun(run: StoredRun): Promise<void> {
  await database.runs.put(run)
}

/** Changes what is given of a run; of one that is not there nothing. */
export async function changeRun(id: string, change: Partial<StoredRun>): Promise<void> {
  await database.runs.update(id, change)
}
