// What the values of attributes mean.
import { trimAscii } from '../../text'
import type { Attributes } from './attributes'

const SPACE = /[\t\n\f\r ]/
const NUMBER = /^\s*\d+(?:\.\d+)?/

/** Tokens of a space-separated list. */
export function tokensOf(value: string): string[] {
  if (!SPACE.test(value)) return value === '' ? [] : [value]
  return value.split(/[\t\n\f\r ]+/).filter((token) => token !== '')
}

/** A declared width or height in CSS pixels; null for none, or one in percent. */
export function declaredSize(value: string | null): number | null {
  const found = NUMBER.exec(value ?? '')
  return found && !value!.includes('%') ? Number(found[0]) : null
}

/** Address of a picture, also where a script is to load it later; null when it has none of its own. */
export function imageSource(attributes: Attributes): string | null {
  const plain = attributes.get('src')
  const own = plain && !plain.startsWith('data:') ? plain : null
  if (own) return own
  const lazy = attributes.get('data-src') ?? attributes.get('data-lazy-src')
  return lazy ?? firstOfSet(attributes.get('srcset') ?? '')
}

const isWhiteSpace = (character: string | undefined) => character !== undefined && SPACE.test(character)

/**
 * First address of a `srcset`, as "parse a srcset attribute" splits it (HTML standard, 4.8.4.3.10): an address may hold
 * commas, but not end in them; white space or a comma after it ends it. null when there is none.
 */
export function firstOfSet(value: string): string | null {
  let start = 0
  while (start < value.length && (value[start] === ',' || isWhiteSpace(value[start]))) start++
  let end = start
  while (end < value.length && !isWhiteSpace(value[end])) end++
  while (end > start && value[end - 1] === ',') end--
  return end > start ? value.slice(start, end) : null
}

/**
 * The address of `<meta http-equiv=refresh>`, by the "shared declarative refresh steps" (HTML standard, 4.2.5.3); null
 * when it names none, or is no refresh: it must begin with a time.
 *
 * @example refreshAddress('0; url=/elsewhere') // '/elsewhere'
 */
export function refreshAddress(content: string): string | null {
  let at = 0
  const skipSpace = () => {
    while (isWhiteSpace(content[at])) at++
  }
  skipSpace()
  const start = at
  while (isDigit(content[at])) at++
  // A time may be left out where a fraction of it stands.
  if (at === start && content[at] !== '.') return null
  while (isDigit(content[at]) || content[at] === '.') at++
  if (at === content.length) return null
  if (content[at] !== ';' && content[at] !== ',' && !isWhiteSpace(content[at])) return null
  skipSpace()
  if (content[at] === ';' || content[at] === ',') at++
  skipSpace()
  let address = content.slice(at)
  if (/^url/i.test(address.slice(0, 3))) {
    const named = at + 3
    at = named
    skipSpace()
    if (content[at] === '=') {
      at++
      skipSpace()
      address = content.slice(at)
    }
  }
  const quote = address[0]
  if (quote === '"' || quote === "'") {
    const close = address.indexOf(quote, 1)
    address = close < 0 ? address.slice(1) : address.slice(1, close)
  }
  address = trimAscii(address)
  return address === '' ? null : address
}

const isDigit = (character: string | undefined) => character !== undefined && character >= '0' && character <= '9'

/** An address on some host that is given another address or a text to share. */
export function looksLikeShareLink(href: string): boolean {
  // Most links are to the site itself.
  if (!href.includes('?') || !href.includes('//')) return false
  return /^\s*(?:https?:)?\/\/[^?#]*\?(?:[^#]*&)?(?:u|url|link|href|text)=/i.test(href)
}
