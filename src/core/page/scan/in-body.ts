// 13.2.6.4.7 The "in body" insertion mode.
import type { Construction } from './construction'
import { htmlAgain, startHeadContent } from './in-head'
import * as Mode from './modes'
import { MATH_NS, SVG_NS } from './open-elements'
import * as T from './tag-table'

const actionOf = (table: Uint8Array, tag: number) => (tag < table.length ? table[tag]! : 0)

export function startInBody(tree: Construction, tag: number): void {
  const { open } = tree
  switch (actionOf(T.IN_BODY_START, tag)) {
    case 0:
      tree.reconstruct()
      tree.insert(tag)
      return
    case T.START_BLOCK:
      tree.closeParagraph()
      tree.insert(tag)
      return
    case T.START_A:
      closeOpenLink(tree)
      openFormatting(tree, tag)
      return
    case T.START_FORMATTING:
      openFormatting(tree, tag)
      return
    case T.START_LI:
      tree.framesetOk = false
      closeListItem(tree, T.LI, T.LI)
      tree.closeParagraph()
      tree.insert(tag)
      return
    case T.START_DD_DT:
      tree.framesetOk = false
      closeListItem(tree, T.DD, T.DT)
      tree.closeParagraph()
      tree.insert(tag)
      return
    case T.START_HEADING:
      tree.closeParagraph()
      if ((open.props & T.IS_HEADING) !== 0) open.pop()
      tree.insert(tag)
      return
    case T.START_VOID:
      tree.reconstruct()
      tree.insertVoid(tag === T.IMAGE ? T.IMG : tag)
      tree.framesetOk = false
      return
    case T.START_HEAD_CONTENT:
      startHeadContent(tree, tag)
      return
    case T.START_FOREIGN:
      tree.reconstruct()
      tree.insertForeign(tag, tag === T.SVG ? SVG_NS : MATH_NS, false)
      return
    case T.START_TABLE:
      if (!tree.isQuirky) tree.closeParagraph()
      tree.insert(tag)
      tree.framesetOk = false
      tree.mode = Mode.IN_TABLE
      return
    case T.START_IGNORED:
      return
    default:
      startRarely(tree, tag)
  }
}

/** The start tags that a page holds few of. */
function startRarely(tree: Construction, tag: number): void {
  const { open } = tree
  switch (actionOf(T.IN_BODY_START, tag)) {
    case T.START_HTML:
      htmlAgain(tree)
      return
    case T.START_BODY:
      if (open.has(T.BODY) && !open.has(T.TEMPLATE)) tree.framesetOk = false
      return
    case T.START_FRAMESET:
      startFrameset(tree)
      return
    case T.START_PRE:
      tree.closeParagraph()
      tree.insert(tag)
      tree.newlineAt = tree.token.tagEnd
      tree.framesetOk = false
      return
    case T.START_FORM:
      startForm(tree)
      return
    case T.START_PLAINTEXT:
      tree.closeParagraph()
      tree.insertRaw(tag, Mode.PLAINTEXT)
      return
    case T.START_BUTTON:
      if (open.inScope(T.BUTTON)) {
        open.generateImpliedEnds()
        open.popThrough(open.nearest(T.BUTTON))
      }
      tree.reconstruct()
      tree.insert(tag)
      tree.framesetOk = false
      return
    case T.START_NOBR:
      tree.reconstruct()
      if (open.inScope(T.NOBR)) {
        endFormatting(tree, T.NOBR)
        tree.reconstruct()
      }
      tree.insert(tag)
      tree.formatting.addCurrent(tag)
      return
    case T.START_MARKER:
      tree.reconstruct()
      tree.insert(tag)
      tree.formatting.addMarker()
      tree.framesetOk = false
      return
    case T.START_INPUT:
      if (open.inScope(T.SELECT)) open.popThrough(open.nearest(T.SELECT))
      tree.reconstruct()
      tree.insertVoid(tag)
      if (!isHiddenInput(tree)) tree.framesetOk = false
      return
    case T.START_VOID_PLAIN:
      tree.insertVoid(tag)
      return
    case T.START_HR:
      tree.closeParagraph()
      if (open.inScope(T.SELECT)) open.generateImpliedEnds()
      tree.insertVoid(tag)
      tree.framesetOk = false
      return
    case T.START_TEXTAREA:
      tree.insertRaw(tag, Mode.RCDATA)
      tree.framesetOk = false
      return
    case T.START_XMP:
      tree.closeParagraph()
      tree.reconstruct()
      tree.framesetOk = false
      tree.insertRaw(tag, Mode.RAWTEXT)
      return
    case T.START_IFRAME:
      tree.framesetOk = false
      tree.insertRaw(tag, Mode.RAWTEXT)
      return
    case T.START_NOEMBED:
      tree.insertRaw(tag, Mode.RAWTEXT)
      return
    case T.START_SELECT:
      startSelect(tree)
      return
    case T.START_OPTION:
    case T.START_OPTGROUP:
      if (open.inScope(T.SELECT)) open.generateImpliedEnds(tag === T.OPTION ? T.OPTGROUP : 0)
      else if (open.isTop(T.OPTION)) open.pop()
      tree.reconstruct()
      tree.insert(tag)
      return
    case T.START_RUBY_BASE:
      if (open.inScope(T.RUBY)) open.generateImpliedEnds()
      tree.insert(tag)
      return
    case T.START_RUBY_TEXT:
      if (open.inScope(T.RUBY)) open.generateImpliedEnds(T.RTC)
      tree.insert(tag)
  }
}

