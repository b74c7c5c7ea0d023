/**
 * The nouns that everything else speaks of: page, tag, image, run, finding, and the schemas by which they are
 * read back from files and storage. Plain data: it holds no rule and works nothing out. A schema stands here
 * once, and its type is inferred from it. A file a noun; begin with page.ts and run.ts; read-json.ts is the one way in for JSON that
 * others made.
 */

export {
  FailureCode,
  FetchFact,
  LeadingAddress,
  Linkers,
  LinkPlace,
  RedirectHop,
  SecondLook,
  Validators,
} from './fetch'
export {
  byLevel,
  Finding,
  LEVELS,
  Level,
  SiteFinding,
  Skipped,
  Summary,
  TakenOn,
  Unseen,
  VerdictWord,
  WaivedFinding,
} from './finding'
export { GatheredImage, ImageColors, ImageFormat } from './image'
export { type LineOf, linesOfJson } from './json-lines'
export { isKnownType, isOwnType, KNOWN_TYPES } from './og-types'
export { GatheredPage, KeptLinks } from './page'
export { ContentImage, JsonLdFact, LinkFact, MetaFact, PageFacts, SourceLine } from './page-facts'
export { Position, TagPosition } from './position'
export { isDeeperThan, parseJson } from './read-json'
export { type RichField, type RichFields, RichKind, RichThing, richField } from './rich-thing'
export { AccessMode, type Gathering, Incomplete, MissingUrl, RunNote, RunSource, SourceKind, Survey } from './run'
export { type FileFault, pathText, schemaFaults } from './schema-faults'
export { VERSION } from './version'
