'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { pageOfAddress } from '@/core/compare/address-variants'
import type { HeldScope, Holder } from '@/core/compare/held-copies'
import { type RefreshInput, type RefreshList, refreshList } from '@/core/compare/refresh-list'
import type { Surface } from '@/core/surface/profile'
import type { StoredHeldEvent, StoredRun } from '@/store/database'
import { historyOf } from '@/store/held-events'
import type { StoredComparison } from '@/workers/compare-runs'
import { useRuns } from '../run/use-run'
import { type Compared, useComparisons } from './use-comparison'

export type Place = { surface: Surface & Holder; list: RefreshList }

export type Held = {
  launches: StoredRun[]
  /** What was said of links posted and places asked, in order. */
  said: StoredHeldEvent[]
  places: Place[]
  /** Pages by all addresses that are known to lead to them. */
  pages: ReadonlyMap<string, string>
}

/** What each run's addresses lead to, and how the run of now differs from it. */
export function refreshInput(
  history: Pick<RefreshInput, 'events'>,
  comparisons: ReadonlyMap<string, StoredComparison>,
  now: string,
  nowAt: string,
  scope: HeldScope,
): RefreshInput & { pages: ReadonlyMap<string, string> } {
  const pages = new Map<string, string>()
  const addresses = new Map<string, readonly string[]>()
  const since = new Map<string, ReturnType<RefreshInput['since']>>()
  for (const [run, { comparison, addresses: sides }] of comparisons) {
    for (const [address, page] of [...sides.before, ...sides.after]) pages.set(address, page)
    addresses.set(
      run,
      sides.before.map(([address]) => address),
    )
    const { gone, differences, moves } = comparison
    since.set(run, { gone: new Set(gone), differences, moves })
  }
  return {
    pages,
    events: history.events,
    scope,
    now,
    nowAt,
    addressesOf: (run) => addresses.get(run) ?? [],
    pageOf: (address) => pageOfAddress(address, pages) ?? address,
    since: (run) => since.get(run) ?? null,
  }
}

/** The copies that places hold of a site, against what the run says. */
export function useHeld(run: StoredRun, surfaces: readonly Surface[], scope: HeldScope): Compared<Held> | undefined {
  const { site } = run.source
  const history = useLiveQuery(() => historyOf(site), [site])
  const runs = useRuns()
  const befores = useMemo(() => {
    if (!history || !runs) return []
    const named = new Set([run.id, ...history.events.map((event) => event.run)])
    return runs.filter(({ id }) => named.has(id))
  }, [history, runs, run.id])
  const compared = useComparisons(befores, run)
  return useMemo(() => {
    if (!history || !runs) return undefined
    if (compared.kind !== 'ready') return compared
    const input = refreshInput(history, compared.value, run.id, new Date().toISOString(), scope)
    const places = surfaces.flatMap((surface): Place[] => {
      const { holding } = surface
      if (holding === null) return []
      const holder = { ...surface, holding }
      return [{ surface: holder, list: refreshList(input, holder) }]
    })
    return { kind: 'ready', value: { launches: history.launches, said: history.said, places, pages: input.pages } }
  }, [history, runs, compared, run.id, scope, surfaces])
}
