'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import {
  type HeldEvent,
  type HeldScope,
  type Holder,
  pageOfAddress,
  type RefreshInput,
  type RefreshList,
  refreshList,
  type SinceRun,
} from '@/core/compare'
import type { Surface } from '@/core/surface'
import type { StoredHeldEvent, StoredRun } from '@/store/database'
import { historyOf } from '@/store/held-events'
import type { SharedAddresses, StoredComparison } from '@/workers/compare-runs'
import { useRuns } from '../../state/run/use-run'
import { type Compared, useComparisons } from '../../state/wall/use-comparison'

export type Place = {
  surface: Surface & Holder
  list: RefreshList
  /** Copies that the place may hold. */
  held: number
}

export type Held = {
  launches: StoredRun[]
  /** What was said of links posted and places asked, in order. */
  said: StoredHeldEvent[]
  places: Place[]
  /** Pages by all addresses that are known to lead to them. */
  pages: () => ReadonlyMap<string, string>
}

type HeldInput = RefreshInput & {
  /** Pages by all addresses that lead to them. Put together when first asked for: most of what is done needs few. */
  pages: () => ReadonlyMap<string, string>
  /** Addresses of the runs that went live. */
  launched: () => ReadonlySet<string>
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null
  return () => {
    made ??= { value: make() }
    return made.value
  }
}

/** A run's own side of the comparisons, where it was compared. */
function sidesOf(comparisons: ReadonlyMap<string, StoredComparison>, now: string): Map<string, SharedAddresses> {
  const sides = new Map([...comparisons].map(([run, { addresses }]) => [run, addresses.before]))
  const first = comparisons.values().next().value
  return first ? sides.set(now, first.addresses.after) : sides
}

/**
 * What each run's addresses lead to, and how the run of now differs from it.
 * @param comparisons earlier runs, by their ids, against the run of now
 */
export function refreshInput(
  events: readonly HeldEvent[],
  comparisons: ReadonlyMap<string, StoredComparison>,
  now: string,
  nowAt: string,
  scope: HeldScope,
): HeldInput {
  const sides = sidesOf(comparisons, now)
  const since = new Map<string, SinceRun>()
  const differing = new Set<string>()
  for (const [run, { comparison }] of comparisons) {
    const { gone, differences, moves } = comparison
    since.set(run, { gone: new Set(gone), differences, moves })
    for (const url of gone) differing.add(url)
    for (const [url, { cards }] of differences) if (cards.size > 0) differing.add(url)
  }
  // Of ten thousand pages few differ: the rest need not be gone through for each place, after each word on one of them.
  const mayBeStale = new Map(
    [...sides].map(([run, { pages, variants }]) => [
      run,
      [
        ...pages.filter((page) => differing.has(page)),
        ...variants.flatMap(([from, page]) => (differing.has(page) ? [from] : [])),
      ],
    ]),
  )
  const pages = once(
    () =>
      new Map(
        [...sides.values()].flatMap((side) => [
          ...side.pages.map((page): [string, string] => [page, page]),
          ...side.variants,
        ]),
      ),
  )
  const launched = once(
    () =>
      new Set(
        events.flatMap(({ kind, run }) => {
          const side = kind === 'launched' ? sides.get(run) : undefined
          return side ? [...side.pages, ...side.variants.map(([address]) => address)] : []
        }),
      ),
  )
  return {
    pages,
    launched,
    events,
    scope,
    now,
    nowAt,
    addressesOf: (run) => mayBeStale.get(run) ?? [],
    pageForAddress: (address) => (differing.has(address) ? address : (pageOfAddress(address, pages()) ?? address)),
    since: (run) => since.get(run) ?? null,
  }
}

/** How many copies a place may hold, right or not. */
export function countHeld({ events, scope, launched }: HeldInput, place: string): number {
  const said = events.flatMap((event) =>
    event.kind === 'shared' || (event.kind === 'asked' && event.renewed)
      ? event.surface === place
        ? [event.address]
        : []
      : [],
  )
  const extra = new Set(said)
  if (scope === 'shared') return extra.size
  return launched().size + [...extra].filter((address) => !launched().has(address)).length
}

/** The copies that places hold of a site, against what the run says. */
export function useHeld(run: StoredRun, surfaces: readonly Surface[], scope: HeldScope): Compared<Held> | undefined {
  const { site } = run.source
  const history = useLiveQuery(() => historyOf(site), [site])
  const runs = useRuns()
  const befores = useMemo(() => {
    if (!history || !runs) return []
    const named = new Set(history.events.map((event) => event.run))
    const earlier = runs.filter(({ id }) => named.has(id) && id !== run.id)
    // Alone, it is held against itself: for its addresses.
    return earlier.length > 0 ? earlier : [run]
  }, [history, runs, run])
  const compared = useComparisons(befores, run)
  return useMemo(() => {
    if (!history || !runs) return undefined
    if (compared.kind !== 'ready') return compared
    const input = refreshInput(history.events, compared.value, run.id, new Date().toISOString(), scope)
    const places = surfaces.flatMap((surface): Place[] => {
      const { holding } = surface
      if (holding === null) return []
      const holder = { ...surface, holding }
      return [{ surface: holder, list: refreshList(input, holder), held: countHeld(input, surface.id) }]
    })
    const { launches, said } = history
    return { kind: 'ready', value: { launches, said, places, pages: input.pages } }
  }, [history, runs, compared, run.id, scope, surfaces])
}
