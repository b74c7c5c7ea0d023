/**
 * The run document as it is read back: one schema for all who take one (compare, baseline, the app's import),
 * with faults by their place in the file. Writing it is for report/, since words are made there. The contract
 * is docs/run-document.md. Begin with run-document-schema.ts.
 */

export { DocumentBuilder, type DocumentPiece, DocumentReader, type EntryCheck, entryCheck } from './document-reader'
export { type EarlierRun, earlierOfArchive, earlierRunOf, newestRunOf, unfitAsEarlier } from './earlier-run'
export { type Asked, PartDocument, partIn, partProgram } from './part-document'
export { asRunDocument, ReadDocument, readRunDocument, SignedOff, wholeDocument } from './run-document-schema'
export { readSignOff, SignOffFile, signOffOfArchive } from './sign-off-file'
export {
  pkcs8Of,
  publicKeyIn,
  readPrivateKey,
  readSigners,
  type SignatureState,
  type Signer,
  signatureState,
  signedBytes,
  spkiOf,
  sshLineOf,
  type Verify,
} from './signature'
export { type StatedRun, StatedRunReader, UnfitDocument } from './stated-run'
export { runDocumentJsonSchema, WrittenRun } from './written-run'
