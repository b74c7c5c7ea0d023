import type { PageFacts } from '../model'
import { collapseWhiteSpace, isBlank } from '../text'
import { HOME_TITLES, PROVING_TITLES, STARTER_PAIR, STARTER_TITLES } from './starter-texts'

/** What an editor calls a page that has no name yet, with or without a number behind it. */
const UNNAMED = new Set(['untitled', 'new page', 'page'])
const COPY = 'copy of '
const NUMBER_END = new Set('0123456789 -')

/** A text without the number, and the spaces and dashes, that it ends with. */
function withoutNumber(text: string): string {
  let end = text.length
  while (end > 0 && NUMBER_END.has(text[end - 1]!)) end--
  return text.slice(0, end)
}
const WHOLE_ONLY = new Set(['undefined', 'null', 'nan', '%s', '%d', '%@'])
/** Signs that stand between a page's title and its site's name, with space on both sides; a bar needs none. */
const SEPARATORS = new Set('|–—·•»:-')

const isSpace = (sign: string | undefined) => sign !== undefined && sign.trim() === ''

/**
 * Parts of a title between its separators. Goes over the title once: titles are strangers' texts, and a pattern that
 * looks for white space around a sign takes the square of a long row of spaces.
 */
export function titleParts(title: string): string[] {
  const parts: string[] = []
  let start = 0
  for (let index = 0; index < title.length; index++) {
    const sign = title[index]!
    if (!SEPARATORS.has(sign)) continue
    if (sign !== '|' && !(isSpace(title[index - 1]) && isSpace(title[index + 1]))) continue
    parts.push(title.slice(start, index))
    start = index + 1
  }
  parts.push(title.slice(start))
  return parts.map((part) => collapseWhiteSpace(part.trim())).filter((part) => part !== '')
}

/** From one mark to the next after it; null where they don't stand in this order. */
function between(text: string, open: string, close: string): string | null {
  const start = text.indexOf(open)
  const end = start < 0 ? -1 : text.indexOf(close, start + open.length)
  return end < 0 ? null : text.slice(start, end + close.length)
}

/** `{{ title }}`: what stands between the braces holds none. */
function inDoubleBraces(text: string): string | null {
  for (let start = text.indexOf('{{'); start >= 0; start = text.indexOf('{{', start + 1)) {
    const end = text.indexOf('}', start + 2)
    if (end < 0) return null
    if (text[end + 1] === '}') return text.slice(text.lastIndexOf('{{', end), end + 2)
    start = end
  }
  return null
}

const NAME_START = /^[a-z_]/i
const NAME = /^[\w.-]+$/

/** `%title%`, `%site.name%`: a name between two signs, as templates have it; 50 % and 20 % are no such pair. */
function inPercents(text: string): string | null {
  // In a URL it is how a byte is written: %C3%A4.
  if (/^\s*(?:[a-z][\w+.-]*:)?\/|%[0-9a-f]{2}%[0-9a-f]{2}/i.test(text)) return null
  let start = text.indexOf('%')
  while (start >= 0) {
    const end = text.indexOf('%', start + 1)
    if (end < 0) return null
    const name = text.slice(start + 1, end)
    if (name.length <= 60 && NAME_START.test(name) && NAME.test(name)) return text.slice(start, end + 1)
    start = end
  }
  return null
}

const OBJECT = '[object object]'

function objectIn(text: string): string | null {
  const at = text.toLowerCase().indexOf(OBJECT)
  return at < 0 ? null : text.slice(at, at + OBJECT.length)
}

/** A part of a text that a template was to replace: `{{ title }}`, `[object Object]`; null when there is none. */
export const unresolvedIn = (text: string): string | null =>
  inDoubleBraces(text) ?? between(text, '${', '}') ?? inPercents(text) ?? between(text, '<%', '%>') ?? objectIn(text)

/** What a title has of a template: what proves it by itself, or a word that a page may be about (`isNumbered`: New page 3). */
export type StarterTitle = { seen: string; proves: boolean; isNumbered: boolean }

/**
 * What a title has of a template; null where it is somebody's own.
 *
 * @param own its part without the site's name
 * @param whole all of it
 */
export function starterTitleIn(own: string, whole: string): StarterTitle | null {
  const text = collapseWhiteSpace(own).toLowerCase()
  const proof = (seen: string) => ({ seen, proves: true, isNumbered: false })
  if (PROVING_TITLES.has(text) || STARTER_PAIR.test(text) || WHOLE_ONLY.has(text)) return proof(own)
  if (text.startsWith('lorem ipsum')) return proof(own)
  const unresolved = unresolvedIn(whole)
  if (unresolved !== null) return proof(unresolved)
  const plain = withoutNumber(text)
  const isNumbered = plain !== text && plain !== 'page' && UNNAMED.has(plain)
  const isWord = STARTER_TITLES.has(text) || HOME_TITLES.has(text) || UNNAMED.has(plain)
  const isCopy = text.startsWith(COPY) && text.length > COPY.length
  return isWord || isCopy ? { seen: own, proves: false, isNumbered } : null
}

/** What a page says that it was made with, without the version: `Lampwright` of `Lampwright v4.2 (build 7)`. */
export function generatorOf({ metas }: PageFacts): string | null {
  const value = metas.find(({ key, value: said }) => key === 'generator' && !isBlank(said))?.value
  const name = value === undefined ? null : (/^\s*([^\d(;,]{2,60}?)(?:\s+v?\d|\s*[(;,]|\s*$)/.exec(value!)?.[1] ?? null)
  return name === null ? null : collapseWhiteSpace(name)
}

/** What gives a text away as the template's; null when it is somebody's own. */
export function placeholderIn(own: string, whole: string): string | null {
  const text = collapseWhiteSpace(own).toLowerCase()
  if (
    STARTER_TITLES.has(text) ||
    STARTER_PAIR.test(text) ||
    UNNAMED.has(withoutNumber(text)) ||
    (text.startsWith(COPY) && text.length > COPY.length) ||
    WHOLE_ONLY.has(text)
  )
    return own
  if (text.startsWith('lorem ipsum')) return own
  return unresolvedIn(whole)
}
