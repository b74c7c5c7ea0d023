/**
 * Better text and pictures, tried before they are in the build: drafts of a page, title patterns, texts of
 * many pages at once, what a draft clears and breaks, and how it leaves again: as tags, as a table, as a
 * patched build. take-away/ has a file a form. Nothing is ever written into a source by itself. Begin with
 * draft.ts and drafted-page.ts.
 */
export { type BulkChange, bulkFields, ownPictures } from './bulk'
export { type CutMark, cutMarks, trimAt } from './cut-marks'
export {
  Draft,
  DraftFields,
  DraftSlot,
  isEmptyDraft,
  noDefaults,
  SectionDefaults,
  SiteDefaults,
  SlotValue,
  unfitIn,
} from './draft'
export { type DraftEffect, draftEffect, sameTitleElsewhere } from './draft-effect'
export { editFacts, editPage, saidBy } from './drafted-page'
export {
  type ComesFrom,
  defaultTags,
  type Effective,
  effectiveEdits,
  fitsCards,
  fitsDescription,
  fitsSearch,
  type KnownDefaults,
  patternValues,
  titleNames,
} from './effective'
export { fieldsOfEdits } from './fields-of-edits'
export { gitDiff } from './git-diff'
export { changedUnder, type Landing, landingOf, publicImageUrlOf, sayingsOf, type TagStanding } from './landing'
export { type PageToPatch, type PatchedFile, patchBuild } from './patch-build'
export { metaHtml } from './patch-page'
export { type Slot, slotName, slotOf, slots } from './slots'
export { type TagEdits, tagEdits } from './tag-edits'
export { takeAways } from './take-away'
export { tagsAsHtml } from './take-away/as-html'
export { cardTags } from './take-away/card-tags'
export { pictureHelps, type TextHelp, textHelps } from './text-helps'
export { readTextTable, type TableReading, type TextRow, writeTextTable } from './text-table'
export { PatternFault, parsePattern, parseText, patternParts, renderTitle } from './title-pattern'