export function isHiddenInput(tree: Construction): boolean {
  return tree.token.attributes.get('type')?.toLowerCase() === 'hidden'
}

function openFormatting(tree: Construction, tag: number): void {
  tree.reconstruct()
  tree.insert(tag)
  tree.formatting.addCurrent(tag)
}

/** A link inside a link closes the first. */
function closeOpenLink(tree: Construction): void {
  const entry = tree.formatting.lastOf(T.A)
  if (entry < 0) return
  endFormatting(tree, T.A)
  const left = tree.formatting.lastOf(T.A)
  if (left < 0) return
  const place = tree.formatting.placeOf(left)
  tree.formatting.removeAt(left)
  if (place >= 0) tree.open.removeAt(place)
}

function closeListItem(tree: Construction, one: number, other: number): void {
  const { open } = tree
  const at = Math.max(open.nearest(one), open.nearest(other))
  // The item itself is special, so it may be the very element at which the search ends.
  if (at < 0 || at < open.listStop) return
  open.generateImpliedEnds(open.tagAt(at))
  open.popThrough(at)
}

function startFrameset(tree: Construction): void {
  const body = tree.open.nearest(T.BODY)
  if (!tree.framesetOk || body < 0) return
  tree.open.popThrough(1)
  tree.sink.bodyDropped()
  tree.insert(T.FRAMESET)
  tree.mode = Mode.IN_FRAMESET
}

function startForm(tree: Construction): void {
  const isInTemplate = tree.open.has(T.TEMPLATE)
  if (tree.hasForm() && !isInTemplate) return
  tree.closeParagraph()
  tree.insert(T.FORM)
  if (!isInTemplate) {
    tree.formPlace = tree.open.top
    tree.formUid = tree.open.uidAt(tree.open.top)
  }
}

/** A list of choices holds what any element may hold; a second one inside of it ends it. */
function startSelect(tree: Construction): void {
  const { open } = tree
  if (open.inScope(T.SELECT)) {
    open.popThrough(open.nearest(T.SELECT))
    return
  }
  tree.reconstruct()
  tree.insert(T.SELECT)
  tree.framesetOk = false
}

/** Of an end tag's rules, those that close the current node and no more when it is the one named. */
function isClosedAlone(action: number): boolean {
  switch (action) {
    case 0:
    case T.END_BLOCK:
    case T.END_P:
    case T.END_LI:
    case T.END_DD_DT:
    case T.END_HEADING:
      return true
    default:
      return false
  }
}

