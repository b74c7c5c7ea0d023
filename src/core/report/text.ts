import type { Cause } from '../cause'
import type { Level } from '../model'
import { terminalText } from '../text'
import { pathOn } from './located'
import { count, type PaperLine, paperLines, printedCauses, verdictLine } from './paper'
import type { RunDocument } from './run-document'

/** How levels are set off on a terminal; plain text elsewhere. */
export type Style = (level: Level | 'quiet' | 'strong', text: string) => string

const plainStyle: Style = (_level, text) => text

/** Pages named under one finding before the rest is counted. */
const PAGES_NAMED = 5

const signs = ({ error, warning, note }: Cause['clears']) =>
  [error && count(error, 'error'), warning && count(warning, 'warning'), note && count(note, 'note')]
    .filter(Boolean)
    .join(', ')

/** Where a cause shows: files with lines where the build is files, paths else. */
function placesOf(cause: Cause, document: RunDocument): string[] {
  const files = new Map(document.pages.map(({ url, file }) => [url, file]))
  const lines = new Map(cause.evidence.map(({ url, line }) => [url, line]))
  return cause.pages.slice(0, PAGES_NAMED).map((url) => {
    const line = lines.get(url)
    return terminalText(`${files.get(url) ?? pathOn(url, document.source.site)}${line ? `:${line}` : ''}`)
  })
}

function causeLines(cause: Cause, document: RunDocument, style: Style): string[] {
  const named = placesOf(cause, document)
  const rest = cause.pages.length - named.length
  return [
    `${style(cause.level, cause.level.padEnd(7))} ${style('strong', terminalText(cause.change))}`,
    `        ${style('quiet', `clears ${signs(cause.clears)}: ${cause.rules.join(', ')}`)}`,
    ...named.map((place) => `          ${place}`),
    ...(rest > 0 ? [`          … and ${rest} more`] : []),
    '',
  ]
}

/** What bears on the verdict is set off from what is only to be known. */
const told = ({ kind, text }: PaperLine, style: Style) =>
  kind === 'incomplete'
    ? style('error', terminalText(text))
    : kind === 'note'
      ? style('quiet', terminalText(text))
      : terminalText(text)

/**
 * A run in words, for a terminal or a log: the verdict, what it is worth, then what to do by the change that mends it,
 * what stands in the way first. The last line is the verdict again: a log is read from its end.
 */
export function runAsText(document: RunDocument, style: Style = plainStyle): string {
  const { summary, source, pages } = document
  const sections = new Set(pages.map((page) => page.section)).size
  const from = source.location === source.site ? '' : ` from ${source.location}`
  const verdict = style(summary.clear ? 'strong' : 'error', verdictLine(document))
  const lines = [
    verdict,
    `${style('strong', terminalText(source.site))}${terminalText(from)}`,
    `${count(summary.pages, 'page')} in ${count(sections, 'section')}, ${count(document.images.length, 'picture')}`,
    ...paperLines(document).map((line) => told(line, style)),
    '',
    ...printedCauses(document).flatMap((cause) => causeLines(cause, document, style)),
    verdict,
  ]
  return `${lines.join('\n')}\n`
}
