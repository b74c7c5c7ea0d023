// 13.2.6.4.1 to 13.2.6.4.6: from the start of the document to the start of the body.
import type { Construction } from './construction'
import * as Mode from './modes'
import * as T from './tag-table'

/** "Before html": any token but white space makes the root. */
export function startBeforeHtml(tree: Construction, tag: number): void {
  tree.mode = Mode.BEFORE_HEAD
  if (tag === T.HTML) tree.insert(T.HTML)
  else {
    tree.insertImplied(T.HTML)
    startBeforeHead(tree, tag)
  }
}

export function startBeforeHead(tree: Construction, tag: number): void {
  if (tag === T.HTML) {
    htmlAgain(tree)
    return
  }
  tree.mode = Mode.IN_HEAD
  tree.hasHead = true
  if (tag === T.HEAD) tree.insert(T.HEAD)
  else {
    tree.insertImplied(T.HEAD)
    startInHead(tree, tag)
  }
}

/** A second `<html>` gives the root the attributes that it lacked. */
export function htmlAgain(tree: Construction): void {
  if (!tree.open.has(T.TEMPLATE)) tree.sink.element(T.HTML, 0)
}

/** Start tags that belong in the head. @returns false when this is none of them */
export function startHeadContent(tree: Construction, tag: number): boolean {
  switch (tag) {
    case T.BASE:
    case T.BASEFONT:
    case T.BGSOUND:
    case T.LINK:
    case T.META:
      tree.insertVoid(tag)
      return true
    case T.TITLE:
      tree.insertRaw(tag, Mode.RCDATA)
      return true
    case T.NOFRAMES:
    case T.STYLE:
      tree.insertRaw(tag, Mode.RAWTEXT)
      return true
    case T.SCRIPT:
      tree.insertRaw(tag, Mode.SCRIPT_DATA)
      return true
    case T.TEMPLATE:
      tree.openTemplate()
      return true
    default:
      return false
  }
}

export function startInHead(tree: Construction, tag: number): void {
  if (startHeadContent(tree, tag)) return
  if (tag === T.HEAD) {
    tree.sink.headAgain()
    return
  }
  if (tag === T.HTML) htmlAgain(tree)
  else if (tag === T.NOSCRIPT) {
    tree.insert(tag)
    tree.mode = Mode.IN_HEAD_NOSCRIPT
  } else {
    leaveHead(tree, tag)
    tree.startInMode(tag)
  }
}

/** Something that doesn't belong in the head closes it. */
export function leaveHead(tree: Construction, tag: number): void {
  tree.sink.headLeft(tag)
  tree.open.pop()
  tree.mode = Mode.AFTER_HEAD
}

export function leaveNoscript(tree: Construction): void {
  tree.open.pop()
  tree.mode = Mode.IN_HEAD
}

export function startInHeadNoscript(tree: Construction, tag: number): void {
  switch (tag) {
    case T.HTML:
      htmlAgain(tree)
      return
    case T.BASEFONT:
    case T.BGSOUND:
    case T.LINK:
    case T.META:
    case T.NOFRAMES:
    case T.STYLE:
      startHeadContent(tree, tag)
      return
    case T.HEAD:
    case T.NOSCRIPT:
      return
    default:
      leaveNoscript(tree)
      startInHead(tree, tag)
  }
}

export function openBody(tree: Construction): void {
  tree.mode = Mode.IN_BODY
  tree.sink.bodyOpened()
}

export function startAfterHead(tree: Construction, tag: number): void {
  switch (tag) {
    case T.HTML:
      htmlAgain(tree)
      return
    case T.HEAD:
      tree.sink.headAgain()
      return
    case T.BODY:
      tree.insert(T.BODY)
      tree.framesetOk = false
      openBody(tree)
      return
    case T.FRAMESET:
      tree.insert(T.FRAMESET)
      tree.mode = Mode.IN_FRAMESET
      return
  }
  if (isHeadContent(tag)) {
    // Such an element still goes into the head, which is opened for it once more.
    tree.insertImplied(T.HEAD)
    const head = tree.open.top
    startHeadContent(tree, tag)
    if (tree.rawText === Mode.NO_RAW_TEXT) tree.open.removeAt(head)
    else tree.headToRemove = head
    return
  }
  tree.insertImplied(T.BODY)
  openBody(tree)
  tree.startInMode(tag)
}

function isHeadContent(tag: number): boolean {
  return tag < T.IN_BODY_START.length && T.IN_BODY_START[tag] === T.START_HEAD_CONTENT
}

/** End tags before the body; true when they open what is missing and must be looked at again. */
export function endOpensMissing(tag: number): boolean {
  return tag === T.BODY || tag === T.HTML || tag === T.BR
}
