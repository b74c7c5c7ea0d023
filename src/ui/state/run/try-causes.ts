'use client'

import { newRunId } from '@/store/runs'
import type { GatherCommand, GatherReport } from '@/workers/protocol'

type Tried = Extract<GatherCommand, { kind: 'try' | 'try-drafts' }>

/**
 * Writes a run as it would be with some of its causes carried out, in a worker of its own.
 * @returns id under which it can be looked at like any run; rejects with words that can be shown
 */
export const requestTry = (run: string, causes: readonly string[]): Promise<string> =>
  request((runId) => ({ kind: 'try', runId, parent: run, causes: [...causes] }))

/** The same with everything that is drafted of its site. */
export const requestTryDrafts = (run: string): Promise<string> =>
  request((runId) => ({ kind: 'try-drafts', runId, parent: run }))

function request(commandFor: (runId: string) => Tried): Promise<string> {
  const runId = newRunId(new Date(), Math.random)
  const worker = new Worker(new URL('../../../workers/gather.worker.ts', import.meta.url), { type: 'module' })
  const command = commandFor(runId)
  return new Promise<string>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<GatherReport>) => {
      if (data.kind === 'finished') resolve(runId)
      else if (data.kind === 'failed') reject(new Error(data.message))
    })
    worker.addEventListener('error', () => reject(new Error('Trying it broke off by a fault of ours.')))
    worker.postMessage(command)
  }).finally(() => worker.terminate())
}
