import type { Attributes } from './attributes'
import { FormattingList } from './formatting'
import * as Mode from './modes'
import {
  HTML_NS,
  HTML_POINT,
  IN_ASIDE,
  IN_HEAD,
  IN_MAIN,
  IN_TEMPLATE,
  IN_UNCOUNTED,
  IN_UNSEEN,
  inherited,
  OPENS_TEXT,
  OpenElements,
  TEXT_SHIFT,
} from './open-elements'
import * as T from './tag-table'

const UNSEEN = IN_UNSEEN | IN_UNCOUNTED
const INHERITED_BITS = (1 << TEXT_SHIFT) - 1

/** Who hears of what the tree construction puts where. */
export type ElementSink = {
  /**
   * An HTML element that gives facts was inserted, not inside a template. Its tag is the current token.
   * @returns number of the text to gather from what stands inside; 0 for none
   */
  element(tag: number, parentContext: number): number
  /** All that stood in an element whose text was gathered has been read. */
  textClosed(number: number): void
  bodyOpened(): void
  /** A frameset takes the place of the body: what was in it is no longer there. */
  bodyDropped(): void
  /** The head was left by `tag`, 0 for text; `</head>` itself doesn't count. */
  headLeft(tag: number): void
  /** Another start tag of a head came, and was ignored. */
  headAgain(): void
}

/** What the tree needs to know of the tag being read. */
export type CurrentTag = {
  readonly attributes: Attributes
  readonly selfClosing: boolean
  /** Offset after it. */
  readonly tagEnd: number
}

/**
 * The state of tree construction (13.2.6) and the steps that its modes share. No tree is built: an element is a number
 * on the stack and what it stands in; facts are told to the sink when an element is inserted.
 */
export abstract class Construction {
  readonly open: OpenElements
  readonly formatting: FormattingList
  mode: number = Mode.INITIAL
  /** How the tokenizer must read on after the last start tag. */
  rawText: number = Mode.NO_RAW_TEXT
  isQuirky = false
  framesetOk = true
  hasHead = false
  /** "Foster parenting": what stands in a table by mistake is put before it. */
  fostering = false
  /** The form element pointer, as the number of the entry; 0 when null. */
  formUid = 0
  formPlace = -1
  /** A head that was opened once more for an element after it, and closes when that element's text is read. */
  headToRemove = -1
  /** A line end at this offset is no text; -1 for none. */
  newlineAt = -1
  readonly templateModes: number[] = []
  private readonly reopen = (tag: number) => this.pushElement(tag, inherited(this.parentContext()))

  constructor(
    readonly sink: ElementSink,
    readonly token: CurrentTag,
  ) {
    this.open = new OpenElements((number) => sink.textClosed(number))
    this.formatting = new FormattingList(this.open)
  }

  /** Processes a start tag by the rules of the current mode in HTML content. */
  abstract startInMode(tag: number): void
  abstract endInMode(tag: number): void

  /** What a node inserted now would stand in: the current node, or what holds the table. */
  parentContext(): number {
    if (this.fostering && (this.open.props & T.IS_FOSTERS) !== 0) {
      const table = this.open.nearest(T.TABLE)
      const template = this.open.nearest(T.TEMPLATE)
      if (template > table) return this.open.contextAt(template)
      return table < 0 ? this.open.contextAt(0) : this.open.contextAt(table)
    }
    return this.open.context
  }

  private pushElement(tag: number, context: number): void {
    this.open.push(tag, HTML_NS, context)
  }

  /** Inserts an HTML element for the current token and makes it the current node. */
  insert(tag: number): void {
    const parent = this.parentContext()
    const props = tag < T.PROPS.length ? T.PROPS[tag]! : 0
    let context = inherited(parent)
    if ((props & T.IS_SPEAKS) !== 0 && (parent & IN_TEMPLATE) === 0) {
      const text = this.sink.element(tag, parent)
      // What the element itself stands in doesn't hide its own text from those who ask for it.
      if (text > 0) context = (context & INHERITED_BITS & ~IN_UNSEEN) | (text << TEXT_SHIFT) | OPENS_TEXT
    }
    if ((props & T.IS_ASIDE) !== 0) context |= IN_ASIDE
    else if ((props & T.IS_MAIN) !== 0) context |= IN_MAIN
    else if ((props & T.IS_UNSEEN) !== 0) context |= tag === T.TEMPLATE ? UNSEEN | IN_TEMPLATE : UNSEEN
    else if (tag === T.HEAD) context |= IN_HEAD
    this.open.push(tag, HTML_NS, context)
  }

