import type { GatheredPage, Position } from '../model'

/** Rows above a tag in which a comment says what program wrote it. */
const NEAR_ROWS = 30
/** A comment that closes what another opened: behind it somebody else writes. */
const CLOSING = /^(?:\/|end\b|ends\b)/i
const MAX_CHARACTERS = 80

/** What the last comment says that is closed in a text; null where there is none. */
function lastComment(text: string): string | null {
  let said: string | null = null
  for (let open = text.indexOf('<!--'); open >= 0; ) {
    const close = text.indexOf('-->', open + 4)
    if (close < 0) break
    said = text.slice(open + 4, close).trim()
    open = text.indexOf('<!--', close + 3)
  }
  return said
}

/**
 * Who wrote a tag, as the page itself says: many a theme or plugin opens its tags with a comment. null where no comment
 * stands above the tag, or the last one closes.
 */
export function emitterOf(page: GatheredPage, { line, column }: Position): string | null {
  const above = page.source.filter(
    (row) => row.inHead && (row.line < line || (row.line === line && row.column <= column)),
  )
  for (const row of above.slice(-NEAR_ROWS).reverse()) {
    // On the tag's own line only what stands before it was there first.
    const text = row.line === line ? row.text.slice(0, Math.max(0, column - row.column)) : row.text
    const said = lastComment(text)
    if (said === null || said === '') continue
    return CLOSING.test(said) ? null : said.replace(/\s+/g, ' ').slice(0, MAX_CHARACTERS)
  }
  return null
}
