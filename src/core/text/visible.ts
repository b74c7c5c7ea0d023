/**
 * Signs that are no text: control signs (C0, C1, DEL), what turns the direction of what follows, line and paragraph
 * separators, byte order marks, tags, halves of characters.
 */
const UNSEEN =
  // biome-ignore lint/suspicious/noControlCharactersInRegex: these are the very signs that must not get through
  /[\u0000-\u001F\u007F-\u009F\u061C\u200B\u200E\u200F\u2028-\u202E\u2060\u2066-\u2069\uFEFF\u{E0000}-\u{E007F}]|\p{Surrogate}/gu

/** The sign that stands for another one: Unicode's own pictures of C0, the number in brackets for any other. */
function markOf(sign: string): string {
  const code = sign.codePointAt(0)!
  if (code < 0x20) return String.fromCharCode(0x2400 + code)
  if (code === 0x7f) return '\u2421'
  return `⟨U+${code.toString(16).toUpperCase().padStart(4, '0')}⟩`
}

/**
 * A value from a page, a server or a file, as it may stand in a line of something that people or programs read: what
 * would begin a new line, move a cursor or turn the reading direction is shown as a mark.
 */
export const visible = (value: string): string => value.replace(UNSEEN, markOf)

/** Words of a build log that its runner takes for orders: `::error …`, `##[error]`, `##vso[…]`. */
const ORDER = /:(?=:[a-z])|#(?=#[a-z]*\[)/gi

/** The same for a terminal or a build log: nothing in it is an order to either. */
export const terminalText = (value: string): string => visible(value).replace(ORDER, '$&\u200B')

/** Signs that JSON may hold as they are, and a terminal would obey. Written as numbers they mean the same to a parser. */
const UNSEEN_IN_JSON = /[\u007F-\u009F\u061C\u200B\u200E\u200F\u2028-\u202E\u2060\u2066-\u2069\uFEFF]/g

/** A value as JSON that can be printed. */
export const printableJson = (value: unknown, indent?: number): string =>
  JSON.stringify(value, null, indent).replace(
    UNSEEN_IN_JSON,
    (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`,
  )
