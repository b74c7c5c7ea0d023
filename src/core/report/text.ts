import type { Cause } from '../cause/cause'
import type { Level } from '../model'
import { pathOn } from './located'
import type { RunDocument } from './run-document'

/** How levels are set off on a terminal; plain text elsewhere. */
export type Style = (level: Level | 'quiet' | 'strong', text: string) => string

export const plainStyle: Style = (_level, text) => text

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
    return `${files.get(url) ?? pathOn(url, document.source.site)}${line ? `:${line}` : ''}`
  })
}

function causeLines(cause: Cause, document: RunDocument, style: Style): string[] {
  const named = placesOf(cause, document)
  const rest = cause.pages.length - named.length
  return [
    `${style(cause.level, cause.level.padEnd(7))} ${style('strong', cause.change)}`,
    `        ${style('quiet', `clears ${signs(cause.clears)}: ${cause.rules.join(', ')}`)}`,
    ...named.map((place) => `          ${place}`),
    ...(rest > 0 ? [`          … and ${rest} more`] : []),
    '',
  ]
}

const count = (number: number, word: string) => `${number} ${word}${number === 1 ? '' : 's'}`

/** A run in words, for a terminal or a log: by the change that mends it, what stands in the way first. */
export function runAsText(document: RunDocument, style: Style = plainStyle): string {
  const { summary, source, notes, pages } = document
  const sections = new Set(pages.map((page) => page.section)).size
  const from = source.location === source.site ? '' : ` from ${source.location}`
  const sum = `${count(summary.error, 'error')}, ${count(summary.warning, 'warning')}, ${count(summary.note, 'note')}`
  const lines = [
    `${style('strong', source.site)}${from}`,
    `${count(summary.pages, 'page')} in ${count(sections, 'section')}, ${count(document.images.length, 'picture')}`,
    ...notes.map((note) => style('quiet', note.message)),
    '',
    ...document.causes.flatMap((cause) => causeLines(cause, document, style)),
    summary.clear ? style('strong', `Clear for launch: ${sum}.`) : style('error', `Not clear: ${sum}.`),
  ]
  return `${lines.join('\n')}\n`
}
