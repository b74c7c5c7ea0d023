'use client'

import { useEffect, useState } from 'react'
import type { StoredRun } from '@/store/database'
import type { CompareAnswer, CompareAsk } from '@/workers/compare.worker'
import type { StoredComparison } from '@/workers/compare-runs'

/** Comparisons kept in memory; those that were asked for longest ago go first. */
const MAX_KEPT = 6

const kept = new Map<string, Promise<StoredComparison>>()

/** A run that was written to since is another side. */
type Side = Pick<StoredRun, 'id' | 'touchedAt'>
const keyOf = (before: Side, after: Side) => [before, after].map(({ id, touchedAt }) => `${id}@${touchedAt}`).join(' ')

function compareInWorker(ask: CompareAsk): Promise<StoredComparison> {
  const worker = new Worker(new URL('../../../workers/compare.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<StoredComparison>((resolve, reject) => {
    worker.addEventListener('message', ({ data }: MessageEvent<CompareAnswer>) => {
      if ('failed' in data) reject(new Error(data.failed))
      else resolve(data.compared)
    })
    worker.addEventListener('error', () => reject(new Error('Comparing broke off by a fault of ours.')))
    worker.postMessage(ask)
  }).finally(() => worker.terminate())
}

/** Two runs against each other, worked out in a worker and kept. Rejects with words that can be shown. */
export function comparisonOf(before: Side, after: Side): Promise<StoredComparison> {
  const key = keyOf(before, after)
  const found = kept.get(key) ?? compareInWorker({ before: before.id, after: after.id })
  kept.delete(key)
  kept.set(key, found)
  found.catch(() => kept.delete(key))
  for (const oldest of [...kept.keys()].slice(0, -MAX_KEPT)) kept.delete(oldest)
  return found
}

export type Compared<T> = { kind: 'working' } | { kind: 'failed'; message: string } | { kind: 'ready'; value: T }

/** Earlier runs against a later one, by the earlier one's id. */
export function useComparisons(befores: readonly Side[], after: Side): Compared<ReadonlyMap<string, StoredComparison>> {
  const key = befores.map((before) => keyOf(before, after)).join('\n')
  const [state, setState] = useState<{ key: string; found: Compared<ReadonlyMap<string, StoredComparison>> } | null>(
    null,
  )
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key names all that matters of both
  useEffect(() => {
    let isGone = false
    const one = async () => {
      const found = new Map<string, StoredComparison>()
      // One after the other: each reads two whole runs.
      for (const before of befores) found.set(before.id, await comparisonOf(before, after))
      return found
    }
    one().then(
      (value) => !isGone && setState({ key, found: { kind: 'ready', value } }),
      (error: Error) => !isGone && setState({ key, found: { kind: 'failed', message: error.message } }),
    )
    return () => {
      isGone = true
    }
  }, [key])
  return state?.key === key ? state.found : { kind: 'working' }
}
