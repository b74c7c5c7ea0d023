import { type Crop, shareLost } from '@/core/image'
import type { CropResult } from '@/core/surface'

/** Places that keep the very same part of a picture. */
export type CropGroup = { crop: Crop; surfaces: string[]; name: string; lost: number }

/** What is drawn once for all places that keep the same: the largest part first, so that smaller ones lie on it. */
export function cropGroups(kept: readonly CropResult[], size: { width: number; height: number }): CropGroup[] {
  const groups = new Map<string, { crop: Crop; surfaces: string[]; names: string[] }>()
  for (const one of kept) {
    if (one.kind !== 'kept') continue
    const { x, y, width, height } = one.crop
    const key = [x, y, width, height].join()
    const group = groups.get(key) ?? { crop: one.crop, surfaces: [], names: [] }
    group.surfaces.push(one.surface.id)
    group.names.push(one.surface.name)
    groups.set(key, group)
  }
  return [...groups.values()]
    .map(({ crop, surfaces, names }) => ({
      crop,
      surfaces,
      name: names.length > 2 ? `${names[0]} and ${names.length - 1} more` : names.join(', '),
      lost: shareLost(size, crop),
    }))
    .sort((a, b) => a.lost - b.lost)
}
