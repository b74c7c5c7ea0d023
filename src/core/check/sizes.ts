type Size = { width: number; height: number }

/** Least size of a picture that the common places show at all (documented by the wide feed). */
export const MIN_SHOWN: Size = { width: 200, height: 200 }
/** From this size on the wide feed shows a picture large (documented). */
export const MIN_LARGE: Size = { width: 600, height: 315 }

/** Does neither side fall short? Exactly as large is enough. */
export function isAtLeast(size: Size, least: Size): boolean {
  return size.width >= least.width && size.height >= least.height
}

/** `412 KB`, `5.8 MB`: powers of ten, as files are weighed. */
export function weightInWords(bytes: number): string {
  return bytes < 999_500 ? `${Math.round(bytes / 1000)} KB` : `${(bytes / 1_000_000).toFixed(1)} MB`
}

/** A limit as a place states it: 600 KB, 8 MB; below a thousand in bytes. */
export function limitInWords(bytes: number): string {
  if (bytes < 1000) return `${bytes} bytes`
  return bytes < 1_000_000 ? `${bytes / 1000} KB` : `${bytes / 1_000_000} MB`
}
