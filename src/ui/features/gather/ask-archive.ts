import type { ArchiveAnswer, ArchiveAsk } from '@/workers/archive.worker'

/** Asks the worker of archives one thing, in a worker of its own. Rejects with words that can be shown. */
export function askArchive<K extends ArchiveAnswer['kind']>(
  command: ArchiveAsk,
  onPages: (pages: number) => void = () => undefined,
): Promise<Extract<ArchiveAnswer, { kind: K }>> {
  const worker = new Worker(new URL('../../../workers/archive.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Extract<ArchiveAnswer, { kind: K }>>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<ArchiveAnswer>) => {
      if (data.kind === 'failed') reject(new Error(data.message))
      else if (data.kind === 'reading') onPages(data.pages)
      else resolve(data as Extract<ArchiveAnswer, { kind: K }>)
    })
    worker.addEventListener('error', () => reject(new Error('It broke off by a fault of ours.')))
    worker.postMessage(command)
  }).finally(() => worker.terminate())
}
