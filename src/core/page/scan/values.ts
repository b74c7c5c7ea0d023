// What the values of attributes mean.
import { trimAscii } from '../../text/collapse'
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
  const fromSet = (attributes.get('srcset') ?? '').trim().split(/[\s,]+/)[0]
  return lazy ?? (fromSet || null)
}

/** `0; url=/elsewhere` → `/elsewhere`; null when it names no address. */
export function refreshAddress(content: string): string | null {
  const found = /^[\s\d.]*[;,]?\s*(?:url\s*=\s*)?(?:"([^"]*)"?|'([^']*)'?|(.*))$/is.exec(content)
  const address = trimAscii(found?.[1] ?? found?.[2] ?? found?.[3] ?? '')
  return address === '' ? null : address
}

/** An address on some host that is given another address or a text to share. */
export function looksLikeShareLink(href: string): boolean {
  // Most links are to the site itself.
  if (!href.includes('?') || !href.includes('//')) return false
  return /^\s*(?:https?:)?\/\/[^?#]*\?(?:[^#]*&)?(?:u|url|link|href|text)=/i.test(href)
}
