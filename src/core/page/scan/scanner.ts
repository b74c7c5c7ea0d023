import type { PageReading } from '../read-page'
import { Attributes, endOfTag, isSpace } from './attributes'
import type { CurrentTag } from './construction'
import { isQuirkyDoctype } from './doctype'
import { FactGatherer } from './facts'
import * as Mode from './modes'
import { HTML_NS } from './open-elements'
import { Positions } from './positions'
import { addToHash, HASH_START, knownTag, OtherNames } from './tag-names'
import * as T from './tag-table'
import { Run } from './text-run'
import { Tree } from './tree'

const LF = 10
const CR = 13
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
/** The page ends before the tag or comment does. */
const INCOMPLETE = -1

const isLetter = (unit: number): boolean => (unit >= 97 && unit <= 122) || (unit >= 65 && unit <= 90)

/** How a page was decoded, as far as counting its bytes goes. */
export type ScannedEncoding = { encoding: string; bomBytes: number }

/**
 * Reads the facts of a page in one pass over its text, which may come in pieces. No tree is built: tags are tokenized
 * by the states of the HTML standard (13.2.5) and placed by its insertion modes (13.2.6), and what gives a fact is
 * noted as it goes by. Any text is a page; nothing throws.
 */
export class PageScanner implements CurrentTag {
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
  private nameEnd = 0
  private readonly run = new Run()
  private readonly others = new OtherNames()
  private readonly positions: Positions
  private readonly facts: FactGatherer
  private readonly tree: Tree
  /** Where the next `<!--` stands, at or after the place last asked for. */
  private nextComment = -2

  constructor({ encoding, bomBytes }: ScannedEncoding) {
    this.positions = new Positions(encoding, bomBytes)
    this.facts = new FactGatherer(this.positions, this.attributes)
    this.tree = new Tree(this.facts, this)
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
    this.nextComment = -2
    if (this.text.length >= this.waitFor) this.scan()
  }

  /** The page is complete. @returns all that was found */
  end(): PageReading {
    this.isLast = true
    this.scan()
    const length = this.base + this.text.length
    this.facts.atEnd(length)
    this.tree.open.popThrough(0)
    return this.facts.result()
  }

  /** Lets go of text that has been read; a head is kept until it ends, for its rows. */
  private dropRead(): void {
    const isHeadKept = !this.facts.rows.isHeadRead && this.text.length < HEAD_CHARACTERS
    if (this.index === 0 || isHeadKept) return
    this.facts.beforeDrop()
    const end = this.base + this.index
    this.positions.at(end)
    this.positions.bytesBefore(end)
    this.text = this.text.slice(this.index)
    this.base = end
    this.index = 0
  }

  private scan(): void {
    const limit = this.isLast ? this.text.length : this.text.length - HELD_BACK
    let index = this.index
    while (index < limit) {
      const next = this.tree.rawText === Mode.NO_RAW_TEXT ? this.step(index) : this.rawText(index)
      if (next === INCOMPLETE) break
      index = next
    }
    if (this.isLast) index = this.endInside(index)
    this.index = index
    this.waitFor = this.isLast ? 0 : 2 * (this.text.length - index)
  }

  /** The page ended inside a tag, a comment or a raw text; the first is dropped as the standard says. */
  private endInside(index: number): number {
    const { text, tree } = this
    if (tree.rawText !== Mode.NO_RAW_TEXT) this.contentOfRaw(index, text.length)
    else if (text.startsWith('<!', index) && text.slice(index + 2, index + 9).toLowerCase() === 'doctype') {
      tree.doctype(true)
    }
    return text.length
  }

  /** Reads a text and the tag after it. @returns the offset after them */
  private step(index: number): number {
    const { text } = this
    const less = text.indexOf('<', index)
    if (less !== index) {
      if (less < 0 && !this.isLast) return INCOMPLETE
      const end = less < 0 ? text.length : less
      this.characters(index, end, true)
      return end
    }
    const unit = text.charCodeAt(less + 1)
    if (isLetter(unit)) return this.startTag(less)
    if (unit === SLASH) return this.endTag(less)
    if (unit === BANG) return this.markupDeclaration(less)
    if (unit === QUESTION) return this.bogusComment(less)
    // Nothing starts here: it is a text.
    this.characters(less, less + 1, true)
    return less + 1
  }

