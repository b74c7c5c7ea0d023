import Papa from 'papaparse'
import { resolveAddress } from '../address'
import { unfitIn } from './draft'

/** A page's texts as a table holds them. */
export type TextRow = { url: string; title: string; description: string }

/** What a table would do to one page. `conflict`: the draft was changed since the table was taken. */
type TableChange = {
  url: string
  field: 'title' | 'description'
  before: string
  after: string
  /** A draft of the page says a third thing: neither what the build says nor what the table says. */
  conflict: string | null
}

export type TableReading = { changes: TableChange[]; unknown: string[]; faults: string[] }

const COLUMNS = ['address', 'title', 'description'] as const

/**
 * The sign that keeps a spreadsheet from running a cell. What already starts with it gets one more, so that
 * {@link plainCell} gives back every text as it was.
 */
const guardedCell = (cell: string) => (/^'*[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)

/** Undoes the sign that keeps a spreadsheet from running a cell. */
const plainCell = (cell: string) => (/^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell)

/** Who reads a table: a spreadsheet runs what looks like a formula, a program takes every text as it is. */
export type TableReader = 'spreadsheet' | 'program'

/** A table of texts. For a spreadsheet, cells that it would run as formulas are neutralised. */
export function writeTextTable(
  rows: readonly TextRow[],
  delimiter: ',' | '\t' = ',',
  reader: TableReader = 'spreadsheet',
): string {
  const cell = reader === 'spreadsheet' ? guardedCell : (text: string) => text
  const data = rows.map(({ url, title, description }) => [url, title, description].map(cell))
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { delimiter, newline: '\r\n' })}\r\n`
}

function columnOf(header: readonly string[], names: readonly string[]): number {
  return header.findIndex((cell) => names.includes(cell.trim().toLowerCase()))
}

/**
 * Reads a table pasted from a spreadsheet or a CSV file: what it would change, what it names that is no page, what
 * can't be read. Nothing is written; addresses may be paths. Without a header the columns are address, title,
 * description. An empty cell changes nothing.
 *
 * @param built texts of the build, @param drafted texts of drafts, by page
 */
export function readTextTable(
  text: string,
  site: string,
  built: ReadonlyMap<string, TextRow>,
  drafted: ReadonlyMap<string, Partial<TextRow>>,
): TableReading {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' })
  const faults = parsed.errors
    .filter(({ type }) => type === 'Quotes')
    .map(({ row, message }) => `Row ${(row ?? 0) + 1}: ${message}.`)
  const rows = parsed.data
  const first = rows[0] ?? []
  const hasHeader = columnOf(first, ['address', 'url', 'path', 'page']) >= 0
  const columns = hasHeader
    ? {
        address: columnOf(first, ['address', 'url', 'path', 'page']),
        title: columnOf(first, ['title', 'og:title']),
        description: columnOf(first, ['description', 'og:description']),
      }
    : { address: 0, title: 1, description: 2 }
  const unknown: string[] = []
  const changes: TableChange[] = []
  const seen = new Set<string>()
  for (const [index, row] of rows.slice(hasHeader ? 1 : 0).entries()) {
    const raw = plainCell(row[columns.address] ?? '').trim()
    const url = resolveAddress(raw.startsWith('/') ? raw.slice(1) || './' : raw, site)
    const page = url === null ? undefined : built.get(url)
    if (!page) {
      unknown.push(raw === '' ? `row ${index + (hasHeader ? 2 : 1)}` : raw)
      continue
    }
    if (seen.has(page.url)) {
      faults.push(`${raw} stands in the table twice: its first row counts.`)
      continue
    }
    seen.add(page.url)
    for (const field of ['title', 'description'] as const) {
      const after = plainCell(row[columns[field]] ?? '')
        .replaceAll('\r\n', '\n')
        .trim()
      const unfit = unfitIn(after)
      if (unfit !== null) {
        faults.push(`The ${field} of ${raw} holds ${unfit}, which no page can carry: it is left out. Type it again.`)
        continue
      }
      const draft = drafted.get(page.url)?.[field]
      const before = draft ?? page[field]
      if (after === '' || after === before) continue
      const conflict = draft !== undefined && draft !== after ? draft : null
      changes.push({ url: page.url, field, before, after, conflict })
    }
  }
  return { changes, unknown, faults }
}
