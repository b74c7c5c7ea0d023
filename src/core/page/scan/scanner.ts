import type { PageReading } from '../read-page'
import { Attributes, endOfTag, isSpace } from './attributes'
import type { CurrentTag } from './construction'
import { isQuirkyDoctype } from './doctype'
import { FactGatherer } from './facts'
import * as Mode from './modes'
import { HTML_NS } from './open-elements'
import { Positions } from './positions'
import { afterNewline, endOfComment, endOfScript, endTagOf } from './raw-text'
import { INCOMPLETE, isLetter, nextTelling, type TagNames } from './skim'
import { END_OF_PIECE, Skimmer } from './skimmer'
import { addToName, codeOf, knownTag, OtherNames } from './tag-names'
import * as T from './tag-table'
import { isNothing, Run } from './text-run'
import { Tree } from './tree'
import { isBoilerplate } from './well-nested-span'

const BANG = 33
const DASH = 45
const SLASH = 47
const LESS = 60
const GREATER = 62
const QUESTION = 63

/** Characters that are kept unread until more come, so that a row of source can be cut out whole. */
const HELD_BACK = 512
/** A head longer than this is not kept for its rows. */
const HEAD_CHARACTERS = 1 << 20
/** How far back a skimmed body is kept, to be read in full where it turns out that something hangs on the tree. */
const SKIMMED_CHARACTERS = 1 << 20

/** How a page was decoded, as far as counting its bytes goes. */
export type ScannedEncoding = { encoding: string; bomBytes: number }

/**
 * Reads the facts of a page in one pass over its text, which may come in pieces. No tree is built: tags are tokenized
 * by the states of the HTML standard (13.2.5) and placed by its insertion modes (13.2.6), and what gives a fact is
 * noted as it goes by. Any text is a page; nothing throws.
 */
export class PageScanner implements CurrentTag, TagNames {
  readonly attributes = new Attributes()
  selfClosing = false
  /** Offset within the page after the tag being read. */
  tagEnd = 0
  /** What is in hand: all pieces so far, without what has been read. */
  private text = ''
  private base = 0
  private index = 0
  private isLast = false
  /** After a piece in which a tag or text didn't end, scanning waits for this much, so that no text is read twice as often as it doubles. */
  private waitFor = 0
  /** Where the name of the tag being read ends. */
  nameEnd = 0
  /** Offset within the page from which on the body was only skimmed, and the tree stands still; -1 when it is read. */
  private skimmedFrom = -1
  private readonly run = new Run()
  private readonly others = new OtherNames()
  private readonly positions: Positions
  private readonly facts: FactGatherer
  private readonly tree: Tree
  private readonly skimmer: Skimmer

  constructor({ encoding, bomBytes }: ScannedEncoding) {
    this.positions = new Positions(encoding, bomBytes)
    this.facts = new FactGatherer(this.positions, this.attributes)
    this.tree = new Tree(this.facts, this)
    this.skimmer = new Skimmer(this, this.attributes, this.facts)
  }

  /**
   * Takes the next piece of the page's text.
   * @param isAscii true when the piece holds no character beyond U+007F
   */
  write(piece: string, isAscii: boolean): void {
    this.dropRead()
    this.text = this.text === '' ? piece : this.text + piece
    this.positions.extend(this.text, this.base, piece, isAscii)
    this.facts.extend(this.text, this.base)
    this.skimmer.extend(this.text, this.base)
    if (this.text.length >= this.waitFor) this.scan()
  }

  /** The page is complete. @returns all that was found */
  end(): PageReading {
    this.isLast = true
    this.scan()
    const length = this.base + this.text.length
    this.facts.atEnd(length)
    this.tree.open.popAll()
    const reading = this.facts.result()
    this.release()
    return reading
  }

  /**
   * Nothing of a page that was read holds on to its text. In a long run the engine keeps such small objects as these
   * where they are collected last, and a text that one of them names stays as long, dead or not.
   */
  private release(): void {
    this.text = ''
    this.run.release()
    this.attributes.release()
    this.positions.release()
    this.facts.extend('', 0)
    this.skimmer.release()
  }

  /** Lets go of text that has been read; a head is kept until it ends, for its rows. */
  private dropRead(): void {
    const isHeadKept = !this.facts.rows.isHeadRead && this.text.length < HEAD_CHARACTERS
    if (this.index === 0 || isHeadKept) return
    if (this.skimmedFrom >= 0 && this.text.length >= SKIMMED_CHARACTERS) this.index = this.readSkimmed(this.index)
    const dropped = this.skimmedFrom >= 0 ? this.skimmedFrom - this.base : this.index
    if (dropped === 0) return
    this.facts.beforeDrop()
    const end = this.base + dropped
    this.positions.at(end)
    this.positions.bytesBefore(end)
    this.text = this.text.slice(dropped)
    this.base = end
    this.index -= dropped
  }