  private characters(start: number, end: number, isMarkup: boolean): void {
    const { tree } = this
    // Most texts of a body decide nothing and are kept nowhere.
    if (!tree.framesetOk && tree.isBodyLike && this.facts.ignoresText(tree.open.context)) {
      if (!tree.formatting.isEmpty) tree.reconstruct()
      return
    }
    this.facts.atToken(this.base + start, this.base + end, 0)
    const first = this.base + start === tree.newlineAt ? afterNewline(this.text, start) : start
    if (first < end) tree.characters(this.run.set(this.text, first, end, isMarkup))
  }

  /** Reads a tag's name. Leaves its end in `nameEnd`. @returns the element's number */
  private tagName(start: number): number {
    const { text } = this
    let index = start
    let hash = HASH_START
    for (;;) {
      const unit = text.charCodeAt(index)
      // All that ends a name but `>` stands before the letters, and so does the end of the text (NaN).
      if (unit > SLASH) {
        if (unit === GREATER) break
      } else if (unit === SLASH || isSpace(unit) || index >= text.length) break
      hash = addToHash(hash, unit)
      index++
    }
    this.nameEnd = index
    return knownTag(text, start, index, hash) || this.others.numberOf(text.slice(start, index).toLowerCase())
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
    const name = T.NAMES[tree.open.tag]!
    const end = endTagOf(text, name, index)
    if (tree.rawText !== Mode.SCRIPT_DATA) return end
    if (this.nextComment !== -1 && this.nextComment < index) this.nextComment = text.indexOf('<!--', index)
    if (this.nextComment < 0 || (end >= 0 && this.nextComment > end)) return end
    return endOfEscapedScript(text, index)
  }
}

/** A line end right after `<pre>`, `<listing>` or `<textarea>` is no text. */
function afterNewline(text: string, at: number): number {
  if (text.charCodeAt(at) === CR) return text.charCodeAt(at + 1) === LF ? at + 2 : at + 1
  return text.charCodeAt(at) === LF ? at + 1 : at
}

function endOfComment(text: string, from: number): number {
  if (text.charCodeAt(from) === GREATER) return from + 1
  if (text.charCodeAt(from) === DASH && text.charCodeAt(from + 1) === GREATER) return from + 2
  let dashes = text.indexOf('--', from)
  while (dashes >= 0) {
    let after = dashes + 2
    while (text.charCodeAt(after) === DASH) after++
    if (text.charCodeAt(after) === GREATER) return after + 1
    if (text.charCodeAt(after) === BANG && text.charCodeAt(after + 1) === GREATER) return after + 2
    dashes = text.indexOf('--', after)
  }
  return -1
}

/** True when `name` stands at `at` in any case, and a tag's name ends after it. */
function isNameAt(text: string, name: string, at: number): boolean {
  for (let index = 0; index < name.length; index++) {
    const unit = text.charCodeAt(at + index)
    if ((unit >= 65 && unit <= 90 ? unit | 0x20 : unit) !== name.charCodeAt(index)) return false
  }
  const after = text.charCodeAt(at + name.length)
  return after === GREATER || after === SLASH || isSpace(after)
}

/** The "appropriate end tag" of a raw text: offset of its `</`; -1 when there is none. */
function endTagOf(text: string, name: string, from: number): number {
  let at = text.indexOf('</', from)
  while (at >= 0 && !isNameAt(text, name, at + 2)) at = text.indexOf('</', at + 2)
  return at
}

/**
 * The script data states once a `<!--` stood in a script (13.2.5.20 to 13.2.5.31): `</script>` ends it unless a
 * `<script` came in between, and `-->` ends the escape.
 */
function endOfEscapedScript(text: string, from: number): number {
  let state: 'plain' | 'escaped' | 'double' = 'plain'
  for (let index = from; index < text.length; index++) {
    const unit = text.charCodeAt(index)
    if (unit === DASH && state !== 'plain') {
      if (text.charCodeAt(index + 1) !== DASH) continue
      let after = index + 2
      while (text.charCodeAt(after) === DASH) after++
      if (text.charCodeAt(after) === GREATER) state = 'plain'
      index = after - 1
      if (state === 'plain') index = after
      continue
    }
    if (unit !== LESS) continue
    const isEnd = text.charCodeAt(index + 1) === SLASH
    if (state === 'plain') {
      if (isEnd && isNameAt(text, 'script', index + 2)) return index
      if (text.startsWith('<!--', index)) {
        state = 'escaped'
        // The dashes of the `<!--` may already be those of a `-->`.
        index += 1
      }
    } else if (state === 'escaped') {
      if (isEnd && isNameAt(text, 'script', index + 2)) return index
      if (isNameAt(text, 'script', index + 1)) state = 'double'
    } else if (isEnd && isNameAt(text, 'script', index + 2)) state = 'escaped'
  }
  return -1
}
