/**
 * Bytes of a page to the facts that checks and cards are made of. Decoding as the Encoding standard says, then
 * one pass of a scanner (scan/) that builds no tree where it need not, with each fact's line and column; JSON-
 * LD with the place of its faults. It follows no link and judges nothing. Begin with read-page.ts; scan/ has a
 * page of its own.
 */
export { type DecodedHtml, decodeHtml } from './decode'
export { decodeText, encodingNamed } from './encoding'
export { joinBytes } from './join-bytes'
export { readJsonLd } from './json-ld'
export { jsonStringInScript, placesOfName } from './json-ld-names'
export { LineIndex } from './lines'
export { PageStream } from './page-stream'
export { OtherPieces, type PieceDecoder, Utf8Pieces } from './piece-decoder'
export { type PageReading, readPage, type SourceRowsWanted } from './read-page'
export { PageScanner } from './scan'
export { Attributes, endOfTag, isSpace } from './scan/attributes'
export { copyString } from './scan/copy-string'
export { endOfComment, endTagOf, isNameAt } from './scan/raw-text'
export { firstOfSet, looksLikeShareLink, refreshAddress } from './scan/values'
