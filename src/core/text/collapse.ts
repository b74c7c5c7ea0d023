/** ASCII white space collapsed to single spaces and trimmed. A no-break space stays: it is the author's. */
export function collapseWhiteSpace(text: string): string {
  return text.replace(/[\t\n\f\r ]+/g, ' ').replace(/^ | $/g, '')
}

/** Trimmed of ASCII white space only. */
export function trimAscii(text: string): string {
  return text.replace(/^[\t\n\f\r ]+|[\t\n\f\r ]+$/g, '')
}

/** True for nothing, or nothing except white space of any kind. Such a value counts as absent. */
export function isBlank(text: string | null | undefined): boolean {
  return text === null || text === undefined || /^[\s\u200B\u2060\uFEFF]*$/u.test(text)
}
