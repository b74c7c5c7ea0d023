'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { type Draft, type KnownDefaults, noDefaults } from '@/core/draft'
import type { StoredRun } from '@/store/database'
import { defaultsOf, draftsOf } from '@/store/drafts'
import { useSiteCalled } from '../run/use-site-called'

/** Drafts of a site by page; undefined until they are read. */
export function useDrafts(site: string | null): ReadonlyMap<string, Draft> | undefined {
  const drafts = useLiveQuery(() => (site === null ? [] : draftsOf(site)), [site])
  return useMemo(() => drafts && new Map(drafts.map((draft) => [draft.url, draft])), [drafts])
}

/** Defaults of a site, with what the pages of a run call it; none, and nothing, until they are read. */
export function useDefaults(site: string | null, run: StoredRun | null): KnownDefaults {
  const defaults = useLiveQuery(() => (site === null ? noDefaults : defaultsOf(site)), [site]) ?? noDefaults
  const called = useSiteCalled(run)
  return useMemo(() => ({ ...defaults, called }), [defaults, called])
}
