/**
 * The vocabulary of tags: attribute, how many a page may have, what a tag is about, where it stands among others, and
 * what has to be made before it can be written. vocabulary.ts has a line a tag; tags.ts answers what the rest of the
 * program asks of them. Nothing else lists keys of tags. Begin with vocabulary.ts.
 */
export {
  allTags,
  attributeAsked,
  attributeFor,
  familyOf,
  isCardTag,
  isKnownKey,
  isOfSite,
  isSingleValued,
  isUrlTag,
  knownKeys,
  mayRepeat,
  needsFor,
  placeOf,
  subjectOfTag,
  tagOf,
} from './tags'
export { TAGS, type Tag, type TagSubject } from './vocabulary'
