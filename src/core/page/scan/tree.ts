import { Construction, type CurrentTag, type ElementSink } from './construction'
import { endInBody, startInBody } from './in-body'
import { endInForeign, isForeignStart, startInForeign } from './in-foreign'
import {
  endOpensMissing,
  htmlAgain,
  leaveHead,
  leaveNoscript,
  openBody,
  startAfterHead,
  startBeforeHead,
  startBeforeHtml,
  startHeadContent,
  startInHead,
  startInHeadNoscript,
} from './in-head'
import {
  endInCaption,
  endInCell,
  endInColumnGroup,
  endInRow,
  endInTable,
  endInTableBody,
  leaveColumnGroup,
  startInCaption,
  startInCell,
  startInColumnGroup,
  startInRow,
  startInTable,
  startInTableBody,
} from './in-table'
import * as Mode from './modes'
import { HTML_NS, IN_UNCOUNTED } from './open-elements'
import * as T from './tag-table'

/** Where the characters of a text are: the tree asks for them only when they decide something. */
export type TextRun = {
  /** The characters as they come out of the tokenizer. */
  readonly value: string
  /** Nothing but white space. */
  readonly isBlank: boolean
  /** Nothing but white space and NUL, which the body ignores. */
  readonly isSilent: boolean
  /** Nothing but NUL: in the body it is as if there were no text. */
  readonly isNothing: boolean
  /** The same where SVG or MathML stands: a NUL is U+FFFD there. */
  inForeign(): TextRun
}

export type TextSink = ElementSink & {
  /** Text was inserted where `context` says. */
  insertText(context: number, run: TextRun): void
}

/** Decides where each tag and text belongs, by the insertion modes of 13.2.6. */
export class Tree extends Construction {
  constructor(
    private readonly textSink: TextSink,
    token: CurrentTag,
  ) {
    super(textSink, token)
  }

  /** Text here goes where it stands, and is HTML. */
  get isBodyLike(): boolean {
    const { mode } = this
    return (mode === Mode.IN_BODY || mode === Mode.IN_CELL) && this.open.namespace === HTML_NS
  }

  /** Of what follows here, each tag gives its fact wherever in the body it may belong. */
  get canBeSkimmed(): boolean {
    const isBody = this.mode === Mode.IN_BODY || this.mode === Mode.IN_CELL
    return isBody && this.rawText === Mode.NO_RAW_TEXT && !this.framesetOk && this.isOutside
  }

  /** Nothing outside of the current node has a say in what stands in it, as long as that closes all it opens. */
  get canSkimChildren(): boolean {
    const isBody = this.mode === Mode.IN_BODY && !this.framesetOk && this.formatting.isEmpty
    const { open } = this
    return isBody && this.isOutside && !open.has(T.BUTTON) && (open.context & IN_UNCOUNTED) === 0
  }

  private get isOutside(): boolean {
    const { open } = this
    // HTML inside a drawing is followed by more of the drawing, whose own tags are none of HTML's.
    return open.foreignOpen === 0 && !open.has(T.TEMPLATE) && !open.has(T.SELECT)
  }

  /** What stands here is what the page is about. */
  get isInMain(): boolean {
    return this.open.has(T.MAIN) || this.open.has(T.ARTICLE)
  }

  startTag(tag: number): void {
    if (this.open.namespace !== HTML_NS && isForeignStart(this, tag, false)) startInForeign(this, tag)
    else this.startInMode(tag)
  }

  endTag(tag: number): void {
    if (this.open.namespace !== HTML_NS) endInForeign(this, tag)
    else this.endInMode(tag)
  }

  /** A DOCTYPE counts only before everything else. */
  doctype(isQuirky: boolean): void {
    if (this.mode !== Mode.INITIAL) return
    this.isQuirky = isQuirky
    this.mode = Mode.BEFORE_HTML
  }

  /** The end tag of an element whose content was read as text, or the end of the page. */
  endRawText(): void {
    this.rawText = Mode.NO_RAW_TEXT
    this.open.pop()
    if (this.headToRemove < 0) return
    this.open.removeAt(this.headToRemove)
    this.headToRemove = -1
  }