  private scan(): void {
    const limit = this.isLast ? this.text.length : this.text.length - HELD_BACK
    let index = this.index
    while (index < limit) {
      if (this.skimmedFrom < 0 && this.facts.isNearlySettled && this.canSkim()) this.skimmedFrom = this.base + index
      if (this.skimmer.isInPiece) {
        const next = this.skimmer.skimPiece(index, this.isLast)
        if (next === INCOMPLETE && !this.isLast) break
        if (next >= 0) {
          index = next
          continue
        }
        // What the piece stands in is as it was: the tree closes what it opened, and has nothing to catch up with.
        if (next === END_OF_PIECE) this.skimmedFrom = -1
        else index = this.readSkimmed(index)
      } else if (this.skimmedFrom >= 0) {
        const next = nextTelling(this.text, index, limit)
        index = next < 0 ? ~next : next
        if (next < 0 || index >= limit) break
        const after = this.skimmer.skimTag(index)
        if (after === INCOMPLETE && !this.isLast) break
        if (after >= 0) {
          index = after
          continue
        }
        index = this.readSkimmed(index)
      }
      const next = this.token(index)
      if (next === INCOMPLETE) break
      index = next
    }
    if (this.isLast) index = this.endInside(index)
    this.index = index
    this.waitFor = this.isLast ? 0 : 2 * (this.text.length - index)
  }

  private canSkim(): boolean {
    return this.tree.canBeSkimmed && this.facts.isSettled(this.tree.isInMain)
  }

  private token(index: number): number {
    return this.tree.rawText === Mode.NO_RAW_TEXT ? this.step(index) : this.rawText(index)
  }

  /** Brings the tree up to where the page has been skimmed to. Facts are noted already. @returns where it stands */
  private readSkimmed(end: number): number {
    let index = this.skimmedFrom - this.base
    this.skimmedFrom = -1
    this.skimmer.leavePiece()
    this.facts.isMuted = true
    while (index < end) {
      const next = this.token(index)
      // A text whose end isn't there yet.
      if (next === INCOMPLETE) break
      index = next
    }
    this.facts.isMuted = false
    return index
  }

  /** May what an element holds, whose start tag was just read, be skimmed as long as it is neat? */
  private mayBeNeat(tag: number): boolean {
    const { tree, facts } = this
    return isBoilerplate(tag) && !facts.isMuted && !facts.isTextOpen && tree.canSkimChildren && tree.open.isTop(tag)
  }

  /** The page ended inside a tag, a comment or a raw text; the first is dropped as the standard says. */
  private endInside(index: number): number {
    const { text, tree } = this
    if (tree.rawText !== Mode.NO_RAW_TEXT) {
      // An end tag that the page ends in is dropped like any tag; what stands before it is the content.
      const less = tree.rawText === Mode.PLAINTEXT ? -1 : this.endOfRaw(index)
      this.contentOfRaw(index, less < 0 ? text.length : less)
    } else if (text.startsWith('<!', index) && text.slice(index + 2, index + 9).toLowerCase() === 'doctype') {
      tree.doctype(true)
    }
    return text.length
  }

  /** Reads a tag, or a text up to the next. @returns the offset after it */
  private step(index: number): number {
    const { text } = this
    if (text.charCodeAt(index) !== LESS) return this.textUpTo(text.indexOf('<', index), index)
    const unit = text.charCodeAt(index + 1)
    if (isLetter(unit)) return this.startTag(index)
    if (unit === SLASH) return this.endTag(index)
    if (unit === BANG) return this.markupDeclaration(index)
    if (unit === QUESTION) return this.bogusComment(index)
    // Nothing starts here: it is a text.
    this.characters(index, index + 1, true)
    return index + 1
  }

  private textUpTo(less: number, index: number): number {
    if (less < 0 && !this.isLast) return INCOMPLETE
    const end = less < 0 ? this.text.length : less
    this.characters(index, end, true)
    return end
  }

  private characters(start: number, end: number, isMarkup: boolean): void {
    const { tree } = this
    // Most texts of a body decide nothing and are kept nowhere.
    if (!tree.framesetOk && tree.isBodyLike && this.facts.ignoresText(tree.open.context)) {
      if (!tree.formatting.isEmpty && !isNothing(this.text, start, end)) tree.reconstruct()
      return
    }
    this.facts.atToken(this.base + start, this.base + end, 0)
    const first = this.base + start === tree.newlineAt ? afterNewline(this.text, start) : start
    if (first < end) tree.characters(this.run.set(this.text, first, end, isMarkup))
  }

  /** Reads a tag's name. Leaves its end in `nameEnd`. @returns the element's number */
  tagName(start: number): number {
    const { text } = this
    let index = start
    let packed = 0
    let code = codeOf(text.charCodeAt(index))
    while (code > 0) {
      packed = addToName(packed, code)
      code = codeOf(text.charCodeAt(++index))
    }
    if (!isNameEnd(text, index)) return this.otherName(start, index)
    this.nameEnd = index
    return knownTag(text, start, index, packed) || this.otherName(start, index)
  }

