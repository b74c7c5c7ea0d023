/**
 * Two runs against each other: pages that came, went and moved, cards that changed and in which part, and
 * which places still hold an old copy and why. A place's habits of holding are facts of its profile; here they
 * are only applied. Begin with drift.ts and refresh-list.ts.
 */
export { pageOfAddress } from './address-variants'
export { type ComparedRun, gatheringCompared, isThere, surroundingsOf } from './compared-run'
export { comparedText } from './compared-text'
export {
  type ChangedPage,
  type Comparison,
  compareRuns,
  type Drift,
  driftBetween,
  driftDocument,
  hasDrifted,
  incomparable,
  placesOf,
  type RefreshReason,
} from './drift'
export type { HeldEvent, HeldScope, Holder } from './held-copies'
export type { PageDifference } from './page-difference'
export { type RefreshEntry, type RefreshInput, type RefreshList, refreshList, type SinceRun } from './refresh-list'
export { askAgain, emptyBox, type Post, post, publish, type ShareBox, shownNow, type Version, wait } from './share-box'
