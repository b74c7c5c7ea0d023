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
  private readonly keys: number[] = []
  private readonly propsAt: number[] = []
  private readonly contexts: number[] = []
  /** Number of each entry, never given twice. */
  private readonly uids: number[] = []
  /** Next entry below with the same key. */
  private readonly sameBelow: number[] = []
  private readonly scopeAt: number[] = []
  private readonly specialAt: number[] = []
  /** Nearest special element that the search for an open li goes no further than. */
  private readonly listStopAt: number[] = []
  private readonly htmlAt: number[] = []
  /** Topmost entry of each key; -1 where none is open. */
  private topOf: Int32Array = new Int32Array(T.PROPS.length * 4).fill(-1)
  private lastUid = 0
  /** Entries on the stack that began a gathering of text. */
  private textsOpen = 0

  constructor(private readonly onTextClosed: (number: number) => void) {}

  push(tag: number, namespace: number, context: number): void {
    const at = ++this.top
    const key = (tag << 2) | namespace
    if (key >= this.topOf.length) this.growKeys(key)
    const isHtml = namespace === HTML_NS
    const props = isHtml ? (tag < T.PROPS.length ? T.PROPS[tag]! : 0) : foreignProps(tag, namespace)
    this.keys[at] = key
    this.propsAt[at] = props
    this.contexts[at] = context
    this.uids[at] = ++this.lastUid
    this.sameBelow[at] = this.topOf[key]!
    this.topOf[key] = at
    const isSpecial = (props & T.IS_SPECIAL) !== 0
    this.scopeAt[at] = (props & T.IS_SCOPE) !== 0 ? at : at > 0 ? this.scopeAt[at - 1]! : -1
    this.specialAt[at] = isSpecial ? at : at > 0 ? this.specialAt[at - 1]! : -1
    this.listStopAt[at] = isSpecial && (props & T.IS_LIST_PASS) === 0 ? at : at > 0 ? this.listStopAt[at - 1]! : -1
    this.htmlAt[at] = isHtml ? at : at > 0 ? this.htmlAt[at - 1]! : -1
    if ((context & OPENS_TEXT) !== 0) this.textsOpen++
  }

  pop(): void {
    const at = this.top--
    this.topOf[this.keys[at]!] = this.sameBelow[at]!
    if (this.textsOpen > 0 && (this.contexts[at]! & OPENS_TEXT) !== 0) {
      this.textsOpen--
      this.onTextClosed(this.contexts[at]! >> TEXT_SHIFT)
    }
    // What left the stack from the middle is no current node.
    while (this.top >= 0 && this.keys[this.top] === GONE) this.top--
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
    const key = this.keys[index]!
    if (this.topOf[key] === index) this.topOf[key] = this.sameBelow[index]!
    else {
      let above = this.topOf[key]!
      while (this.sameBelow[above] !== index) above = this.sameBelow[above]!
      this.sameBelow[above] = this.sameBelow[index]!
    }
    const wasSpecial = (this.propsAt[index]! & T.IS_SPECIAL) !== 0
    this.keys[index] = GONE
    this.propsAt[index] = 0
    if (wasSpecial) this.findBoundariesFrom(index)
  }

  /** Works out the boundaries of the entries from an index up, after one of them ceased to be one. */
  private findBoundariesFrom(index: number): void {
    for (let at = index; at <= this.top; at++) {
      const props = this.propsAt[at]!
      const isSpecial = (props & T.IS_SPECIAL) !== 0
      const below = at - 1
      this.scopeAt[at] = (props & T.IS_SCOPE) !== 0 ? at : at > 0 ? this.scopeAt[below]! : -1
      this.specialAt[at] = isSpecial ? at : at > 0 ? this.specialAt[below]! : -1
      this.listStopAt[at] = isSpecial && (props & T.IS_LIST_PASS) === 0 ? at : at > 0 ? this.listStopAt[below]! : -1
    }
  }

  /** Number of the current node's element; -1 when nothing is open. */
  get tag(): number {
    return this.top < 0 ? -1 : this.keys[this.top]! >> 2
  }

  get namespace(): number {
    return this.top < 0 || this.keys[this.top] === GONE ? HTML_NS : this.keys[this.top]! & 3
  }

  get props(): number {
    return this.top < 0 ? 0 : this.propsAt[this.top]!
  }

  get context(): number {
    return this.top < 0 ? 0 : this.contexts[this.top]!
  }

  contextAt(index: number): number {
    return index < 0 ? 0 : this.contexts[index]!
  }

  tagAt(index: number): number {
    return this.keys[index]! >> 2
  }

  isGone(index: number): boolean {
    return this.keys[index] === GONE
  }

  uidAt(index: number): number {
    return this.uids[index]!
  }

  propsOf(index: number): number {
    return this.propsAt[index]!
  }

  /** True when an element stands in scope (13.2.4.2), given its own place on the stack. */
  isInScope(index: number): boolean {
    return index >= this.boundary()
  }

  /** True when the current node is this HTML element. */
  isTop(tag: number): boolean {
    return this.top >= 0 && this.keys[this.top] === tag << 2
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
    return this.top < 0 ? -1 : this.scopeAt[this.top]!
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
    return this.top < 0 ? -1 : this.specialAt[this.top]!
  }

  /** Where the search for an open li, dd or dt ends. */
  get listStop(): number {
    return this.top < 0 ? -1 : this.listStopAt[this.top]!
  }

  /** Nearest special element at or above an index, up to the current node; -1 when all above are ordinary. */
  lowestSpecialFrom(index: number): number {
    if (this.nearestSpecial < index) return -1
    for (let at = index; at <= this.top; at++) if ((this.propsAt[at]! & T.IS_SPECIAL) !== 0) return at
    return -1
  }

  /** Index of the foreign element of this name above the nearest HTML element; -1 when there is none. */
  nearestForeign(tag: number): number {
    const key = tag << 2
    if ((key | 3) >= this.topOf.length) return -1
    const at = Math.max(this.topOf[key | MATH_NS]!, this.topOf[key | SVG_NS]!)
    return at > this.htmlAt[this.top]! ? at : -1
  }

  generateImpliedEnds(except = 0): void {
    while (this.top >= 0 && (this.propsAt[this.top]! & T.IS_IMPLIED_END) !== 0) {
      if (this.keys[this.top] === except << 2) return
      this.pop()
    }
  }

  generateImpliedEndsThoroughly(): void {
    while (this.top >= 0 && (this.propsAt[this.top]! & T.IS_IMPLIED_END_THOROUGH) !== 0) this.pop()
  }

  private growKeys(key: number): void {
    const next = new Int32Array(Math.max(this.topOf.length * 2, key + 4)).fill(-1)
    next.set(this.topOf)
    this.topOf = next
  }
}
