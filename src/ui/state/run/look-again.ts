'use client'

import { createAddressMap } from '@/core/address'
import { CrawlRequest, type StartedWith } from '@/core/crawl'
import type { StoredRun } from '@/store/database'
import { folderOf, keepFolder } from '@/store/folders'
import { newRunId } from '@/store/runs'
import type { ChosenFile, GatherCommand, GatherReport, LookPlace } from '@/workers/protocol'
import { folderPicker } from './build-folder'
import { readSession, sendFiles } from './session'
import { filesOf } from './sources'

/** Where a folder or a zip has to be given by the reader before a page of it can be looked at again. */
export type Given = { kind: 'folder'; name: string; files: ChosenFile[] } | { kind: 'zip'; file: File }

/** The address at which the build serves a page of the run. */
export function lookAddress({ source }: Pick<StoredRun, 'source'>, url: string): string {
  const isNamed = source.kind === 'url' || source.kind === 'sitemap'
  const served = source.servedAt ?? (isNamed ? source.location : null)
  return createAddressMap(
    source.site,
    served && /^https?:/i.test(served) ? served : null,
    source.servedAt ?? null,
  ).toBuild(url)
}

/** What to ask for: this page, past the caches. One of a list may be on another host than the rest. */
function requestFor(run: StoredRun, url: string): CrawlRequest {
  const { site } = run.source
  const isOnSite = createAddressMap(site, null).isOnSite(url)
  const address = lookAddress(run, url)
  const session = readSession()
  // A login lives in the memory of the run that used it, and nowhere else.
  const source = session.kind !== 'idle' && session.runId === run.id ? session.source : null
  const login = source?.kind === 'crawl' ? source.request.login : null
  return CrawlRequest.parse({
    from: isOnSite ? { kind: 'url', start: address } : { kind: 'list', addresses: [address], follow: false },
    site: isOnSite ? site : null,
    maxPages: 1,
    ignoreRobots: true,
    pastCaches: true,
    login,
  })
}

/**
 * The folder that the site was last chosen from, if the browser still lets us read it. Asking for leave needs a key or
 * a click just before.
 */
export async function keptFolder(site: string): Promise<FileSystemDirectoryHandle | null> {
  const handle = (await folderOf(site)) as (FileSystemDirectoryHandle & Permissions) | undefined
  if (!handle) return null
  // Folders that are the browser's own need no leave, and there is no one to ask for it.
  const state = await (handle.queryPermission?.({ mode: 'read' }) ?? 'granted')
  const leave = state === 'prompt' ? await handle.requestPermission?.({ mode: 'read' }) : state
  return leave === 'granted' ? handle : null
}

// The types don't know yet that a handle can be asked for leave.
type Ask = (options: { mode: 'read' }) => Promise<PermissionState>
type Permissions = { queryPermission?: Ask; requestPermission?: Ask }

/** Asks for the folder, where the browser has a way to keep it; null where it hasn't, or the reader thinks better of it. */
export async function chooseKeptFolder(site: string): Promise<FileSystemDirectoryHandle | null> {
  const pick = folderPicker()
  if (!pick) return null
  const handle = await pick({ mode: 'read' }).catch(() => null)
  if (handle) await keepFolder(site, handle)
  return handle
}

/** Where a page of a run can be looked at again; null where its files have to be given first. */
export async function lookPlace(
  run: StoredRun,
  url: string,
  given: Given | null,
  startedWith: StartedWith | null,
): Promise<LookPlace | null> {
  const { kind, site } = run.source
  const files = filesOf(run.source)
  if (given) return given.kind === 'zip' ? given : { kind: 'files', name: given.name }
  if (startedWith?.kind === kind && startedWith.name === run.source.location) return { kind: 'served' }
  if (files?.kind === 'zip') return null
  if (files === null) return { kind: 'crawl', request: requestFor(run, url) }
  const handle = await keptFolder(site)
  return handle && { kind: 'handle', handle }
}

/**
 * Looks again at one page in a worker of its own.
 * @param files those of a folder that was given
 * @returns id of the new run; rejects with words that can be shown
 */
export function requestLook(
  run: StoredRun,
  url: string,
  at: LookPlace,
  files: readonly ChosenFile[] = [],
): Promise<string> {
  const runId = newRunId(new Date(), Math.random)
  const worker = new Worker(new URL('../../../workers/gather.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<string>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<GatherReport>) => {
      if (data.kind === 'finished') resolve(runId)
      else if (data.kind === 'failed') reject(new Error(data.message))
    })
    worker.addEventListener('error', () => reject(new Error('Looking again broke off by a fault of ours.')))
    void sendFiles(worker, files).then(() => post(worker, { kind: 'look', runId, parent: run.id, url, at }))
  }).finally(() => worker.terminate())
}

const post = (worker: Worker, command: GatherCommand) => worker.postMessage(command)
