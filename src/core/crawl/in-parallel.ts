/**
 * Runs tasks at most so many at a time and yields each result as it comes.
 *
 * @param next starts one more task and returns it, or returns null when there is none for now. It is asked again
 *             after every result, since a result may have brought new tasks.
 */
export async function* inParallel<T>(next: () => Promise<T> | null, atOnce: number): AsyncGenerator<T> {
  const running = new Set<Promise<{ task: Promise<unknown>; result: T }>>()
  const fill = () => {
    while (running.size < atOnce) {
      const started = next()
      if (!started) return
      const task: Promise<{ task: Promise<unknown>; result: T }> = started.then((result) => ({ task, result }))
      running.add(task)
    }
  }
  fill()
  while (running.size > 0) {
    const { task, result } = await Promise.race(running)
    running.delete(task as never)
    yield result
    fill()
  }
}
