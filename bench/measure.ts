/** Median time in ms of a task, run several times after one run to warm up. */
export async function medianMs(task: () => unknown, times = 5): Promise<number> {
  await task()
  const taken: number[] = []
  for (let index = 0; index < times; index++) {
    const startedAt = performance.now()
    await task()
    taken.push(performance.now() - startedAt)
  }
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)]!
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
  return taken.map((times) => times.sort((a, b) => a - b)[Math.floor(rounds / 2)]!)
}

/** One line: what, how long, and how it compares to the baseline. */
export function report(what: string, ms: number, baseline?: { name: string; ms: number }): void {
  const ratio = baseline ? `  ${(ms / baseline.ms).toFixed(2)} × ${baseline.name}` : ''
  console.log(`${what.padEnd(44)} ${ms.toFixed(1).padStart(9)} ms${ratio}`)
}
