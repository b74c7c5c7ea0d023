import { type Budgeted, type RefitType, withinBudget } from '@/core/image'

/** `quality` is null where the format has none. */
export type EncodedPicture = { blob: Blob; quality: number | null; fits: boolean; next: Budgeted<Blob>['next'] }

/** What is drawn on a canvas as a file: the best quality within a budget. A canvas holds no metadata, and sRGB only. */
export async function encodeWithin(
  canvas: OffscreenCanvas,
  type: RefitType,
  budget: number | null,
): Promise<EncodedPicture> {
  const encode = async (quality: number) => {
    const blob = await canvas.convertToBlob({ type: `image/${type}`, quality: quality / 100 })
    return { bytes: blob.size, data: blob }
  }
  if (type === 'png') {
    const { bytes, data } = await encode(100)
    return { blob: data, quality: null, fits: budget === null || bytes <= budget, next: null }
  }
  const { data, quality, fits, next } = await withinBudget(encode, budget)
  return { blob: data, quality, fits, next }
}
