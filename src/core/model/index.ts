/**
 * The nouns that everything else speaks of: page, tag, image, run, finding, and the schemas by which they are
 * read back from files and storage. Plain data: it holds no rule and works nothing out. A schema stands here
 * once, and its type is inferred from it. Begin with model.ts; read-json.ts is the one way in for JSON that
 * others made.
 */
export { type LineOf, linesOfJson } from './json-lines'
export {
  AccessMode,
  ContentImage,
  FailureCode,
  FetchFact,
  Finding,
  GatheredImage,
  GatheredPage,
  type Gathering,
  ImageColors,
  ImageFormat,
  Incomplete,
  JsonLdFact,
  LeadingAddress,
  Level,
  Linkers,
  LinkFact,
  LinkPlace,
  MetaFact,
  PageFacts,
  Position,
  RedirectHop,
  RichKind,
  RunNote,
  RunSource,
  SecondLook,
  SiteFinding,
  Skipped,
  SourceKind,
  SourceLine,
  Summary,
  Survey,
  TagPosition,
  TakenOn,
  VerdictWord,
  WaivedFinding,
} from './model'
export { isKnownType, isOwnType, KNOWN_TYPES } from './og-types'
export { isDeeperThan, parseJson } from './read-json'
export { type FileFault, pathText, schemaFaults } from './schema-faults'
export { VERSION } from './version'
