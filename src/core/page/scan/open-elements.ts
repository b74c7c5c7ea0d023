import * as T from './tag-table'

/** Namespaces of elements, as the low bits of a key. */
export const HTML_NS = 0
export const MATH_NS = 1
export const SVG_NS = 2

/** What an element stands in, as bits; the number of the text being gathered stands above them. */
export const IN_HEAD = 1
export const IN_ASIDE = 2
export const IN_MAIN = 4
export const IN_TEMPLATE = 8
export const IN_UNSEEN = 16
/** The element began the gathering of a text. */
export const OPENS_TEXT = 32
/** The element is an HTML integration point: what stands in it is HTML again. */
export const HTML_POINT = 64
/** Stands in a script, a style, a template or a noscript at any height: no text that a visitor sees. */
export const IN_UNCOUNTED = 128
export const TEXT_SHIFT = 8

/** A child stands in all that its parent stands in; the last two bits are the parent's own. */
export const inherited = (context: number): number => context & ~(OPENS_TEXT | HTML_POINT)

/** Entries that there is room for at first; few pages nest deeper. */
const FIRST_ENTRIES = 32
/** Numbers of one entry, and which is which. */
const CELLS = 16
const KEY = 0
const PROPS = 1
const CONTEXT = 2
/** Number of the entry, never given twice. */
const UID = 3
/** Next entry below with the same key. */
const SAME_BELOW = 4
/** Nearest entry at or below that bounds a scope, is special, ends the search for an open li, or is HTML. */
const SCOPE = 5
const SPECIAL = 6
const LIST_STOP = 7
const HTML = 8

/** The arrays of the page that was read last, for the next: to make them takes longer than to read a small page. */
let spare: { cells: Int32Array; topOf: Int32Array } | null = null
/** Longer ones are let go of. */
const MAX_SPARE = 1 << 14

/** An element that left the stack from the middle: it matches nothing. */
const GONE = -1

/** Integration points of foreign content count as special and bound a scope (13.2.4.2). */
function foreignProps(tag: number, namespace: number): number {
  const isPoint =
    namespace === SVG_NS
      ? tag === T.FOREIGNOBJECT || tag === T.DESC || tag === T.TITLE
      : isMathTextPoint(tag) || tag === T.ANNOTATION_XML
  return isPoint ? T.IS_SPECIAL | T.IS_SCOPE : 0
}

export const isMathTextPoint = (tag: number): boolean =>
  tag === T.MI || tag === T.MO || tag === T.MN || tag === T.MS || tag === T.MTEXT

/**
 * The standard's stack of open elements (13.2.4.2), as numbers only.
 *
 * Every question that the tree construction asks of the whole stack ("is there a p in button scope?") is answered
 * without walking it: each entry knows the nearest boundary below itself, each kind of element its topmost entry.
 * A walk would cost a page of a hundred thousand nested elements the square of that.
 */
export class OpenElements {
  /** Index of the current node; -1 when nothing is open. */
  top = -1
  /** The entries, {@link CELLS} numbers each: a page of a hundred tags makes one array, and a push writes one line of it. */
  private cells: Int32Array
  /** Topmost entry of each key; -1 where none is open. */
  private topOf: Int32Array
  private lastUid = 0
  /** Elements of drawings and formulas that are open. */
  foreignOpen = 0
  /** Entries on the stack that began a gathering of text. */
  private textsOpen = 0

  constructor(private readonly onTextClosed: (number: number) => void) {
    this.cells = spare?.cells ?? new Int32Array(FIRST_ENTRIES * CELLS)
    this.topOf = spare?.topOf ?? new Int32Array(T.PROPS.length * 4).fill(-1)
    spare = null
  }

  /** The page is over: all that is open closes, and nothing is opened any more. */
  popAll(): void {
    this.popThrough(0)
    // With nothing open, `topOf` is as it was at first.
    if (this.cells.length <= MAX_SPARE && this.topOf.length <= MAX_SPARE) {
      spare = { cells: this.cells, topOf: this.topOf }
    }
  }

