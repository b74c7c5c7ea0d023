type Outcome<T> = { result: T } | { error: unknown }

/**
 * Runs tasks at most so many at a time and yields results as they come: all that are there, in the order in which they
 * came, since a step of a generator takes longer than many a result is worth. No more results than tasks at a time wait
 * to be taken.
 *
 * @param next starts one more task and returns it, or returns null when there is none for now. It is asked again
 *             after results were taken, since they may have brought new tasks.
 * @param yieldToOthers waited for before results are looked at
 */
export async function* inParallel<T>(
  next: () => Promise<T> | null,
  atOnce: number,
  yieldToOthers?: () => Promise<void>,
): AsyncGenerator<T[]> {
  let running = 0
  let done: Outcome<T>[] = []
  let wake = () => {}
  const over = (outcome: Outcome<T>) => {
    running--
    done.push(outcome)
    // The next task starts before anybody looks at this result, so that the other side isn't kept waiting.
    fill()
    wake()
  }
  const fill = () => {
    while (running < atOnce && done.length < atOnce) {
      const started = next()
      if (!started) return
      running++
      started.then(
        (result) => over({ result }),
        (error: unknown) => over({ error }),
      )
    }
  }
  fill()
  while (running > 0 || done.length > 0) {
    // A race of all that run would add a listener to each of them for every result.
    if (done.length === 0) {
      await new Promise<void>((resolve) => {
        wake = resolve
      })
      // The questions of the tasks just begun go out before the answers are looked at.
      await yieldToOthers?.()
    }
    const taken = done
    done = []
    const failed = taken.findIndex((outcome) => 'error' in outcome)
    const results = (failed < 0 ? taken : taken.slice(0, failed)) as { result: T }[]
    if (results.length > 0) yield results.map(({ result }) => result)
    if (failed >= 0) throw (taken[failed] as { error: unknown }).error
    fill()
  }
}
