import { expect } from 'vitest'

/** What twice as much may take at most, in times of the first: twice, and what memory adds; what takes the square takes four times. */
const MOST = 3
/** Shorter than this nothing is told apart from noise, in ms of this process. */
const LEAST_MS = 15
const TRIES = 6
/** How far the size grows at most: what is quick even then is at no risk, and beyond it memory is what is measured. */
const GROWTH = 16

/** Milliseconds that this process worked for it. Of several times the least: what was interrupted says nothing. */
async function worked(run: () => unknown): Promise<number> {
  let least = Number.POSITIVE_INFINITY
  for (let time = 0; time < 3; time++) {
    const before = process.cpuUsage()
    await run()
    const { user, system } = process.cpuUsage(before)
    least = Math.min(least, (user + system) / 1000)
  }
  return least
}

/**
 * Expects that work grows no faster than what it is done on: of twice as much it takes less than three times as long.
 * Measured against itself, so that it holds on any machine; the size grows until the time can be told from noise.
 *
 * @param size what to begin with
 * @param make the work on something of a size, ready to be run
 */
export async function expectDoubling(size: number, make: (size: number) => () => unknown): Promise<void> {
  let at = size
  let first = await worked(make(at))
  for (; first < LEAST_MS && at < size * GROWTH; at *= 2) first = await worked(make(at * 2))
  let ratio = Number.POSITIVE_INFINITY
  for (let time = 0; time < TRIES && ratio >= MOST; time++) {
    const [once, twice] = [await worked(make(at)), await worked(make(at * 2))]
    ratio = Math.min(ratio, twice / Math.max(once, LEAST_MS))
  }
  expect(ratio, `twice of ${at} takes ${ratio.toFixed(2)} times as long`).toBeLessThan(MOST)
}
