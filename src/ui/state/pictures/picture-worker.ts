'use client'

import type { PictureAnswer, PictureTask, PictureWork } from '@/workers/pictures.worker'

let worker: Worker | null = null
let lastId = 0
const waiting = new Map<number, { resolve: (gives: never) => void; reject: (error: Error) => void }>()

function open(): Worker {
  if (worker) return worker
  worker = new Worker(new URL('../../../workers/pictures.worker.ts', import.meta.url), { type: 'module' })
  worker.addEventListener('message', ({ data }: MessageEvent<PictureAnswer>) => {
    const asked = waiting.get(data.id)
    waiting.delete(data.id)
    if ('failed' in data) asked?.reject(new Error(data.failed))
    else asked?.resolve(data.gives as never)
  })
  worker.addEventListener('error', () => {
    for (const { reject } of waiting.values()) reject(new Error('The worker for pictures broke off.'))
    waiting.clear()
    worker = null
  })
  return worker
}

/** Has the worker do something with a picture. Rejects with words for people. */
export function onPicture<T extends PictureTask>(
  task: T,
  asks: PictureWork[T]['asks'],
): Promise<PictureWork[T]['gives']> {
  const id = ++lastId
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve, reject })
    open().postMessage({ id, task, ...asks })
  })
}
