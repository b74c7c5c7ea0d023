import Papa from 'papaparse'
import { locatedFindings } from './located'
import { neutralCell } from './neutral-cell'
import type { RunDocument } from './run-document'

const COLUMNS = ['level', 'rule', 'page', 'file', 'line', 'column', 'message', 'fix', 'image']

/** Findings as CSV (RFC 4180), a row each; cells that a spreadsheet would run are neutralised. */
export function runAsCsv(document: RunDocument): string {
  const data = locatedFindings(document).map(({ finding, page, url }) => {
    const { level, rule, line, column, message, fix, image } = finding
    const cells = [level, rule, url, page?.file ?? '', line ?? '', column ?? '', message, fix, image ?? '']
    return cells.map((cell) => neutralCell(String(cell)))
  })
  return `${Papa.unparse({ fields: COLUMNS, data }, { newline: '\r\n' })}\r\n`
}
