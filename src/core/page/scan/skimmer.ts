import { type Attributes, endOfTag } from './attributes'
import type { FactGatherer } from './facts'
import { endOfScript, endTagOf } from './raw-text'
import { endOfChoices, endOfCommentAt, endOfDrawing, INCOMPLETE, isLetter, type TagNames, UNDECIDED } from './skim'
import * as T from './tag-table'
import { Run } from './text-run'
import { WellNestedSpan } from './well-nested-span'

const BANG = 33
const SLASH = 47
const LESS = 60
const QUESTION = 63

/** Here stands the end tag of the element that holds the piece. */
export const END_OF_PIECE = -3

/**
 * Takes the facts of a page where the tree need not be known: of a body whose texts are settled, and of pieces that
 * close what they open. What it can't decide is left to the tree, which then reads all that was skimmed.
 */
export class Skimmer {
  private text = ''
  private base = 0
  private neat: WellNestedSpan | null = null
  private readonly run = new Run()

  constructor(
    private readonly names: TagNames,
    private readonly attributes: Attributes,
    private readonly facts: FactGatherer,
  ) {}

  /** The text in hand, and its offset within the page. */
  extend(text: string, base: number): void {
    this.text = text
    this.base = base
  }

  release(): void {
    this.text = ''
    this.run.release()
  }

  get isInPiece(): boolean {
    return this.neat !== null
  }

  /** A piece begins after the start tag of the element that holds it. */
  beginPiece(holder: number): void {
    this.neat = new WellNestedSpan(holder)
  }

  leavePiece(): void {
    this.neat = null
  }

  /** Goes over one text or tag of a neat piece. @returns the offset after it; `INCOMPLETE`; `UNDECIDED`; `END_OF_PIECE` */
  skimPiece(index: number, isLast: boolean): number {
    const { text, facts, names } = this
    const neat = this.neat!
    if (text.charCodeAt(index) !== LESS) {
      const less = text.indexOf('<', index)
      if (less < 0 && !isLast) return INCOMPLETE
      const end = less < 0 ? text.length : less
      if (facts.countsText) facts.insertText(0, this.run.set(text, index, end, true))
      return end
    }
    const unit = text.charCodeAt(index + 1)
    if (unit === SLASH && isLetter(text.charCodeAt(index + 2))) {
      const tag = names.tagName(index + 2)
      if (neat.isEnd(tag)) {
        this.neat = null
        return END_OF_PIECE
      }
      return neat.close(tag) ? endOfTag(text, names.nameEnd) : UNDECIDED
    }
    if (isLetter(unit)) return this.skimNeatStart(neat, index)
    if (unit === BANG || unit === QUESTION || unit === SLASH) return endOfCommentAt(text, index)
    return UNDECIDED
  }

  private skimNeatStart(neat: WellNestedSpan, less: number): number {
    const { text, names } = this
    const tag = names.tagName(less + 1)
    const end = endOfTag(text, names.nameEnd)
    if (end < 0) return INCOMPLETE
    switch (neat.start(tag, this.facts.isTextSettled(T.H1))) {
      case 'push':
        return tag === T.A ? this.skimTag(less) : end
      case 'void':
        return end
      case 'undecided':
        return UNDECIDED
      case 'drawing':
      case 'choices':
        // Texts in them count as any other.
        return this.facts.countsText ? UNDECIDED : this.skimTag(less)
      default:
        return this.skimTag(less)
    }
  }

  /** Notes the fact that a tag of a settled body gives. @returns the offset after it; `INCOMPLETE`; `UNDECIDED` */
  skimTag(less: number): number {
    const { text, attributes, facts, names } = this
    if (!isLetter(text.charCodeAt(less + 1))) return endOfCommentAt(text, less)
    const tag = names.tagName(less + 1)
    const props = tag < T.PROPS.length ? T.PROPS[tag]! : 0
    if ((props & T.MAY_CHANGE_FACTS) === 0) return endOfTag(text, names.nameEnd)
    const end = attributes.read(text, names.nameEnd)
    if (end < 0) return INCOMPLETE
    switch (tag) {
      case T.SVG:
        if (attributes.isSelfClosing) return end
        return endOfDrawing(text, end, names, (after) => this.isSelfClosingAt(after))
      case T.SELECT:
        return endOfChoices(text, end, names)
      case T.MATH:
      case T.TEMPLATE:
      case T.PLAINTEXT:
        return UNDECIDED
      case T.MAIN:
      case T.ARTICLE:
      case T.H1:
        return facts.isTextSettled(tag) ? end : UNDECIDED
      case T.TITLE:
      case T.STYLE:
      case T.TEXTAREA:
      case T.XMP:
      case T.IFRAME:
      case T.NOEMBED:
      case T.NOFRAMES: {
        if (!facts.isTextSettled(tag)) return UNDECIDED
        const close = endTagOf(text, T.NAMES[tag]!, end)
        return close < 0 ? INCOMPLETE : endOfTag(text, close + 2 + T.NAMES[tag]!.length)
      }
      case T.SCRIPT:
        return this.skimScript(less, end)
      default:
        facts.atToken(this.base + less, this.base + end, 0)
        facts.element(tag === T.IMAGE ? T.IMG : tag, 0)
        return end
    }
  }

  private skimScript(less: number, content: number): number {
    const close = endOfScript(this.text, content)
    const end = close < 0 ? -1 : endOfTag(this.text, close + 2 + T.NAMES[T.SCRIPT]!.length)
    if (end < 0) return INCOMPLETE
    this.facts.atToken(this.base + less, this.base + content, 0)
    this.facts.element(T.SCRIPT, 0)
    this.facts.rawContent(0, content, close, true, false)
    return end
  }

  private isSelfClosingAt(end: number): boolean {
    return this.attributes.read(this.text, this.names.nameEnd) === end && this.attributes.isSelfClosing
  }
}