  startInMode(tag: number): void {
    switch (this.mode) {
      case Mode.IN_BODY:
        startInBody(this, tag)
        return
      case Mode.INITIAL:
        this.isQuirky = true
        startBeforeHtml(this, tag)
        return
      case Mode.BEFORE_HTML:
        startBeforeHtml(this, tag)
        return
      case Mode.BEFORE_HEAD:
        startBeforeHead(this, tag)
        return
      case Mode.IN_HEAD:
        startInHead(this, tag)
        return
      case Mode.IN_HEAD_NOSCRIPT:
        startInHeadNoscript(this, tag)
        return
      case Mode.AFTER_HEAD:
        startAfterHead(this, tag)
        return
      case Mode.IN_TABLE:
        startInTable(this, tag)
        return
      case Mode.IN_CAPTION:
        startInCaption(this, tag)
        return
      case Mode.IN_COLUMN_GROUP:
        startInColumnGroup(this, tag)
        return
      case Mode.IN_TABLE_BODY:
        startInTableBody(this, tag)
        return
      case Mode.IN_ROW:
        startInRow(this, tag)
        return
      case Mode.IN_CELL:
        startInCell(this, tag)
        return
      case Mode.IN_TEMPLATE:
        this.startInTemplate(tag)
        return
      case Mode.AFTER_BODY:
      case Mode.AFTER_AFTER_BODY:
        if (tag === T.HTML) htmlAgain(this)
        else {
          this.mode = Mode.IN_BODY
          startInBody(this, tag)
        }
        return
      default:
        this.startAtFrameset(tag)
    }
  }

  private startInTemplate(tag: number): void {
    if (startHeadContent(this, tag)) return
    switch (tag) {
      case T.CAPTION:
      case T.COLGROUP:
      case T.TBODY:
      case T.TFOOT:
      case T.THEAD:
        this.setTemplateMode(Mode.IN_TABLE)
        break
      case T.COL:
        this.setTemplateMode(Mode.IN_COLUMN_GROUP)
        break
      case T.TR:
        this.setTemplateMode(Mode.IN_TABLE_BODY)
        break
      case T.TD:
      case T.TH:
        this.setTemplateMode(Mode.IN_ROW)
        break
      default:
        this.setTemplateMode(Mode.IN_BODY)
    }
    this.startInMode(tag)
  }

  /** 13.2.6.4.19, 20 and 22: pages of frames. */
  private startAtFrameset(tag: number): void {
    if (tag === T.HTML) htmlAgain(this)
    else if (tag === T.NOFRAMES) startHeadContent(this, tag)
    else if (tag === T.FRAMESET && this.mode === Mode.IN_FRAMESET) this.insert(tag)
  }

  private endAtFrameset(tag: number): void {
    if (this.mode === Mode.IN_FRAMESET && tag === T.FRAMESET && this.open.top > 0) {
      this.open.pop()
      if (!this.open.isTop(T.FRAMESET)) this.mode = Mode.AFTER_FRAMESET
    } else if (this.mode === Mode.AFTER_FRAMESET && tag === T.HTML) this.mode = Mode.AFTER_AFTER_FRAMESET
  }

  endInMode(tag: number): void {
    switch (this.mode) {
      case Mode.IN_BODY:
        endInBody(this, tag)
        return
      case Mode.INITIAL:
      case Mode.BEFORE_HTML:
      case Mode.BEFORE_HEAD:
      case Mode.IN_HEAD:
      case Mode.IN_HEAD_NOSCRIPT:
      case Mode.AFTER_HEAD:
        this.endBeforeBody(tag)
        return
      case Mode.IN_TABLE:
        endInTable(this, tag)
        return
      case Mode.IN_CAPTION:
        endInCaption(this, tag)
        return
      case Mode.IN_COLUMN_GROUP:
        endInColumnGroup(this, tag)
        return
      case Mode.IN_TABLE_BODY:
        endInTableBody(this, tag)
        return
      case Mode.IN_ROW:
        endInRow(this, tag)
        return
      case Mode.IN_CELL:
        endInCell(this, tag)
        return
      case Mode.IN_TEMPLATE:
        if (tag === T.TEMPLATE) this.closeTemplate()
        return
      case Mode.AFTER_BODY:
        if (tag === T.HTML) {
          this.mode = Mode.AFTER_AFTER_BODY
          return
        }
        this.mode = Mode.IN_BODY
        endInBody(this, tag)
        return
      case Mode.AFTER_AFTER_BODY:
        this.mode = Mode.IN_BODY
        endInBody(this, tag)
        return
      default:
        this.endAtFrameset(tag)
    }
  }

