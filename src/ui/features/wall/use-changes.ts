'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import type { StoredRun } from '@/store/database'
import { launchesOf } from '@/store/held-events'
import type { StoredComparison } from '@/workers/compare-runs'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { Changes } from '../../state/wall/select-rows'
import { useComparisons } from '../../state/wall/use-comparison'

/** Cards that differ from those of an earlier run, by page. */
export function changesOf({ comparison }: Pick<StoredComparison, 'comparison'>, surfaces: readonly string[]): Changes {
  const all = new Set(surfaces)
  return new Map<string, ReadonlySet<string>>([
    ...comparison.fresh.map((url) => [url, all] as const),
    ...[...comparison.differences].flatMap(([url, { cards }]) =>
      cards.size > 0 ? [[url, new Set(cards.keys())] as const] : [],
    ),
  ])
}

type Since = { state: 'unknown' | 'working' | 'known'; changes: Changes | null }

const NOTHING: never[] = []
const NO_RUN = { id: '', touchedAt: 0 }

/**
 * What changed since the run that is said to be live, the baseline. It is worked out only when it is asked for: both runs
 * have to be read for it. null where no other run of the site is live.
 */
export function useChangesSinceLaunch(run: StoredRun | null, isAsked: boolean): Since | null {
  const site = run?.source.site ?? null
  const launches = useLiveQuery(async () => (site === null ? [] : launchesOf(site)), [site])
  const baseline = launches?.find(({ id }) => id !== run?.id) ?? null
  const surfaces = useSurfaces()
  const befores = useMemo(() => (isAsked && baseline ? [baseline] : NOTHING), [isAsked, baseline])
  const compared = useComparisons(befores, run ?? NO_RUN)
  const found = compared.kind === 'ready' && baseline ? compared.value.get(baseline.id) : undefined
  const changes = useMemo(
    () =>
      found
        ? changesOf(
            found,
            surfaces.map(({ id }) => id),
          )
        : null,
    [found, surfaces],
  )
  if (baseline === null) return null
  const isWorking = isAsked && compared.kind !== 'failed'
  return { state: changes ? 'known' : isWorking ? 'working' : 'unknown', changes }
}
