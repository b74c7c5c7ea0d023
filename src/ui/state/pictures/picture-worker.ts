'use client'

import type { PictureAnswer, PictureTask, PictureWork } from '@/workers/pictures.worker'

type Asked = { resolve: (gives: never) => void; reject: (error: Error) => void; worker: Worker }

/** As many as there are cores, up to this: each may hold a decoded picture. */
const MOST = 4

const workers: Worker[] = []
let lastId = 0
const waiting = new Map<number, Asked>()
/** What every worker has to know, also one that is opened later. */
const told: object[] = []

/** How many workers draw at once. */
export const pictureWorkers = (): number => Math.max(1, Math.min(MOST, navigator.hardwareConcurrency || 1))

function open(): Worker {
  const worker = new Worker(new URL('../../../workers/pictures.worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', ({ data }: MessageEvent<PictureAnswer>) => {
    const asked = waiting.get(data.id)
    waiting.delete(data.id)
    if ('failed' in data) asked?.reject(new Error(data.failed))
    else asked?.resolve(data.gives as never)
  })
  worker.addEventListener('error', () => {
    workers.splice(workers.indexOf(worker), 1)
    for (const [id, asked] of waiting) {
      if (asked.worker !== worker) continue
      waiting.delete(id)
      asked.reject(new Error('The worker for pictures broke off.'))
    }
  })
  for (const one of told) worker.postMessage({ id: ++lastId, ...one })
  workers.push(worker)
  return worker
}

/** The worker with least to do; another is opened while there may be more and all are busy. */
function leastBusy(): Worker {
  const busy = (worker: Worker) => [...waiting.values()].filter((asked) => asked.worker === worker).length
  const [least] = [...workers].sort((a, b) => busy(a) - busy(b))
  return least && (busy(least) === 0 || workers.length >= pictureWorkers()) ? least : open()
}

function ask<T extends PictureTask>(worker: Worker, task: T, asks: PictureWork[T]['asks']) {
  const id = ++lastId
  return new Promise<PictureWork[T]['gives']>((resolve, reject) => {
    waiting.set(id, { resolve, reject, worker })
    worker.postMessage({ id, task, ...asks })
  })
}

/** Has a worker do something with a picture. Rejects with words for people. */
export function onPicture<T extends PictureTask>(
  task: T,
  asks: PictureWork[T]['asks'],
): Promise<PictureWork[T]['gives']> {
  return ask(leastBusy(), task, asks)
}

/** Has every worker know something, also those that are opened later. */
export async function onEveryPicture<T extends PictureTask>(task: T, asks: PictureWork[T]['asks']): Promise<void> {
  told.push({ task, ...asks })
  await Promise.all(workers.map((worker) => ask(worker, task, asks)))
}
