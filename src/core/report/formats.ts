import { withoutUnnamedHost } from '../address'
import { csvPieces, runAsCsv } from './csv'
import { runAsHtml } from './html'
import { junitPieces, runAsJunit } from './junit'
import { runAsMarkdown } from './markdown'
import type { PaperOptions } from './paper'
import type { RunDocument } from './run-document'
import { jsonLines, jsonPieces, pathsIn } from './run-pieces'
import { runAsSarif, sarifPieces } from './sarif'
import { runAsText } from './text'

/** A form in which a run leaves: the command and the app offer the same. */
export type ReportFormat = {
  id: 'text' | 'json' | 'jsonl' | 'csv' | 'sarif' | 'junit' | 'markdown' | 'html'
  name: string
  extension: string
  mediaType: string
  write: (document: RunDocument, options?: PaperOptions) => string
  /** The same in pieces: where it grows with the site, no text has to be as long as the whole. */
  pieces?: (document: RunDocument, options?: PaperOptions) => Iterable<string>
}

/** The form, with URLs of a site that has no production URL as paths. */
function withPaths({ write, pieces, ...form }: ReportFormat): ReportFormat {
  return {
    ...form,
    write: (document, options) => withoutUnnamedHost(write(document, options)),
    ...(pieces && { pieces: (document, options) => pathsIn(pieces(document, options)) }),
  }
}

const formats: readonly ReportFormat[] = [
  { id: 'text', name: 'Text', extension: 'txt', mediaType: 'text/plain', write: runAsText },
  {
    id: 'json',
    name: 'Run document (JSON)',
    extension: 'json',
    mediaType: 'application/json',
    write: (document) => [...jsonPieces(document)].join(''),
    pieces: jsonPieces,
  },
  {
    id: 'jsonl',
    name: 'Run document (JSON lines)',
    extension: 'jsonl',
    mediaType: 'application/jsonl',
    write: (document) => [...jsonLines(document)].join(''),
    pieces: jsonLines,
  },
  { id: 'csv', name: 'CSV', extension: 'csv', mediaType: 'text/csv', write: runAsCsv, pieces: csvPieces },
  {
    id: 'sarif',
    name: 'SARIF 2.1.0',
    extension: 'sarif',
    mediaType: 'application/sarif+json',
    write: runAsSarif,
    pieces: sarifPieces,
  },
  {
    id: 'junit',
    name: 'JUnit XML',
    extension: 'xml',
    mediaType: 'application/xml',
    write: runAsJunit,
    pieces: junitPieces,
  },
  { id: 'markdown', name: 'Markdown', extension: 'md', mediaType: 'text/markdown', write: runAsMarkdown },
  { id: 'html', name: 'Report (HTML)', extension: 'html', mediaType: 'text/html', write: runAsHtml },
]

/** Every form in which a run leaves. */
export const reportFormats: readonly ReportFormat[] = formats.map(withPaths)

export type FormatId = ReportFormat['id']
