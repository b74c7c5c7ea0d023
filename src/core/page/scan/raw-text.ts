// Where comments and the content of raw texts end (13.2.5.5 to 13.2.5.51).
import { isSpace } from './attributes'

const CR = 13
const LF = 10
const BANG = 33
const DASH = 45
const SLASH = 47
const LESS = 60
const GREATER = 62

/** A line end right after `<pre>`, `<listing>` or `<textarea>` is no text. */
export function afterNewline(text: string, at: number): number {
  if (text.charCodeAt(at) === CR) return text.charCodeAt(at + 1) === LF ? at + 2 : at + 1
  return text.charCodeAt(at) === LF ? at + 1 : at
}

/**
 * The comment states: a comment ends at `-->`, `--!>`, or at once at `>` or `->`.
 * @param from offset after its `<!--`
 * @returns offset after the comment; -1 when its end isn't there
 */
export function endOfComment(text: string, from: number): number {
  if (text.charCodeAt(from) === GREATER) return from + 1
  if (text.charCodeAt(from) === DASH && text.charCodeAt(from + 1) === GREATER) return from + 2
  let dashes = text.indexOf('--', from)
  while (dashes >= 0) {
    let after = dashes + 2
    while (text.charCodeAt(after) === DASH) after++
    if (text.charCodeAt(after) === GREATER) return after + 1
    if (text.charCodeAt(after) === BANG && text.charCodeAt(after + 1) === GREATER) return after + 2
    dashes = text.indexOf('--', after)
  }
  return -1
}

/** True when `name` stands at `at` in any case, and a tag's name ends after it. */
export function isNameAt(text: string, name: string, at: number): boolean {
  for (let index = 0; index < name.length; index++) {
    const unit = text.charCodeAt(at + index)
    if ((unit >= 65 && unit <= 90 ? unit | 0x20 : unit) !== name.charCodeAt(index)) return false
  }
  const after = text.charCodeAt(at + name.length)
  return after === GREATER || after === SLASH || isSpace(after)
}

/** The "appropriate end tag" of a raw text: offset of its `</`; -1 when there is none. */
export function endTagOf(text: string, name: string, from: number): number {
  let at = text.indexOf('</', from)
  while (at >= 0 && !isNameAt(text, name, at + 2)) at = text.indexOf('</', at + 2)
  return at
}

/**
 * The script data states once a `<!--` stood in a script (13.2.5.20 to 13.2.5.31): `</script>` ends it unless a
 * `<script` came in between, and `-->` ends the escape.
 * @returns offset of the `</` that ends the script; -1 when there is none
 */
function endOfEscapedScript(text: string, from: number): number {
  let state: 'plain' | 'escaped' | 'double' = 'plain'
  for (let index = from; index < text.length; index++) {
    const unit = text.charCodeAt(index)
    if (unit === DASH && state !== 'plain') {
      if (text.charCodeAt(index + 1) !== DASH) continue
      let after = index + 2
      while (text.charCodeAt(after) === DASH) after++
      if (text.charCodeAt(after) === GREATER) state = 'plain'
      index = after - 1
      if (state === 'plain') index = after
      continue
    }
    if (unit !== LESS) continue
    const isEnd = text.charCodeAt(index + 1) === SLASH
    if (state === 'plain') {
      if (isEnd && isNameAt(text, 'script', index + 2)) return index
      if (text.startsWith('<!--', index)) {
        state = 'escaped'
        // The dashes of the `<!--` may already be those of a `-->`.
        index += 1
      }
    } else if (state === 'escaped') {
      if (isEnd && isNameAt(text, 'script', index + 2)) return index
      if (isNameAt(text, 'script', index + 1)) state = 'double'
    } else if (isEnd && isNameAt(text, 'script', index + 2)) state = 'escaped'
  }
  return -1
}

/** @returns offset of the `</` that ends a script whose content starts at `from`; -1 when it isn't there */
export function endOfScript(text: string, from: number): number {
  for (let at = text.indexOf('<', from); at >= 0; at = text.indexOf('<', at + 1)) {
    const unit = text.charCodeAt(at + 1)
    if (unit === SLASH && isNameAt(text, 'script', at + 2)) return at
    if (unit === BANG && text.startsWith('<!--', at)) return endOfEscapedScript(text, at)
  }
  return -1
}
