type Size = { width: number; height: number }

/** Does neither side fall short? Exactly as large is enough. */
export function isAtLeast(size: Size, least: Size): boolean {
  return size.width >= least.width && size.height >= least.height
}

/** `412 KB`, `5.8 MB`: powers of ten, as files are weighed. */
export function weightInWords(bytes: number): string {
  return bytes < 999_500 ? `${Math.round(bytes / 1000)} KB` : `${(bytes / 1_000_000).toFixed(1)} MB`
}
