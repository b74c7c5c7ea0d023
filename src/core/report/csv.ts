import Papa from 'papaparse'
import { neutralCell } from '../text'
import { locatedFindings } from './located'
import { paperLines, waiverWords } from './paper'
import type { RunDocument } from './run-document'

const COLUMNS = ['level', 'rule', 'page', 'file', 'line', 'column', 'message', 'fix', 'image', 'state', 'waiver']

/**
 * Findings as CSV (RFC 4180), a row each; cells that a spreadsheet would run are neutralised. What keeps a table
 * without rows from being taken for a clear site stands in rows of their own, with the level `none`: what was not read,
 * the scope, the sign-off.
 */
export function runAsCsv(document: RunDocument): string {
  const findings = locatedFindings(document).map(({ finding, page, url, state, waiver }) => {
    const { level, rule, line, column, message, fix, image } = finding
    const cells = [level, rule, url, page?.file ?? '', line ?? '', column ?? '', message, fix, image ?? '']
    return [...cells, state, waiver ? waiverWords(waiver) : '']
  })
  const { site } = document.source
  const ofRun = paperLines(document).flatMap(({ kind, text }) =>
    kind === 'incomplete' || kind === 'scope' || kind === 'signed-off'
      ? [['none', `run-${kind}`, site, '', '', '', text, '', '', '', '']]
      : [],
  )
  const data = [...ofRun, ...findings].map((cells) => cells.map((cell) => neutralCell(String(cell))))
  return `${Papa.unparse({ fields: COLUMNS, data }, { newline: '\r\n' })}\r\n`
}
