/**
 * What a site must have: the schema of nimble-parrot.json, which rule holds for a page when several globs fit
 * (the narrower one), and what somebody has taken on by a waiver. It only says what is wanted; whether a page
 * has it is for the checks to find. Begin with requirements.ts; page-rules.ts has the order of rules.
 */
export { askedAbout, lastAnswers, mergedAnswers, type SeenCard, stillStands, subjectOfAnswer } from './answers'
export { askedOfPages, mergedRequirements } from './merge'
export {
  byNarrowness,
  createPageRules,
  createSectionFinder,
  createWaivers,
  DEFAULT_LIMITS,
  describedKind,
  kindsOfSections,
  type PageRule,
  pathMatcher,
  saidKind,
} from './page-rules'
export {
  Answer,
  LevelOrOff,
  noRequirements,
  PersonQuestion,
  RequiredField,
  Requirements,
  SectionRule,
  Shareable,
  Waiver,
} from './requirements'
export { lineOfTag, type SourceRule, sourceFileOf } from './source-files'
