/**
 * From many findings to the few changes that mend them: findings with one fault in one place are one cause,
 * with the line that shows it, the tag to write, and the pages that it is about. It proposes and counts; it
 * changes nothing. Begin with find-causes.ts.
 */
export { Cause } from './cause'
export { findCauses } from './find-causes'
export {
  Coverage,
  chartMarks,
  coverageFields,
  histogram,
  type Overview,
  overviewOf,
  type PageLengths,
  type PictureSize,
  type SectionCoverage,
  SHARED_BY,
} from './overview'
