import type { SignOffDifference } from '@/core/report'
import type { Requirements } from '@/core/requirements'
import type { GatherCommand, GatherReport, RequirementsEffect } from '@/workers/protocol'

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

/** Writes down somebody's yes to a run. @param key text of a private key to sign with */
export async function signRun(runId: string, by: string, reason?: string, key?: string): Promise<void> {
  await ask({ kind: 'sign', runId, by, reason, key })
}

/** In what a run differs from what was signed in another, in sentences and by pages; nothing where it is that very content. */
export async function holdAgainst(
  runId: string,
  signed: string,
  signers?: string,
): Promise<{ differs: string[]; difference: SignOffDifference; signature: string }> {
  const report = await ask({ kind: 'hold', runId, signed, signers })
  if (report.kind !== 'held') throw new Error('The run could not be held against what was signed.')
  return report
}

/** What other requirements would make of a run. */
export async function previewRequirements(runId: string, requirements: Requirements): Promise<RequirementsEffect> {
  const report = await ask({ kind: 'preview', runId, requirements })
  if (report.kind !== 'previewed') throw new Error('What the change would do could not be found out.')
  return report.effect
}

/** A run in one of the forms that the command writes; times are told in the reader's own. @param onePage of HTML: what a client reads */
export async function exportRun(runId: string, format: string, onePage = false): Promise<Blob> {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  const report = await ask({ kind: 'export', runId, format, onePage, timeZone })
  if (report.kind !== 'exported') throw new Error('The document could not be written.')
  return report.file
}