  private otherName(start: number, from: number): number {
    const { text } = this
    let index = from
    while (!isNameEnd(text, index)) index++
    this.nameEnd = index
    return this.others.numberOf(text.slice(start, index).toLowerCase())
  }

  private startTag(less: number): number {
    const { tree, attributes } = this
    const tag = this.tagName(less + 1)
    // Self-closing counts in foreign content only, and there every tag is read in full.
    const isRead =
      (tag < T.PROPS.length && (T.PROPS[tag]! & T.IS_READS_ATTRIBUTES) !== 0) || tree.open.namespace !== HTML_NS
    const end = isRead ? attributes.read(this.text, this.nameEnd) : endOfTag(this.text, this.nameEnd)
    if (end < 0) return INCOMPLETE
    this.selfClosing = isRead && attributes.isSelfClosing
    this.tagEnd = this.base + end
    this.facts.atToken(this.base + less, this.base + end, 0)
    tree.startTag(tag)
    if (this.mayBeNeat(tag)) {
      this.skimmer.beginPiece(tag)
      this.skimmedFrom = this.base + end
    }
    return end
  }

  private endTag(less: number): number {
    const { text } = this
    const unit = text.charCodeAt(less + 2)
    if (unit === GREATER) return less + 3
    if (!isLetter(unit)) {
      if (less + 2 < text.length) return this.bogusComment(less)
      if (!this.isLast) return INCOMPLETE
      this.characters(less, text.length, true)
      return text.length
    }
    const tag = this.tagName(less + 2)
    const isPlain = text.charCodeAt(this.nameEnd) === GREATER
    const end = isPlain ? this.nameEnd + 1 : endOfTag(text, this.nameEnd)
    if (end < 0) return INCOMPLETE
    this.facts.atToken(this.base + less, this.base + end, tag)
    this.tree.endTag(tag)
    return end
  }

  /** "Markup declaration open state": a comment, a DOCTYPE, a CDATA section, or none of them. */
  private markupDeclaration(less: number): number {
    const { text } = this
    if (text.charCodeAt(less + 2) === DASH && text.charCodeAt(less + 3) === DASH) return this.comment(less)
    if (text.slice(less + 2, less + 9).toLowerCase() === 'doctype') {
      const end = text.indexOf('>', less + 9)
      if (end < 0) return INCOMPLETE
      this.facts.atToken(this.base + less, this.base + end + 1, 0)
      this.tree.doctype(isQuirkyDoctype(text.slice(less + 9, end), true))
      return end + 1
    }
    if (text.startsWith('[CDATA[', less + 2) && this.tree.open.namespace !== HTML_NS) {
      const end = text.indexOf(']]>', less + 9)
      if (end < 0 && !this.isLast) return INCOMPLETE
      const last = end < 0 ? text.length : end
      if (last > less + 9) this.characters(less + 9, last, false)
      return end < 0 ? text.length : end + 3
    }
    return this.bogusComment(less)
  }

  private bogusComment(less: number): number {
    const end = this.text.indexOf('>', less + 2)
    if (end < 0) return INCOMPLETE
    this.facts.atToken(this.base + less, this.base + end + 1, 0)
    return end + 1
  }

  /** The comment states: a comment ends at `-->`, `--!>`, or at once at `>` or `->`. */
  private comment(less: number): number {
    const end = endOfComment(this.text, less + 4)
    if (end < 0) return INCOMPLETE
    this.facts.atToken(this.base + less, this.base + end, 0)
    return end
  }

  /** Content of an element that holds text only, and its end tag. */
  private rawText(index: number): number {
    const { text, tree } = this
    const less = tree.rawText === Mode.PLAINTEXT ? -1 : this.endOfRaw(index)
    if (less < 0) return INCOMPLETE
    const tag = tree.open.tag
    const end = endOfTag(text, less + 2 + T.NAMES[tag]!.length)
    if (end < 0) return INCOMPLETE
    this.contentOfRaw(index, less)
    this.facts.atToken(this.base + less, this.base + end, tag)
    tree.endRawText()
    return end
  }

  private contentOfRaw(start: number, end: number): void {
    const { tree } = this
    const isScript = tree.rawText === Mode.SCRIPT_DATA
    const first = tree.open.tag === T.TEXTAREA ? Math.min(end, afterNewline(this.text, start)) : start
    this.facts.rawContent(tree.open.context, first, end, isScript, tree.rawText === Mode.RCDATA)
  }

  /** Offset of the `</` that ends the raw text; -1 when it isn't there yet. */
  private endOfRaw(index: number): number {
    const { text, tree } = this
    return tree.rawText === Mode.SCRIPT_DATA ? endOfScript(text, index) : endTagOf(text, T.NAMES[tree.open.tag]!, index)
  }
}

function isNameEnd(text: string, index: number): boolean {
  const unit = text.charCodeAt(index)
  return unit === GREATER || unit === SLASH || isSpace(unit) || index >= text.length
}