export function endInBody(tree: Construction, tag: number): void {
  const { open } = tree
  const action = actionOf(T.IN_BODY_END, tag)
  // Nearly every end tag: it names the current node, and by any of its rules that alone is closed.
  if (open.isTop(tag) && isClosedAlone(action)) {
    open.pop()
    return
  }
  switch (action) {
    case T.END_BLOCK:
      if (!open.inScope(tag)) return
      open.generateImpliedEnds()
      open.popThrough(open.nearest(tag))
      return
    case T.END_FORMATTING:
      endFormatting(tree, tag)
      return
    case T.END_P:
      if (open.inButtonScope(T.P)) tree.closeParagraph()
      return
    case T.END_LI:
      if (!open.inListScope(T.LI)) return
      open.generateImpliedEnds(T.LI)
      open.popThrough(open.nearest(T.LI))
      return
    case T.END_DD_DT:
      if (!open.inScope(tag)) return
      open.generateImpliedEnds(tag)
      open.popThrough(open.nearest(tag))
      return
    case T.END_HEADING:
      if (!open.headingInScope()) return
      open.generateImpliedEnds()
      open.popThrough(open.nearestHeading())
      return
    case T.END_BODY:
      if (open.inScope(T.BODY)) tree.mode = Mode.AFTER_BODY
      return
    case T.END_HTML:
      if (!open.inScope(T.BODY)) return
      tree.mode = Mode.AFTER_BODY
      tree.endInMode(tag)
      return
    case T.END_TEMPLATE:
      tree.closeTemplate()
      return
    case T.END_FORM:
      endForm(tree)
      return
    case T.END_MARKER:
      if (!open.inScope(tag)) return
      open.generateImpliedEnds()
      open.popThrough(open.nearest(tag))
      tree.formatting.clearToMarker()
      return
    case T.END_BR:
      // `</br>` is read as `<br>`.
      tree.reconstruct()
      tree.framesetOk = false
      return
    default:
      endOther(tree, tag)
  }
}

function endForm(tree: Construction): void {
  const { open } = tree
  if (open.has(T.TEMPLATE)) {
    if (!open.inScope(T.FORM)) return
    open.generateImpliedEnds()
    open.popThrough(open.nearest(T.FORM))
    return
  }
  const isOpen = tree.hasForm() && tree.formPlace <= open.top && open.uidAt(tree.formPlace) === tree.formUid
  const place = tree.formPlace
  tree.formUid = 0
  if (!isOpen || !open.isInScope(place)) return
  open.generateImpliedEnds()
  // Only the form leaves the stack; what was opened in it stays open.
  if (place <= open.top) open.removeAt(place)
}

/** "Any other end tag". */
function endOther(tree: Construction, tag: number): void {
  const { open } = tree
  const at = open.nearest(tag)
  if (at < 0 || at < open.nearestSpecial) return
  open.generateImpliedEnds(tag)
  open.popThrough(at)
}

/**
 * The adoption agency algorithm, as far as the stack goes: copies that it would make have no facts of their own, and
 * whatever was opened keeps what it stood in when it was opened.
 */
function endFormatting(tree: Construction, tag: number): void {
  const { open, formatting } = tree
  if (formatting.closeCurrent(tag)) return
  if (open.isTop(tag) && !formatting.holds(open.top)) {
    open.pop()
    return
  }
  const entry = formatting.lastOf(tag)
  if (entry < 0) {
    endOther(tree, tag)
    return
  }
  const place = formatting.placeOf(entry)
  if (place < 0) {
    formatting.removeAt(entry)
    return
  }
  if (!open.isInScope(place)) return
  formatting.removeAt(entry)
  const furthest = open.nearestSpecial
  if (furthest < place) {
    open.popThrough(place)
    return
  }
  open.popThrough(furthest + 1)
  for (let at = furthest - 1; at >= place; at--) {
    const isOrdinary = (open.propsOf(at) & T.IS_SPECIAL) === 0
    if (at === place || (isOrdinary && !open.isGone(at) && !formatting.holds(at))) open.removeAt(at)
  }
}
