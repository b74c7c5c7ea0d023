/**
 * Cards as one picture: a drawing in plain steps (boxes, words, pictures) that becomes an SVG here, or pixels
 * where there is a canvas. What is drawn is the card's own lines at true size, so that a picture of a card
 * can't say anything else than the card. Begin with sheet.ts.
 */
export {
  type CardSheet,
  changedCards,
  type DrawnRun,
  MAX_ON_SHEET,
  type Side,
  sheetOfChanged,
  sheetOfRun,
} from './cards-of-run'
export { type CardDrawing, cardWidth, type DrawnCard, drawCard, drawnFace } from './draw-card'
export { boxFor, type Drawing, fillOf, type Ink, inks, type Region, type Step, UNDERLINE_PX } from './drawing'
export { fileNameOf } from './file-name'
export { type FacePart, facesNeeded, fontFaceRule } from './font-faces'
export { inlineSvg, pictureSymbols } from './inline-svg'
export { type Pair, sheetOfCards, sheetOfPairs } from './sheet'
export { sheetAsSvg } from './sheet-svg'
