const KEY = 'nimble-parrot asking again'

/** Why a pattern can't be used; null when it can, or is empty. */
export function askingPatternFault(pattern: string): string | null {
  const text = pattern.trim()
  if (text === '') return null
  if (!/^https?:\/\//i.test(text)) return 'It must start with https:// or http://'
  if (!text.includes('{address}')) return 'It must hold {address}, where the page’s address is put.'
  return URL.canParse(text.replaceAll('{address}', 'x')) ? null : 'It is no address.'
}

/**
 * The address at which a place is asked to read a page again; null without a usable pattern.
 * @example askingHref('https://place.example/again?u={address}', 'https://brasswick.example/a?b')
 */
export function askingHref(pattern: string, address: string): string | null {
  if (pattern.trim() === '' || askingPatternFault(pattern) !== null) return null
  return pattern.trim().replaceAll('{address}', encodeURIComponent(address))
}

/** Patterns that the reader set in this browser, by surface. */
export function readAskingPatterns(): Record<string, string> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '{}')
    if (typeof kept !== 'object' || kept === null) return {}
    return Object.fromEntries(
      Object.entries(kept).filter((entry): entry is [string, string] => typeof entry[1] === 'string'),
    )
  } catch {
    // Storage that is closed to us, or holds something else, has no patterns.
    return {}
  }
}

export function keepAskingPattern(surface: string, pattern: string): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...readAskingPatterns(), [surface]: pattern }))
  } catch {
    // It holds until the page is left.
  }
}
