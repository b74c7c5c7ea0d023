import type { GatherCommand, GatherReport } from '@/workers/protocol'

/** Asks a worker of its own one thing. @returns its last report; rejects with words that can be shown */
function ask(command: GatherCommand): Promise<GatherReport> {
  const worker = new Worker(new URL('../../../workers/gather.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<GatherReport>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<GatherReport>) => {
      if (data.kind === 'failed') reject(new Error(data.message))
      else resolve(data)
    })
    worker.addEventListener('error', () => reject(new Error('It broke off by a fault of ours.')))
    worker.postMessage(command)
  }).finally(() => worker.terminate())
}

/** Judges a run again by the requirements that its site has now. */
export async function recheckRun(runId: string): Promise<void> {
  await ask({ kind: 'recheck', runId })
}

/** A run in one of the forms that the command writes. */
export async function exportRun(runId: string, format: string): Promise<string> {
  const report = await ask({ kind: 'export', runId, format })
  if (report.kind !== 'exported') throw new Error('The document could not be written.')
  return report.text
}