  push(tag: number, namespace: number, context: number): void {
    const at = ++this.top
    const key = (tag << 2) | namespace
    if (key >= this.topOf.length) this.growKeys(key)
    const cell = at * CELLS
    if (cell === this.cells.length) this.growCells()
    const { cells } = this
    const isHtml = namespace === HTML_NS
    const props = isHtml ? (tag < T.PROPS.length ? T.PROPS[tag]! : 0) : foreignProps(tag, namespace)
    cells[cell + KEY] = key
    cells[cell + PROPS] = props
    cells[cell + CONTEXT] = context
    cells[cell + UID] = ++this.lastUid
    cells[cell + SAME_BELOW] = this.topOf[key]!
    this.topOf[key] = at
    this.setBoundaries(at, cell, props)
    cells[cell + HTML] = isHtml ? at : at > 0 ? cells[cell - CELLS + HTML]! : -1
    if ((context & OPENS_TEXT) !== 0) this.textsOpen++
    if (!isHtml) this.foreignOpen++
  }

  /** Writes which entries are the nearest boundaries of an entry, given those of the one below it. */
  private setBoundaries(at: number, cell: number, props: number): void {
    const { cells } = this
    const below = cell - CELLS
    const isSpecial = (props & T.IS_SPECIAL) !== 0
    const isStop = isSpecial && (props & T.IS_LIST_PASS) === 0
    cells[cell + SCOPE] = (props & T.IS_SCOPE) !== 0 ? at : at > 0 ? cells[below + SCOPE]! : -1
    cells[cell + SPECIAL] = isSpecial ? at : at > 0 ? cells[below + SPECIAL]! : -1
    cells[cell + LIST_STOP] = isStop ? at : at > 0 ? cells[below + LIST_STOP]! : -1
  }

  pop(): void {
    const { cells } = this
    let cell = this.top-- * CELLS
    const key = cells[cell + KEY]!
    this.topOf[key] = cells[cell + SAME_BELOW]!
    if ((key & 3) !== HTML_NS) this.foreignOpen--
    if (this.textsOpen > 0 && (cells[cell + CONTEXT]! & OPENS_TEXT) !== 0) {
      this.textsOpen--
      this.onTextClosed(cells[cell + CONTEXT]! >> TEXT_SHIFT)
    }
    // What left the stack from the middle is no current node.
    for (cell -= CELLS; cell >= 0 && cells[cell] === GONE; cell -= CELLS) this.top--
  }

  /** Pops until the entry at `index` is popped. */
  popThrough(index: number): void {
    while (this.top >= index) this.pop()
  }

  /** Takes an entry out of the middle; those above stay. */
  removeAt(index: number): void {
    if (index === this.top) {
      this.pop()
      return
    }
    const { cells } = this
    const cell = index * CELLS
    const key = cells[cell + KEY]!
    if ((key & 3) !== HTML_NS) this.foreignOpen--
    if (this.topOf[key] === index) this.topOf[key] = cells[cell + SAME_BELOW]!
    else {
      let above = this.topOf[key]!
      while (cells[above * CELLS + SAME_BELOW] !== index) above = cells[above * CELLS + SAME_BELOW]!
      cells[above * CELLS + SAME_BELOW] = cells[cell + SAME_BELOW]!
    }
    const wasSpecial = (cells[cell + PROPS]! & T.IS_SPECIAL) !== 0
    cells[cell + KEY] = GONE
    cells[cell + PROPS] = 0
    // Those above may have had their boundary here.
    if (wasSpecial) for (let at = index; at <= this.top; at++) this.setBoundaries(at, at * CELLS, this.propsOf(at))
  }

