'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { createContext, type ReactNode, useContext, useMemo } from 'react'
import { type Surface, surfacesWith } from '@/core/surface'
import { requirementsOf } from '@/store/requirements'

const Surfaces = createContext<readonly Surface[]>(surfacesWith([]))

/** Gives everything inside the surfaces of a site: ours, with those of its requirements. */
export function SurfacesOfSite({ site, children }: { site: string | null; children: ReactNode }) {
  const own = useLiveQuery(async () => (site === null ? undefined : (await requirementsOf(site)).ownSurfaces), [site])
  const all = useMemo(() => surfacesWith(own ?? []), [own])
  return <Surfaces.Provider value={all}>{children}</Surfaces.Provider>
}

/** The surfaces whose cards are shown, in their order. */
export const useSurfaces = (): readonly Surface[] => useContext(Surfaces)
