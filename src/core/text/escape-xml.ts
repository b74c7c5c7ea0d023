import { terminalText } from './visible'

/**
 * A value in XML 1.0, in one line: what no XML document may hold, and what a log that it is printed to would obey,
 * becomes a mark.
 */
export function escapeXml(value: string): string {
  return terminalText(value)
    .replace(/[\uFFFE\uFFFF]/g, '\uFFFD')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')
}
