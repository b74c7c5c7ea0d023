type Outcome<T> = { result: T } | { error: unknown }

/**
 * Runs tasks at most so many at a time and yields each result as it comes.
 *
 * @param next starts one more task and returns it, or returns null when there is none for now. It is asked again
 *             after every result, since a result may have brought new tasks.
 */
export async function* inParallel<T>(next: () => Promise<T> | null, atOnce: number): AsyncGenerator<T> {
  let running = 0
  const done: Outcome<T>[] = []
  let wake = () => {}
  const over = (outcome: Outcome<T>) => {
    running--
    done.push(outcome)
    wake()
  }
  const fill = () => {
    while (running + done.length < atOnce) {
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
    }
    const outcome = done.shift()!
    if ('error' in outcome) throw outcome.error
    yield outcome.result
    fill()
  }
}