  /** Inserts an HTML element that holds nothing. */
  insertVoid(tag: number): void {
    if (tag >= T.PROPS.length || (T.PROPS[tag]! & T.IS_SPEAKS) === 0) return
    const parent = this.parentContext()
    if ((parent & IN_TEMPLATE) === 0) this.sink.element(tag, parent)
  }

  /** Inserts an element that the source doesn't hold (`html`, `head`, `body`, `tbody` …). */
  insertImplied(tag: number): void {
    const context = inherited(this.parentContext())
    this.open.push(tag, HTML_NS, tag === T.HEAD ? context | IN_HEAD : context)
  }

  /** Inserts an element of SVG or MathML. */
  insertForeign(tag: number, namespace: number, isHtmlPoint: boolean): void {
    if (this.token.selfClosing) return
    const isUnseen = tag === T.SCRIPT || tag === T.STYLE || tag === T.TEMPLATE || tag === T.NOSCRIPT
    const context = inherited(this.parentContext()) | (isUnseen ? UNSEEN : 0) | (isHtmlPoint ? HTML_POINT : 0)
    this.open.push(tag, namespace, context)
  }

  /** Inserts an element whose content is read as text up to its end tag. */
  insertRaw(tag: number, kind: number): void {
    this.insert(tag)
    this.rawText = kind
  }

  reconstruct(): void {
    if (!this.formatting.isEmpty) this.formatting.reconstruct(this.reopen)
  }

  closeParagraph(): void {
    const at = this.open.nearest(T.P)
    if (at < 0 || !this.open.inButtonScope(T.P)) return
    this.open.generateImpliedEnds(T.P)
    this.open.popThrough(at)
  }

  hasForm(): boolean {
    return this.formUid !== 0
  }

  openTemplate(): void {
    this.insert(T.TEMPLATE)
    this.formatting.addMarker()
    this.framesetOk = false
    this.mode = Mode.IN_TEMPLATE
    this.templateModes.push(Mode.IN_TEMPLATE)
  }

  closeTemplate(): void {
    const at = this.open.nearest(T.TEMPLATE)
    if (at < 0) return
    this.open.generateImpliedEndsThoroughly()
    this.open.popThrough(at)
    this.formatting.clearToMarker()
    this.templateModes.pop()
    this.resetMode()
  }

  setTemplateMode(mode: number): void {
    this.templateModes[this.templateModes.length - 1] = mode
    this.mode = mode
  }

  /** "Reset the insertion mode appropriately": by the topmost element that names a mode. */
  resetMode(): void {
    const { open } = this
    let at = -1
    let mode: number = Mode.IN_BODY
    const consider = (tag: number, itsMode: number) => {
      const place = open.nearest(tag)
      if (place > at) {
        at = place
        mode = itsMode
      }
    }
    consider(T.HTML, this.hasHead ? Mode.AFTER_HEAD : Mode.BEFORE_HEAD)
    consider(T.HEAD, Mode.IN_HEAD)
    consider(T.BODY, Mode.IN_BODY)
    consider(T.FRAMESET, Mode.IN_FRAMESET)
    consider(T.TABLE, Mode.IN_TABLE)
    for (const tag of [T.TBODY, T.THEAD, T.TFOOT]) consider(tag, Mode.IN_TABLE_BODY)
    consider(T.CAPTION, Mode.IN_CAPTION)
    consider(T.COLGROUP, Mode.IN_COLUMN_GROUP)
    consider(T.TR, Mode.IN_ROW)
    for (const tag of [T.TD, T.TH]) consider(tag, Mode.IN_CELL)
    consider(T.TEMPLATE, this.templateModes.at(-1) ?? Mode.IN_BODY)
    this.mode = mode
  }
}
