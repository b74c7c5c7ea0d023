'use client'

import { createAddressMap } from '@/core/crawl/address-map'
import { CrawlRequest } from '@/core/crawl/wire'
import type { StoredRun } from '@/store/database'
import { newRunId } from '@/store/runs'
import type { GatherCommand, GatherReport } from '@/workers/protocol'
import { readSession } from './session'

/** Why a page of this run can't be looked at again from here; null when it can. */
export function whyNoLook({ source }: Pick<StoredRun, 'source'>): string | null {
  if (source.kind === 'folder' || source.kind === 'zip') {
    return `A browser doesn’t keep files: choose the ${source.kind} again to see what changed in it.`
  }
  // A list says which addresses to ask, not where the build of each is served.
  if (source.kind === 'list') return 'This run came from a list of addresses: run it again to look once more.'
  return null
}

/** The address at which the build serves a page of the run. */
export function lookAddress({ source }: Pick<StoredRun, 'source'>, url: string): string {
  const served = source.kind === 'url' || source.kind === 'sitemap' ? source.location : null
  return createAddressMap(source.site, served && /^https?:/i.test(served) ? served : null).toBuild(url)
}

/**
 * Looks again at one page in a worker of its own.
 * @returns id of the new run; rejects with words that can be shown
 */
export function lookAgain(run: StoredRun, url: string): Promise<string> {
  const session = readSession()
  // A login lives in the memory of the run that used it, and nowhere else.
  const source = session.kind !== 'idle' && session.runId === run.id ? session.source : null
  const login = source?.kind === 'crawl' ? source.request.login : null
  const request = CrawlRequest.parse({
    from: { kind: 'url', start: lookAddress(run, url) },
    site: run.source.site,
    maxPages: 1,
    ignoreRobots: true,
    pastCaches: true,
    login,
  })
  const runId = newRunId(new Date(), Math.random)
  const worker = new Worker(new URL('../../workers/gather.worker.ts', import.meta.url), { type: 'module' })
  const command: GatherCommand = { kind: 'look', runId, parent: run.id, url, request }
  return new Promise<string>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<GatherReport>) => {
      if (data.kind === 'finished') resolve(runId)
      else if (data.kind === 'failed') reject(new Error(data.message))
    })
    worker.addEventListener('error', () => reject(new Error('Looking again broke off by a fault of ours.')))
    worker.postMessage(command)
  }).finally(() => worker.terminate())
}
