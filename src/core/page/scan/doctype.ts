import { isSpace } from './attributes'

/** Public identifiers that begin with these put a page in quirks mode (13.2.6.4.1). */
const QUIRKY_PUBLIC = [
  '+//silmaril//dtd html pro v0r11 19970101//',
  '-//as//dtd html 3.0 aswedit + extensions//',
  '-//advasoft ltd//dtd html 3.0 aswedit + extensions//',
  '-//ietf//dtd html 2.0 level 1//',
  '-//ietf//dtd html 2.0 level 2//',
  '-//ietf//dtd html 2.0 strict level 1//',
  '-//ietf//dtd html 2.0 strict level 2//',
  '-//ietf//dtd html 2.0 strict//',
  '-//ietf//dtd html 2.0//',
  '-//ietf//dtd html 2.1e//',
  '-//ietf//dtd html 3.0//',
  '-//ietf//dtd html 3.2 final//',
  '-//ietf//dtd html 3.2//',
  '-//ietf//dtd html 3//',
  '-//ietf//dtd html level 0//',
  '-//ietf//dtd html level 1//',
  '-//ietf//dtd html level 2//',
  '-//ietf//dtd html level 3//',
  '-//ietf//dtd html strict level 0//',
  '-//ietf//dtd html strict level 1//',
  '-//ietf//dtd html strict level 2//',
  '-//ietf//dtd html strict level 3//',
  '-//ietf//dtd html strict//',
  '-//ietf//dtd html//',
  '-//metrius//dtd metrius presentational//',
  '-//microsoft//dtd internet explorer 2.0 html strict//',
  '-//microsoft//dtd internet explorer 2.0 html//',
  '-//microsoft//dtd internet explorer 2.0 tables//',
  '-//microsoft//dtd internet explorer 3.0 html strict//',
  '-//microsoft//dtd internet explorer 3.0 html//',
  '-//microsoft//dtd internet explorer 3.0 tables//',
  '-//netscape comm. corp.//dtd html//',
  '-//netscape comm. corp.//dtd strict html//',
  "-//o'reilly and associates//dtd html 2.0//",
  "-//o'reilly and associates//dtd html extended 1.0//",
  "-//o'reilly and associates//dtd html extended relaxed 1.0//",
  '-//sq//dtd html 2.0 hotmetal + extensions//',
  '-//softquad software//dtd hotmetal pro 6.0::19990601::extensions to html 4.0//',
  '-//softquad//dtd hotmetal pro 4.0::19971010::extensions to html 4.0//',
  '-//spyglass//dtd html 2.0 extended//',
  '-//sun microsystems corp.//dtd hotjava html//',
  '-//sun microsystems corp.//dtd hotjava strict html//',
  '-//w3c//dtd html 3 1995-03-24//',
  '-//w3c//dtd html 3.2 draft//',
  '-//w3c//dtd html 3.2 final//',
  '-//w3c//dtd html 3.2//',
  '-//w3c//dtd html 3.2s draft//',
  '-//w3c//dtd html 4.0 frameset//',
  '-//w3c//dtd html 4.0 transitional//',
  '-//w3c//dtd html experimental 19960712//',
  '-//w3c//dtd html experimental 970421//',
  '-//w3c//dtd w3 html//',
  '-//w3o//dtd w3 html 3.0//',
  '-//webtechs//dtd mozilla html 2.0//',
  '-//webtechs//dtd mozilla html//',
]
const QUIRKY_PUBLIC_WHOLE = ['-//w3o//dtd w3 html strict 3.0//en//', '-/w3c/dtd html 4.0 transitional/en', 'html']
const QUIRKY_SYSTEM = 'http://www.ibm.com/data/dtd/v11/ibmxhtml1-transitional.dtd'
/** These do so only without a system identifier. */
const QUIRKY_WITHOUT_SYSTEM = ['-//w3c//dtd html 4.01 frameset//', '-//w3c//dtd html 4.01 transitional//']

/** A quoted identifier from `at` on; null when none stands there, `isOpen` when its quote is never closed. */
function identifier(text: string, at: number): { value: string; end: number; isOpen: boolean } | null {
  let start = at
  while (isSpace(text.charCodeAt(start))) start++
  const quote = text[start]
  if (quote !== '"' && quote !== "'") return null
  const end = text.indexOf(quote, start + 1)
  const isOpen = end < 0
  return { value: text.slice(start + 1, isOpen ? undefined : end).toLowerCase(), end: end + 1, isOpen }
}

/**
 * Whether a DOCTYPE puts the page in quirks mode, where a table doesn't close the paragraph before it.
 * @param text what stands between `<!doctype` and `>`
 * @param isClosed false when the page ends before the `>`
 */
export function isQuirkyDoctype(text: string, isClosed: boolean): boolean {
  let at = 0
  while (isSpace(text.charCodeAt(at))) at++
  const nameStart = at
  while (at < text.length && !isSpace(text.charCodeAt(at))) at++
  if (!isClosed || text.slice(nameStart, at).toLowerCase() !== 'html') return true
  while (isSpace(text.charCodeAt(at))) at++
  if (at >= text.length) return false
  const keyword = text.slice(at, at + 6).toLowerCase()
  if (keyword !== 'public' && keyword !== 'system') return true
  const first = identifier(text, at + 6)
  if (!first || first.isOpen) return true
  const second = keyword === 'public' ? identifier(text, first.end) : null
  if (second?.isOpen) return true
  if (keyword === 'public' && !second && text.slice(first.end).trim() !== '') return true
  const publicId = keyword === 'public' ? first.value : null
  const systemId = keyword === 'system' ? first.value : (second?.value ?? null)
  if (systemId === QUIRKY_SYSTEM) return true
  if (publicId === null) return false
  if (QUIRKY_PUBLIC_WHOLE.includes(publicId)) return true
  if (QUIRKY_PUBLIC.some((start) => publicId.startsWith(start))) return true
  return systemId === null && QUIRKY_WITHOUT_SYSTEM.some((start) => publicId.startsWith(start))
}
