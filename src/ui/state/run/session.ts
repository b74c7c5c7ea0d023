'use client'

import { create } from 'zustand'
import { newRunId } from '@/store/runs'
import type { ChosenFile, GatherCommand, GatherReport, GatherSource, SlowPage, Trouble } from '@/workers/protocol'
import { inShortTasks } from '../short-tasks'
import { ownPictureHosts } from './own-picture-hosts'

/** The run that this tab gathers, or gathered last. */
export type Session =
  | { kind: 'idle' }
  | {
      kind: 'running' | 'ended'
      runId: string
      source: GatherSource
      site: string | null
      startedAtMs: number
      endedAtMs: number | null
      done: number
      waiting: number
      images: number
      fetching: string[]
      slow: SlowPage[]
      /** Hosts of others, whose pictures are asked for slowly. */
      slowed: string[]
      troubles: Trouble[]
      stopped: boolean
      /** All is read; small copies of pictures are still being made. */
      isStoring: boolean
      /** What had not changed since an earlier run; null as long as nothing is known to have been taken from one. */
      taken: { pages: number; pictures: number; sinceMs: number } | null
    }
  | {
      kind: 'failed'
      message: string
      source: GatherSource
      runId: string
      kept: number
      /** It had a login before, which has to be given again. */
      wantsLogin?: true
    }

/** Troubles kept in sight; all of them are in the run. */
const TROUBLES_SHOWN = 50

const useStore = create<Session>(() => ({ kind: 'idle' }))
const set = (next: Session) => useStore.setState(next, true)
let worker: Worker | null = null

export const readSession = (): Session => useStore.getState()

export const useSession = (): Session => useStore()

type Live = Extract<Session, { kind: 'running' | 'ended' }>

/** The session after a report. Pure, apart from the clock that is passed in. */
export function afterReport(now: Live, report: GatherReport, nowMs: number): Session {
  switch (report.kind) {
    case 'started':
      return { ...now, site: report.site }
    case 'progress': {
      const { done, waiting, images, fetching, slow } = report
      return { ...now, done, waiting, images, fetching, slow }
    }
    case 'trouble':
      return { ...now, troubles: [report.trouble, ...now.troubles].slice(0, TROUBLES_SHOWN) }
    case 'slowed':
      return { ...now, slowed: [...now.slowed, ...report.hosts] }
    case 'taken': {
      const { pages, pictures, sinceMs } = report
      return { ...now, taken: { pages, pictures, sinceMs } }
    }
    case 'note':
    case 'exported':
    case 'held':
    case 'previewed':
      return now
    case 'storing':
      return { ...now, isStoring: true }
    case 'finished':
      return { ...now, kind: 'ended', endedAtMs: nowMs, fetching: [], stopped: report.state === 'stopped' }
    case 'failed':
      return { kind: 'failed', message: report.message, source: now.source, runId: now.runId, kept: report.kept }
  }
}

/** Files copied to the worker at once; each takes the browser about 0.4 ms. */
const FILES_AT_ONCE = 10

/** Hands files of a folder to a worker, which holds them for the command that comes next. */
export async function sendFiles(to: Worker, files: readonly ChosenFile[]): Promise<void> {
  await inShortTasks(files, FILES_AT_ONCE, (part) => {
    const command: GatherCommand = { kind: 'files', files: part }
    to.postMessage(command)
  })
}

async function sendStart(to: Worker, runId: string, source: GatherSource, resumes: boolean): Promise<void> {
  const isFolder = source.kind === 'folder'
  if (isFolder) await sendFiles(to, source.files)
  const command: GatherCommand = { kind: 'start', runId, source: isFolder ? { ...source, files: [] } : source, resumes }
  to.postMessage(command)
}

/** The source with the hosts of pictures that the reader said are theirs. */
function withOwnHosts(source: GatherSource): GatherSource {
  const pictureHosts = ownPictureHosts()
  if (source.kind !== 'crawl') return { ...source, pictureHosts }
  return { ...source, request: { ...source.request, pictureHosts } }
}

/** Starts gathering in a worker, or goes on with a run that was broken off. A run that is still going on is stopped first; what it has stays. */
export function startRun(asked: GatherSource, resumed: string | null = null): string {
  stopRun()
  const source = withOwnHosts(asked)
  const runId = resumed ?? newRunId(new Date(), Math.random)
  set({
    kind: 'running',
    runId,
    source,
    site: null,
    startedAtMs: Date.now(),
    endedAtMs: null,
    done: 0,
    waiting: 0,
    images: 0,
    fetching: [],
    slow: [],
    slowed: [],
    troubles: [],
    stopped: false,
    isStoring: false,
    taken: null,
  })
  const started = new Worker(new URL('../../../workers/gather.worker.ts', import.meta.url), { type: 'module' })
  worker = started
  started.addEventListener('message', ({ data }: MessageEvent<GatherReport>) => {
    const session = readSession()
    if (worker === started && (session.kind === 'running' || session.kind === 'ended'))
      set(afterReport(session, data, Date.now()))
  })
  started.addEventListener('error', (event) => {
    const message = `The gathering broke off by a fault of ours (${event.message || 'unknown'}).`
    if (worker === started) set({ kind: 'failed', message, source, runId, kept: 0 })
  })
  void sendStart(started, runId, source, resumed !== null)
  return runId
}

/** A run that had a login is not begun without: the fields for it are shown, with where it went. */
export function askForLogin(source: GatherSource, runId: string): void {
  const message = 'It was made with a login, which is never kept. Give it again under “Staging behind a login”.'
  set({ kind: 'failed', message, source, runId, kept: 0, wantsLogin: true })
}

/** Asks the worker to stop. It keeps what it has, and says when it is done. */
export function stopRun(): void {
  const command: GatherCommand = { kind: 'stop' }
  worker?.postMessage(command)
}

/** Lets go of a run that is over: the ways in are shown again. */
export function leaveSession(): void {
  const { kind } = readSession()
  if (kind === 'failed' || kind === 'ended') set({ kind: 'idle' })
}
