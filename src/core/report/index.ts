/**
 * Everything that leaves as a paper: text, Markdown, HTML, JSON, CSV, SARIF, JUnit, and the reports of drift
 * and refresh. paper.ts says once what all of them tell: verdict, what is incomplete, scope, waivers. One file
 * a format. Findings become words here and nowhere below. Begin with formats.ts.
 */

export { type Baseline, baselineOf, unfitAsBaseline } from './baseline'
export { type DriftFormat, driftFormats, REASON_WORDS } from './drift-reports'
export { type FormatId, type ReportFormat, reportFormats } from './formats'
export { needsPagesFile, pagesAsHtml } from './html-pages'
export { escapeMarkdown } from './markdown'
export { fixesWords, type PaperOptions, signatureWords, unseenLines, verdictLine } from './paper'
export { refreshAsAddresses, refreshAsCsv } from './refresh-reports'
export { picturesWanted, type ReportPicture } from './report-cards'
export { contextOfDocument, type RunDocument, runDocument } from './run-document'
export { jsonLines, jsonPieces, runAsJson } from './run-pieces'
export {
  type Digest,
  differenceFromSignOff,
  faultOfSignOff,
  type SignedDocument,
  type SignOffDifference,
  signOffDifferences,
  signOffOf,
} from './sign-off'
export { runAsText, type Style } from './text'
export { exitCodeFor, type FailOn, fails, withVerdict } from './verdict'
export { type ReadSource, withSources } from './with-sources'