  private endBeforeBody(tag: number): void {
    if (this.mode === Mode.INITIAL) {
      this.isQuirky = true
      this.mode = Mode.BEFORE_HTML
    }
    const isHeadEnd = tag === T.HEAD && this.mode <= Mode.BEFORE_HEAD
    if (tag === T.TEMPLATE && (this.mode === Mode.IN_HEAD || this.mode === Mode.AFTER_HEAD)) this.closeTemplate()
    else if (tag === T.HEAD && this.mode === Mode.IN_HEAD) {
      this.open.pop()
      this.mode = Mode.AFTER_HEAD
    } else if (this.mode === Mode.IN_HEAD_NOSCRIPT) {
      if (tag === T.NOSCRIPT) leaveNoscript(this)
      else if (tag === T.BR) {
        this.openMissing(tag)
        this.endInMode(tag)
      }
    } else if (isHeadEnd) {
      this.openUpToHead()
      this.endInMode(tag)
    } else if (endOpensMissing(tag)) {
      this.openMissing(tag)
      this.endInMode(tag)
    }
  }

  private openUpToHead(): void {
    if (this.mode <= Mode.BEFORE_HTML) {
      this.insertImplied(T.HTML)
      this.mode = Mode.BEFORE_HEAD
    }
    if (this.mode !== Mode.BEFORE_HEAD) return
    this.insertImplied(T.HEAD)
    this.hasHead = true
    this.mode = Mode.IN_HEAD
  }

  /** Opens all that a token of the body implies: root, head, body. */
  private openMissing(tag: number): void {
    this.openUpToHead()
    if (this.mode === Mode.IN_HEAD_NOSCRIPT) leaveNoscript(this)
    if (this.mode === Mode.IN_HEAD) leaveHead(this, tag)
    this.insertImplied(T.BODY)
    openBody(this)
  }

  /** Processes characters. */
  characters(run: TextRun): void {
    if (this.open.namespace !== HTML_NS && isForeignStart(this, 0, true)) {
      this.textSink.insertText(this.open.context, run.inForeign())
      if (!run.isSilent) this.framesetOk = false
      return
    }
    switch (this.mode) {
      case Mode.IN_BODY:
      case Mode.IN_CAPTION:
      case Mode.IN_CELL:
      case Mode.IN_TEMPLATE:
        this.charactersInBody(run)
        return
      case Mode.IN_TABLE:
      case Mode.IN_TABLE_BODY:
      case Mode.IN_ROW:
        this.charactersInTable(run)
        return
      case Mode.IN_COLUMN_GROUP:
        if (!run.isBlank && leaveColumnGroup(this)) this.charactersInTable(run)
        return
      case Mode.AFTER_BODY:
      case Mode.AFTER_AFTER_BODY:
        if (!run.isBlank) this.mode = Mode.IN_BODY
        this.charactersInBody(run)
        return
      case Mode.IN_FRAMESET:
      case Mode.AFTER_FRAMESET:
      case Mode.AFTER_AFTER_FRAMESET:
        return
      default:
        if (run.isBlank) return
        if (this.mode === Mode.INITIAL) this.isQuirky = true
        this.openMissing(0)
        this.charactersInBody(run)
    }
  }

  private charactersInBody(run: TextRun): void {
    // Formatting is opened again for a character, and these are none.
    if (run.isNothing) return
    this.reconstruct()
    this.textSink.insertText(this.parentContext(), run)
    if (this.framesetOk && !run.isSilent) this.framesetOk = false
  }

  /** "In table text": white space stays where it is, anything else is put before the table. */
  private charactersInTable(run: TextRun): void {
    const isInTable = (this.open.props & T.IS_FOSTERS) !== 0 || this.open.isTop(T.TEMPLATE)
    if (isInTable && run.isSilent) {
      this.textSink.insertText(this.open.context, run)
      return
    }
    const before = this.fostering
    this.fostering = true
    this.charactersInBody(run)
    this.fostering = before
  }
}
