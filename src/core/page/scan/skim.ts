// Once the texts of a page are settled, its body can only add links, pictures and tags that belong in a head. Whatever
// else a tag does to the tree then decides nothing, and need not be known: such a body is skimmed.
import { endOfTag, isSpace } from './attributes'
import { endOfComment } from './raw-text'
import * as T from './tag-table'
import { NAMES } from './tag-table'

const BANG = 33
const DASH = 45
const SLASH = 47
const LESS = 60
const GREATER = 62
const QUESTION = 63

/** The page's text in hand ends before that which was asked for. */
export const INCOMPLETE = -1
/** What stands here hangs on the tree around it. */
export const UNDECIDED = -2

/** Reads the name of a tag: where it stands → the element's number; where it ended is asked of it afterwards. */
export type TagNames = { tagName(start: number): number; readonly nameEnd: number }

/** An ASCII letter: in lower case its code is one of 26 from that of `a`. */
export const isLetter = (unit: number): boolean => ((unit | 0x20) - 97) >>> 0 < 26

/** A bit for every pair of letters (in any case) that a telling element's name may begin with. */
const MAY_TELL = new Uint8Array(1 << 10)
for (const [tag, name] of NAMES.entries()) {
  if ((T.PROPS[tag]! & T.MAY_CHANGE_FACTS) === 0) continue
  const first = (name.charCodeAt(0) & 31) << 5
  // What follows a name of one letter is no letter; some of them look like one here, which costs a look at the name.
  if (name.length === 1) for (const after of '\t\n\f\r />') MAY_TELL[first | (after.charCodeAt(0) & 31)] = 1
  else MAY_TELL[first | (name.charCodeAt(1) & 31)] = 1
}

/**
 * Goes over texts and over tags that can't tell anything, to the next that may. All is in one loop, and the likely ways
 * stand first: of a page that is all tags, most of the time is spent here.
 * @param limit offset from which on nothing is begun
 * @returns offset of a `<`; the text's length when none is left; `~offset` of a tag whose end is not in the text
 */
export function nextTelling(text: string, from: number, limit: number): number {
  let less = text.indexOf('<', from)
  while (less >= 0 && less < limit) {
    let at = less + 2
    let unit = text.charCodeAt(less + 1)
    if (unit === SLASH) {
      // `</>` and `</ …>` are no end tags.
      if (!isLetter(text.charCodeAt(at++))) return less
    } else if (isLetter(unit)) {
      if (MAY_TELL[((unit & 31) << 5) | (text.charCodeAt(at) & 31)] !== 0) return less
    } else if (unit === BANG || unit === QUESTION) return less
    else {
      // Nothing starts here: it is a text.
      less = text.indexOf('<', less + 1)
      continue
    }
    // The rest of its name, then of the tag.
    for (;;) {
      unit = text.charCodeAt(at)
      if (unit > GREATER) at++
      else if (unit === GREATER) {
        at++
        break
      } else if (unit === SLASH || isSpace(unit)) {
        at = endOfTag(text, at)
        if (at < 0) return ~less
        break
      } else if (at++ >= text.length) return ~less
    }
    // Most tags stand side by side, or one short text apart.
    less = text.charCodeAt(at) === LESS ? at : text.indexOf('<', at)
  }
  return less < 0 ? text.length : less
}

/** @returns offset after a comment or anything that is read as one, whose `<!`, `<?` or `</` stands at `less` */
export function endOfCommentAt(text: string, less: number): number {
  const isComment = text.charCodeAt(less + 2) === DASH && text.charCodeAt(less + 3) === DASH
  if (isComment && text.charCodeAt(less + 1) === BANG) return endOfComment(text, less + 4)
  // Of `</>` nothing is left; of the others, all up to the next `>`.
  return text.indexOf('>', less + 2) + 1 || -1
}

/**
 * Goes over a drawing. It holds no facts, and is done when its elements are closed one by one; whatever may let it end
 * otherwise, or lets HTML begin inside it, is left to the tree.
 * @param from offset after the start tag of an `svg` that is not closed at once
 * @returns offset after its end tag; `INCOMPLETE`; `UNDECIDED`
 */
export function endOfDrawing(
  text: string,
  from: number,
  names: TagNames,
  isSelfClosing: (end: number) => boolean,
): number {
  const open = [T.SVG]
  let less = text.indexOf('<', from)
  while (less >= 0) {
    const unit = text.charCodeAt(less + 1)
    let end = less + 1
    if (unit === SLASH && isLetter(text.charCodeAt(less + 2))) {
      const tag = names.tagName(less + 2)
      if (tag === T.P || tag === T.BR) return UNDECIDED
      const at = open.lastIndexOf(tag)
      if (at < 0) return UNDECIDED
      end = endOfTag(text, names.nameEnd)
      if (end < 0) return INCOMPLETE
      open.length = at
      if (at === 0) return end
    } else if (isLetter(unit)) {
      const tag = names.tagName(less + 1)
      if (isUndecidedInDrawing(tag)) return UNDECIDED
      end = endOfTag(text, names.nameEnd)
      if (end < 0) return INCOMPLETE
      // `/` before the end may still belong to a value without quotes.
      if (text.charCodeAt(end - 2) !== SLASH || !isSelfClosing(end)) open.push(tag)
    } else if (unit === BANG && text.charCodeAt(less + 2) !== DASH) return UNDECIDED
    else if (unit === BANG || unit === QUESTION || unit === SLASH) {
      end = endOfCommentAt(text, less)
      if (end < 0) return INCOMPLETE
    }
    less = text.indexOf('<', end)
  }
  return INCOMPLETE
}

/** In it HTML begins again, or it may end the drawing. */
function isUndecidedInDrawing(tag: number): boolean {
  if (tag === T.FOREIGNOBJECT || tag === T.DESC || tag === T.TITLE || tag === T.FONT) return true
  return tag < T.PROPS.length && (T.PROPS[tag]! & T.IS_BREAKOUT) !== 0
}

/**
 * Goes over a list of choices that holds nothing else.
 * @param from offset after the start tag of a `select`
 * @returns offset after its end tag; `INCOMPLETE`; `UNDECIDED`
 */
export function endOfChoices(text: string, from: number, names: TagNames): number {
  let less = text.indexOf('<', from)
  while (less >= 0) {
    const unit = text.charCodeAt(less + 1)
    const isEnd = unit === SLASH && isLetter(text.charCodeAt(less + 2))
    let end = less + 1
    if (isEnd || isLetter(unit)) {
      const tag = names.tagName(less + (isEnd ? 2 : 1))
      if (tag !== T.OPTION && tag !== T.OPTGROUP && !(isEnd && tag === T.SELECT)) return UNDECIDED
      end = endOfTag(text, names.nameEnd)
      if (end < 0) return INCOMPLETE
      if (tag === T.SELECT) return end
    } else if (unit === BANG || unit === QUESTION || unit === SLASH) {
      end = endOfCommentAt(text, less)
      if (end < 0) return INCOMPLETE
    }
    less = text.indexOf('<', end)
  }
  return INCOMPLETE
}
