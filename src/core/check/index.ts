/**
 * What can be wrong with a page, a picture or a site: rules/ has a file and a test a check, and an index that
 * lists them. A check is a record with its words and a pure function; what it can't know it skips with a
 * reason, and never passes. context.ts holds what several checks need, worked out once a run. Begin with
 * define-check.ts and run-checks.ts.
 */
export {
  builtAt,
  type CheckContext,
  cardContextOf,
  createCheckContext,
  createGrowingContext,
  type GrowingContext,
} from './context'
export { declaredImages, sizedImage } from './declared-images'
export { defaultPicture } from './default-picture'
export { type Check, fillWords, type Repair, type Subject } from './define-check'
export { describeChecks } from './describe-checks'
export { type FindingWords, fixAnywhere, fromWords, inWords } from './finding-words'
export { asSaidHere, createPartJudge, type PagesToJudge, type PartOfRun, partsOf } from './judge-part'
export { judgeAlone, KeptVerdicts, type SaidAlone } from './kept-verdicts'
export { primaryLanguage } from './language-versions'
export { AND } from './own-addresses'
export { ownPart, withNameOnce, withOwnPart } from './own-part'
export { lettersWorth } from './page-texts'
export { commonKind, type PictureEntry, pictureBook } from './picture-book'
export { generatorOf, placeholderIn } from './placeholder'
export { proposedRequirements } from './propose-requirements'
export { checkRequirements, type RequirementFault, readRequirements, requirementsJsonSchema } from './read-requirements'
export { checkOf, checks } from './rules'
export { usualAffix } from './rules/identity-differs'
export {
  boundedChecks,
  checkPage,
  checkSite,
  countFindings,
  isReadable,
  type PageVerdict,
  runChecks,
  subjectOf,
  together,
  type Verdict,
  verdictOf,
} from './run-checks'
export { namesIn, namesOfSections, type SiteCalled, siteCalled, uncalled } from './site-names'
export { isAtLeast, MIN_LARGE, MIN_SHOWN } from './sizes'
export { UNSEEN_RULE } from './unseen'
