/**
 * Text as people and formats read it: how wide it is in the measuring face, where it breaks and is cut, what
 * white space collapses to, which word is nearest to a misspelt one, and how each format (HTML, XML, CSV)
 * escapes it. It knows nothing of pages or places: a string goes in, a string or a number comes out. Begin
 * with fit.ts, which breaks a text into the lines of a box, and measure.ts.
 */
export { base64Of, bytesOfBase64 } from './base64'
export { type BreakPiece, breakPieces } from './break-pieces'
export { collapseWhiteSpace, isBlank, trimAscii, withoutUnseenSigns } from './collapse'
export { ensureEntryNames, entryNameFault, fileOfPath, fittingPath } from './entry-name'
export { asciiOnly, escapeAttribute, escapeText } from './escape-html'
export { escapeXml } from './escape-xml'
export { fitText, type TextBox } from './fit'
export { forLast } from './for-last'
export { addTo, groupBy } from './group-by'
export { languageOf } from './language-of'
export { measureText, type Weight } from './measure'
export { editsBetween, nearestWord } from './nearest-word'
export { neutralCell } from './neutral-cell'
export { ownEntry } from './own-entry'
export { listed, plural } from './plural'
export { shownTime } from './shown-time'
export { stableJson } from './stable-json'
export { usualOf } from './usual-of'
export { printableJson, terminalText, visible } from './visible'
export { wholeSentences } from './whole-sentences'
