/**
 * The places that show links, and the card that each makes of a page. profiles/ has a data file a place;
 * candidates, ladders and cuts say why a card looks as it does; page-changes.ts says in what two cards differ.
 * A card is made from facts alone: nothing is fetched, nothing is drawn. Begin with card.ts.
 */
export {
  firstValue,
  imageCandidates,
  likelyContentImages,
  metaCandidates,
  metasOf,
  type OgImage,
  ogImages,
} from './candidates'
export {
  type CardBook,
  type CardContext,
  type CardPicture,
  cardKindOf,
  cardOf,
  createCardBook,
  isKeptOut,
} from './card'
export { Card, Outcome, Rung, TextPart } from './card-model'
export { describeSurfaces } from './describe-surfaces'
export { whyDifferent } from './differ'
export { CARD_PADDING_PX, drawnWidth, NATURAL_PX, THUMBNAIL_PX } from './drawn-size'
export { type Face, faceOf, richDetails, type Trait } from './face'
export { DEFAULT_FROM_PAGES, mostUsed } from './most-used'
export { picturesNamed } from './named-pictures'
export { offeredPictures, withPictureChosen } from './offered-pictures'
export {
  type CardPart,
  type ComparedCard,
  type ComparedFacts,
  cardChanges,
  type TagChange,
  tagChanges,
} from './page-changes'
export { type CardKind, type CropResult, cropsFor, isLookedAt, isWholeAddress, publicImageUrl } from './picture'
export { placeDifferences } from './place-differences'
export { mainPlace, representativePlaces, surfacesWith } from './places'
export {
  assumed,
  BASIS_WORDS,
  type Basis,
  BoxFigure,
  CachePolicy,
  type Figure,
  type IconMark,
  ImageSource,
  Layout,
  Recompression,
  SURFACE_ID,
  Surface,
  weakestBasis,
} from './profile'
export { builtInSurfaces } from './profiles'
export { readSurfaces, surfaceAsFile, withSurfaces } from './read-surfaces'
export { recompressedSize } from './recompressed'
export { richKindOf } from './rich'
export { isKeptOutByRobots } from './robots-of-site'
export { isPlainColour } from './theme-color'
