'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { type Draft, noDefaults, type SiteDefaults } from '@/core/draft'
import { defaultsOf, draftsOf } from '@/store/drafts'

/** Drafts of a site by page; undefined until they are read. */
export function useDrafts(site: string | null): ReadonlyMap<string, Draft> | undefined {
  const drafts = useLiveQuery(() => (site === null ? [] : draftsOf(site)), [site])
  return useMemo(() => drafts && new Map(drafts.map((draft) => [draft.url, draft])), [drafts])
}

/** Defaults of a site; none until they are read. */
export function useDefaults(site: string | null): SiteDefaults {
  return useLiveQuery(() => (site === null ? noDefaults : defaultsOf(site)), [site]) ?? noDefaults
}
