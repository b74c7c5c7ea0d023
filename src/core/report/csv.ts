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
export function* csvPieces(document: RunDocument): Generator<string> {
  const { site } = document.source
  const ofRun = paperLines(document).flatMap(({ kind, text }) =>
    kind === 'incomplete' || kind === 'scope' || kind === 'signed-off'
      ? [['none', `run-${kind}`, site, '', '', '', text, '', '', '', '']]
      : [],
  )
  for (const cells of [COLUMNS, ...ofRun]) yield rowOf(cells)
  for (const { finding, page, url, state, waiver } of locatedFindings(document)) {
    const { level, rule, line, column, message, fix, image } = finding
    const cells = [level, rule, url, page?.file ?? '', line ?? '', column ?? '', message, fix, image ?? '']
    yield rowOf([...cells, state, waiver ? waiverWords(waiver) : ''])
  }
}

const rowOf = (cells: readonly (string | number)[]): string =>
  `${Papa.unparse([cells.map((cell) => neutralCell(String(cell)))], { newline: '\r\n' })}\r\n`

/** The same as one text. */
export const runAsCsv = (document: RunDocument): string => [...csvPieces(document)].join('')
