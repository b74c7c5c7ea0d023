import type { RouteState } from './view'

/** Runs that a look at a page has put another in the place of, in this tab, and which. */
const newer = new Map<string, string>()

/** From here on, going back leads to the newer run. It is still there to be chosen from the list. */
export function replaceRun(older: string, by: string): void {
  newer.set(older, by)
}

/**
 * The view that going back leads to: the place where somebody was, and not the state of before they looked again.
 *
 * @returns null where the address stands as it is
 */
export function afterGoingBack(view: RouteState): RouteState | null {
  let run = view.run
  for (let next = run && newer.get(run); next; next = newer.get(next)) run = next
  return run === view.run ? null : { ...view, run }
}
