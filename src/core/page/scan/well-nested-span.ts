// Navigation and its like come before a page's first paragraph, and hold hundreds of tags of which only the links tell
// anything. Where each element in it is closed by its own end tag, in order, and none closes another, the stack of open
// elements is after it what it was before: then it is skimmed too. Anything else is left to the tree.
import * as T from './tag-table'

/** What a start tag does in a piece that is neat so far. */
export type Neat = 'push' | 'void' | 'fact' | 'script' | 'raw' | 'drawing' | 'choices' | 'undecided'

const VOID = new Set([T.BR, T.WBR, T.INPUT, T.EMBED, T.SOURCE, T.TRACK, T.PARAM, T.KEYGEN])
const FACT = new Set([T.IMG, T.AREA, T.META, T.LINK, T.BASE])
const LISTS = new Set([T.UL, T.OL, T.MENU])
/** Elements of the body that are in no table of start tags and yet not ordinary. */
const NOT_ORDINARY = new Set([T.NOSCRIPT, T.TABLE])

const actionOf = (tag: number) => (tag < T.IN_BODY_START.length ? T.IN_BODY_START[tag]! : 0)
const isHeading = (tag: number | undefined) => tag !== undefined && actionOf(tag) === T.START_HEADING

/** Elements whose text is about the site, and mostly neat. */
export const isBoilerplate = (tag: number): boolean =>
  tag === T.NAV || tag === T.HEADER || tag === T.FOOTER || tag === T.ASIDE

/** The elements open in a piece, from the one that holds it. */
export class WellNestedSpan {
  private readonly open: number[]
  private paragraphs = 0
  private links = 0
  private buttons = 0

  constructor(holder: number) {
    this.open = [holder]
  }

  /** Is this the end tag of the element that holds the piece, with all in it closed? */
  isEnd(tag: number): boolean {
    return this.open.length === 1 && this.open[0] === tag
  }

  /** Takes an end tag. @returns false when it is not that of the element opened last */
  close(tag: number): boolean {
    if (this.open.length < 2 || this.open.at(-1) !== tag) return false
    this.open.pop()
    this.count(tag, -1)
    return true
  }

  /** Takes a start tag. @param isTextSettled an h1 can't be the page's any more */
  start(tag: number, isTextSettled: boolean): Neat {
    const kind = this.kindOf(tag, isTextSettled)
    if (kind !== 'push') return kind
    this.open.push(tag)
    this.count(tag, 1)
    return kind
  }

  private count(tag: number, by: number): void {
    if (tag === T.P) this.paragraphs += by
    else if (tag === T.A) this.links += by
    else if (tag === T.BUTTON) this.buttons += by
  }

  private kindOf(tag: number, isTextSettled: boolean): Neat {
    switch (actionOf(tag)) {
      case 0:
        return NOT_ORDINARY.has(tag) ? 'undecided' : 'push'
      case T.START_FORMATTING:
        return 'push'
      case T.START_A:
        return this.links === 0 ? 'push' : 'undecided'
      case T.START_LI:
        return this.paragraphs === 0 && LISTS.has(this.open.at(-1)!) ? 'push' : 'undecided'
      case T.START_BLOCK:
        // What the page is about may begin in it.
        return this.paragraphs === 0 && tag !== T.MAIN && tag !== T.ARTICLE ? 'push' : 'undecided'
      case T.START_HEADING:
        if (tag === T.H1 && !isTextSettled) return 'undecided'
        return this.paragraphs === 0 && !isHeading(this.open.at(-1)) ? 'push' : 'undecided'
      case T.START_BUTTON:
        return this.buttons === 0 ? 'push' : 'undecided'
      case T.START_FOREIGN:
        return tag === T.SVG ? 'drawing' : 'undecided'
      case T.START_SELECT:
        return 'choices'
    }
    if (VOID.has(tag)) return 'void'
    if (FACT.has(tag)) return 'fact'
    if (tag === T.SCRIPT) return 'script'
    return tag === T.STYLE ? 'raw' : 'undecided'
  }
}
