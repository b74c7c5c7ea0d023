const UNEVEN = /[\t\n\f\r]| {2}/

/** ASCII white space collapsed to single spaces and trimmed. A no-break space stays: it is the author's. */
export function collapseWhiteSpace(text: string): string {
  // Most texts need no more than their ends trimmed, and a pattern that matches every space is slow.
  if (!UNEVEN.test(text)) return trimAscii(text)
  return text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '')
}

const isAsciiSpace = (unit: number) => unit === 32 || (unit >= 9 && unit <= 13 && unit !== 11)

/** Trimmed of ASCII white space only. A loop, since a pattern for the end is quadratic on long inner white space. */
export function trimAscii(text: string): string {
  let start = 0
  let end = text.length
  while (start < end && isAsciiSpace(text.charCodeAt(start))) start++
  while (end > start && isAsciiSpace(text.charCodeAt(end - 1))) end--
  return text.slice(start, end)
}

/** True for nothing, or nothing except white space of any kind. Such a value counts as absent. */
export function isBlank(text: string | null | undefined): boolean {
  return text === null || text === undefined || /^[\s\u200B\u2060\uFEFF]*$/u.test(text)
}

/** A text as the eye takes it: every kind of space is one, and signs without width are gone. */
export const withoutUnseenSigns = (text: string): string =>
  text
    .replace(/[\u00AD\u200B\u200E\u200F\u202A-\u202E\u2060\u2066-\u2069\uFEFF]/g, '')
    .replace(/[\s\u00A0\u2000-\u200A\u202F\u205F\u3000]+/g, ' ')
    .trim()
