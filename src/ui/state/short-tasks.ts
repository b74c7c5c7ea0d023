/** A task of the main thread that takes longer is felt: a frame has 16 ms, and is not all ours. */
const TASK_MS = 8

/** Lets whatever else waits for the main thread go first. A timer would wait 4 ms where nothing waits. */
export const nextTask = (): Promise<void> =>
  new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = () => {
      port1.close()
      resolve()
    }
    port2.postMessage(null)
  })

/**
 * Works through a list in tasks that are short on any machine: what is done in one is measured, not counted.
 *
 * @param atOnce items that are worked on between two looks at the clock
 * @param clock for tests: the time in ms, and what is waited for between two tasks
 */
export async function inShortTasks<T>(
  items: readonly T[],
  atOnce: number,
  work: (part: T[]) => void,
  clock = { now: () => performance.now(), rest: nextTask },
): Promise<void> {
  let beganAt = clock.now()
  for (let from = 0; from < items.length; from += atOnce) {
    if (from > 0 && clock.now() - beganAt >= TASK_MS) {
      await clock.rest()
      beganAt = clock.now()
    }
    work(items.slice(from, from + atOnce))
  }
}