  /** Number of the current node's element; -1 when nothing is open. */
  get tag(): number {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + KEY]! >> 2
  }

  get namespace(): number {
    return this.top < 0 ? HTML_NS : this.cells[this.top * CELLS + KEY]! & 3
  }

  get props(): number {
    return this.top < 0 ? 0 : this.cells[this.top * CELLS + PROPS]!
  }

  get context(): number {
    return this.top < 0 ? 0 : this.cells[this.top * CELLS + CONTEXT]!
  }

  contextAt(index: number): number {
    return index < 0 ? 0 : this.cells[index * CELLS + CONTEXT]!
  }

  tagAt(index: number): number {
    return this.cells[index * CELLS + KEY]! >> 2
  }

  isGone(index: number): boolean {
    return this.cells[index * CELLS + KEY] === GONE
  }

  uidAt(index: number): number {
    return this.cells[index * CELLS + UID]!
  }

  propsOf(index: number): number {
    return this.cells[index * CELLS + PROPS]!
  }

  /** True when an element stands in scope (13.2.4.2), given its own place on the stack. */
  isInScope(index: number): boolean {
    return index >= this.boundary()
  }

  /** True when the current node is this HTML element. */
  isTop(tag: number): boolean {
    return this.top >= 0 && this.cells[this.top * CELLS + KEY] === tag << 2
  }

  /** Index of the topmost open HTML element of a kind; -1 when there is none. */
  nearest(tag: number): number {
    const key = tag << 2
    return key < this.topOf.length ? this.topOf[key]! : -1
  }

  has(tag: number): boolean {
    return this.nearest(tag) >= 0
  }

  private boundary(): number {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + SCOPE]!
  }

  inScope(tag: number): boolean {
    const at = this.nearest(tag)
    return at >= 0 && at >= this.boundary()
  }

  inButtonScope(tag: number): boolean {
    const at = this.nearest(tag)
    return at >= 0 && at >= this.boundary() && at >= this.nearest(T.BUTTON)
  }

  inListScope(tag: number): boolean {
    const at = this.nearest(tag)
    return at >= 0 && at >= this.boundary() && at >= this.nearest(T.OL) && at >= this.nearest(T.UL)
  }

  inTableScope(tag: number): boolean {
    const at = this.nearest(tag)
    return at >= 0 && at >= this.nearest(T.TABLE) && at >= this.nearest(T.TEMPLATE)
  }

  headingInScope(): boolean {
    return this.nearestHeading() >= Math.max(0, this.boundary())
  }

  nearestHeading(): number {
    let at = -1
    for (let tag = T.H1; tag <= T.H6; tag++) at = Math.max(at, this.nearest(tag))
    return at
  }

  /** Nearest special element at or below the current node. */
  get nearestSpecial(): number {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + SPECIAL]!
  }

  /** Where the search for an open li, dd or dt ends. */
  get listStop(): number {
    return this.top < 0 ? -1 : this.cells[this.top * CELLS + LIST_STOP]!
  }

  /** Index of the foreign element of this name above the nearest HTML element; -1 when there is none. */
  nearestForeign(tag: number): number {
    const key = tag << 2
    if ((key | 3) >= this.topOf.length) return -1
    const at = Math.max(this.topOf[key | MATH_NS]!, this.topOf[key | SVG_NS]!)
    return at > this.cells[this.top * CELLS + HTML]! ? at : -1
  }

  generateImpliedEnds(except = 0): void {
    while ((this.props & T.IS_IMPLIED_END) !== 0) {
      if (this.isTop(except)) return
      this.pop()
    }
  }

  generateImpliedEndsThoroughly(): void {
    while ((this.props & T.IS_IMPLIED_END_THOROUGH) !== 0) this.pop()
  }

  private growCells(): void {
    const next = new Int32Array(this.cells.length * 2)
    next.set(this.cells)
    this.cells = next
  }

  private growKeys(key: number): void {
    const next = new Int32Array(Math.max(this.topOf.length * 2, key + 4)).fill(-1)
    next.set(this.topOf)
    this.topOf = next
  }
}
