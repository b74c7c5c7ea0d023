import { collapseWhiteSpace } from '../text'

/** Signs that stand between a page's title and its site's name, with space on both sides; a bar needs none. */
const SEPARATORS = new Set('|–—·•»«:-')
/** A title without any of these has nothing but its own part. */
const ANY_SEPARATOR = /[|｜–—·•»«:-]/
/** Bars of scripts that write without spaces. */
const NEEDS_NO_SPACE = new Set('|｜')

const isSpace = (sign: string | undefined) => sign !== undefined && sign.trim() === ''

/** Where the title ends before a separator that ends at `end`; null where none does. */
function endBefore(title: string, end: number): number | null {
  let at = end
  while (isSpace(title[at - 1])) at--
  const sign = title[at - 1]
  if (sign === undefined) return null
  if (NEEDS_NO_SPACE.has(sign)) return at - 1
  return SEPARATORS.has(sign) && at < end && isSpace(title[at - 2]) ? at - 1 : null
}

/** Where the title starts after a separator that starts at `start`; null where none does. */
function startAfter(title: string, start: number): number | null {
  let at = start
  while (isSpace(title[at])) at++
  const sign = title[at]
  if (sign === undefined) return null
  if (NEEDS_NO_SPACE.has(sign)) return at + 1
  return SEPARATORS.has(sign) && at > start && isSpace(title[at + 1]) ? at + 1 : null
}

/** The title without one name at its end or its start, and the separator there; null where it stands at neither. */
function without(title: string, name: string): string | null {
  const [whole, part] = [title.toLowerCase(), name.toLowerCase()]
  // Some letters change their length with their case: then nothing can be said of places.
  if (whole.length !== title.length) return null
  if (whole.endsWith(part)) {
    const end = endBefore(title, title.length - part.length)
    if (end !== null) return title.slice(0, end).trim()
  }
  if (whole.startsWith(part)) {
    const start = startAfter(title, part.length)
    if (start !== null) return title.slice(start).trim()
  }
  return null
}

/**
 * A page's own part of its title: what is left without the names of the site that templates add at either end. Where none
 * of them stands there, the whole is its own: a separator in sight may be the page's.
 *
 * @param names of the site, the most certain first
 * @example ownPart('はじめに — 気圧計の使い方 | Journal', ['Journal']) // 'はじめに — 気圧計の使い方'
 */
export function ownPart(title: string, names: string | null | readonly (string | null)[]): string {
  if (!ANY_SEPARATOR.test(title)) return collapseWhiteSpace(title.trim()) || title
  const known = [names]
    .flat()
    .flatMap((name) => (name === null || name.trim() === '' ? [] : [collapseWhiteSpace(name.trim())]))
  let own = collapseWhiteSpace(title.trim())
  // Each end once: a template that adds the name twice is found by its own check.
  for (let turn = 0; turn < 2; turn++) {
    const left = known.map((name) => without(own, name)).find((part) => part !== null && part !== '')
    if (!left) break
    own = left
  }
  return own === '' ? title : own
}

/** What no title holds: it stands for the own part while its place is looked for. */
const PLACE = '\uE000'

/**
 * A title with another own part: the names of the site and the separators that stand at its ends stay. null where no name
 * stands there.
 *
 * @example withOwnPart('Lamp Hall | Lamp', 'Kettle', ['Lamp Hall']) // 'Lamp Hall | Kettle'
 */
export function withOwnPart(
  title: string,
  own: string,
  names: string | null | readonly (string | null)[],
): string | null {
  const said = collapseWhiteSpace(title.trim())
  const part = ownPart(said, names)
  if (part === said || part === '') return null
  // The same words may stand in the site's name as well: the place is where a title without a name would be.
  for (let at = said.indexOf(part); at >= 0; at = said.indexOf(part, at + 1)) {
    const [before, after] = [said.slice(0, at), said.slice(at + part.length)]
    if (ownPart(before + PLACE + after, names) === PLACE) return before + own + after
  }
  return null
}

/**
 * A title that ends with the site's name twice, with it once; of one that has it at both ends the title as its end has it.
 *
 * @param own the title's own part
 * @example withNameOnce('Wicks – Lamps – Lamps', 'Wicks', ['Lamps']) // 'Wicks – Lamps'
 */
export function withNameOnce(title: string, own: string, names: readonly string[]): string {
  const rest = title.startsWith(own) ? title.slice(own.length) : ''
  const half = rest.slice(0, rest.length / 2)
  const isNamed = names.some((name) => half.toLowerCase().endsWith(name.toLowerCase()))
  return isNamed && half + half === rest ? own + half : (withOwnPart(title, own, names) ?? own)
}
