import { runAsCsv } from './csv'
import { runAsHtml } from './html'
import { runAsJunit } from './junit'
import { runAsMarkdown } from './markdown'
import type { PaperOptions } from './paper'
import { type RunDocument, runAsJson } from './run-document'
import { runAsSarif } from './sarif'
import { runAsText } from './text'

/** A form in which a run leaves: the command and the app offer the same. */
export type ReportFormat = {
  id: 'text' | 'json' | 'csv' | 'sarif' | 'junit' | 'markdown' | 'html'
  name: string
  extension: string
  mediaType: string
  write: (document: RunDocument, options?: PaperOptions) => string
}

export const reportFormats: readonly ReportFormat[] = [
  { id: 'text', name: 'Text', extension: 'txt', mediaType: 'text/plain', write: runAsText },
  { id: 'json', name: 'Run document (JSON)', extension: 'json', mediaType: 'application/json', write: runAsJson },
  { id: 'csv', name: 'CSV', extension: 'csv', mediaType: 'text/csv', write: runAsCsv },
  { id: 'sarif', name: 'SARIF 2.1.0', extension: 'sarif', mediaType: 'application/sarif+json', write: runAsSarif },
  { id: 'junit', name: 'JUnit XML', extension: 'xml', mediaType: 'application/xml', write: runAsJunit },
  { id: 'markdown', name: 'Markdown', extension: 'md', mediaType: 'text/markdown', write: runAsMarkdown },
  { id: 'html', name: 'Report (HTML)', extension: 'html', mediaType: 'text/html', write: runAsHtml },
]

export type FormatId = ReportFormat['id']
