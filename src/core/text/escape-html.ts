/** A value between double quotes in a tag. CR must be written as a reference: the standard reads a bare one as LF. */
export function escapeAttribute(value: string): string {
  return value
    .replaceAll('&', '&amp;')
    .replaceAll('"', '&quot;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('\r', '&#13;')
}

/** Text of an element. */
export function escapeText(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('\r', '&#13;')
}

/** Everything beyond ASCII as references, for files whose encoding can't hold it. */
export function asciiOnly(html: string): string {
  return html.replace(/[\u{80}-\u{10FFFF}]/gu, (character) => `&#x${character.codePointAt(0)!.toString(16)};`)
}
