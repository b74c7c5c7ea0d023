import { collapseWhiteSpace } from '../text/collapse'
import { STARTER_PAIR, STARTER_TITLES } from './starter-texts'

const NUMBERED = /^(?:untitled|new page|page|copy of .+)[\s-]*\d*$/i
const UNRESOLVED = /\{\{[^}]*\}\}|\$\{[^}]*\}|%[a-z_][\w.-]*%|<%.*%>|\[object Object\]/i
const WHOLE_ONLY = new Set(['undefined', 'null', 'nan'])
/** Separators between a page's title and its site's name. */
const SEPARATOR = /\s+[|–—·•»:-]\s+|\s*\|\s*/

/** Parts of a title between its separators. */
export function titleParts(title: string): string[] {
  return title
    .split(SEPARATOR)
    .map(collapseWhiteSpace)
    .filter((part) => part !== '')
}

/** The title without the site's name, whichever side it stands on. */
export function ownPart(title: string, siteName: string | null): string {
  const parts = titleParts(title)
  if (parts.length < 2) return collapseWhiteSpace(title)
  const named = parts.filter((part) => part.toLowerCase() !== siteName?.toLowerCase())
  return (named.length === parts.length ? parts[0]! : (named[0] ?? parts[0]!)) || title
}

/** A part of a text that a template was to replace: `{{ title }}`, `[object Object]`; null when there is none. */
export const unresolvedIn = (text: string): string | null => UNRESOLVED.exec(text)?.[0] ?? null

/** What gives a text away as the template's; null when it is somebody's own. */
export function placeholderIn(own: string, whole: string): string | null {
  const text = collapseWhiteSpace(own).toLowerCase()
  if (STARTER_TITLES.has(text) || STARTER_PAIR.test(text) || NUMBERED.test(text) || WHOLE_ONLY.has(text)) return own
  if (text.startsWith('lorem ipsum')) return own
  return unresolvedIn(whole)
}
