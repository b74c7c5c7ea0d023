import { setFlagsFromString } from 'node:v8'
import { runInNewContext } from 'node:vm'

// The garbage collector is called before each measurement, whatever flags the process was started with: otherwise a
// collection that happens to fall into one of them is counted as its work.
setFlagsFromString('--expose-gc')
const collect = runInNewContext('gc') as () => void

/** Bytes of the heap that are in use, after all that is dead was collected. */
export function liveHeap(): number {
  collect()
  return process.memoryUsage().heapUsed
}

/** The middle one of a list, which it sorts. */
export const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!

/** Median time in ms of a task, run several times after one run to warm up. */
export async function medianMs(task: () => unknown, times = 5): Promise<number> {
  await task()
  const taken: number[] = []
  for (let index = 0; index < times; index++) {
    const startedAt = performance.now()
    await task()
    taken.push(performance.now() - startedAt)
  }
  return median(taken)
}

/**
 * Median times in ms of several tasks that take turns, so that a machine that slows down or speeds up does so for all of
 * them; each ran once before, to warm up.
 */
export async function mediansInTurn(tasks: readonly (() => unknown)[], rounds: number): Promise<number[]> {
  for (const task of tasks) await task()
  const taken: number[][] = tasks.map(() => [])
  for (let round = 0; round < rounds; round++) {
    for (const [index, task] of tasks.entries()) {
      const startedAt = performance.now()
      await task()
      taken[index]!.push(performance.now() - startedAt)
    }
  }
  return taken.map(median)
}

/** One line: what, how long, and how it compares to the baseline. */
export function report(what: string, ms: number, baseline?: { name: string; ms: number }): void {
  const ratio = baseline ? `  ${(ms / baseline.ms).toFixed(2)} × ${baseline.name}` : ''
  console.log(`${what.padEnd(44)} ${ms.toFixed(1).padStart(9)} ms${ratio}`)
}
