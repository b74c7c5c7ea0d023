import type { Surface } from '@/core/surface'

/** The key that chooses a surface by its place in the list: 1 to 9, then 0; null beyond. */
export function keyOfSurface(index: number): string | null {
  return index < 9 ? String(index + 1) : index === 9 ? '0' : null
}

/** Of a site's places the one that a digit key chooses. */
export function surfaceOfKey(key: string, places: readonly Surface[]): Surface | undefined {
  return /^\d$/.test(key) ? places[(Number(key) + 9) % 10] : undefined
}

/** The digit of a key pressed with Shift, whatever the layout puts on it. */
export function digitOfCode(code: string): string | null {
  return /^Digit(\d)$/.exec(code)?.[1] ?? null
}
