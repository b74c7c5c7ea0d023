// The insertion modes of the standard (13.2.4.1), and how the content of an element is tokenized (13.2.5).

export const INITIAL = 0
export const BEFORE_HTML = 1
export const BEFORE_HEAD = 2
export const IN_HEAD = 3
export const IN_HEAD_NOSCRIPT = 4
export const AFTER_HEAD = 5
export const IN_BODY = 6
export const IN_TABLE = 7
export const IN_CAPTION = 8
export const IN_COLUMN_GROUP = 9
export const IN_TABLE_BODY = 10
export const IN_ROW = 11
export const IN_CELL = 12
export const IN_TEMPLATE = 13
export const AFTER_BODY = 14
export const IN_FRAMESET = 15
export const AFTER_FRAMESET = 16
export const AFTER_AFTER_BODY = 17
export const AFTER_AFTER_FRAMESET = 18

/** Markup as usual. */
export const NO_RAW_TEXT = 0
/** Text with character references: title, textarea. */
export const RCDATA = 1
/** Text without them: style, xmp, iframe, noembed, noframes. */
export const RAWTEXT = 2
export const SCRIPT_DATA = 3
/** Text to the end of the page. */
export const PLAINTEXT = 4
