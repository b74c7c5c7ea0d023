/**
 * Findings by the edits that a person would make, and what a run looks like from afar. collect.ts asks each finding what
 * would mend it, with values from desk.ts; rule-of.ts finds the rule that values on many pages follow, scope.ts the place
 * where it is written, make-plans.ts what is done in one go; prove.ts tries each on the run's own pages. Begin with
 * cause.ts and find-causes.ts.
 */
export { Cause, Edit, EditPlace } from './cause'
export { findCauses, type Tried, tryCauses } from './find-causes'
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
export { isToBeMade } from './stand-in'
export { type Readiness, readinessOf, type Tally, tallyOf } from './tally'
