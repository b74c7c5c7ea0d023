// 13.2.6.4.9 to 13.2.6.4.15: tables.
import type { Construction } from './construction'
import { endInBody, isHiddenInput, startInBody } from './in-body'
import { startHeadContent } from './in-head'
import * as Mode from './modes'
import * as T from './tag-table'

function isTablePart(tag: number): boolean {
  switch (tag) {
    case T.CAPTION:
    case T.COL:
    case T.COLGROUP:
    case T.TBODY:
    case T.TD:
    case T.TFOOT:
    case T.TH:
    case T.THEAD:
    case T.TR:
      return true
    default:
      return false
  }
}

/** "Clear the stack back to a … context": pops down to one of these. */
function clearBackTo(tree: Construction, one: number, two = one, three = one): void {
  const { open } = tree
  const at = Math.max(0, open.nearest(one), open.nearest(two), open.nearest(three), open.nearest(T.TEMPLATE))
  open.popThrough(at + 1)
}

const clearToTable = (tree: Construction) => clearBackTo(tree, T.TABLE)
const clearToBody = (tree: Construction) => clearBackTo(tree, T.TBODY, T.TFOOT, T.THEAD)
const clearToRow = (tree: Construction) => clearBackTo(tree, T.TR)

const hasTableBody = ({ open }: Construction) =>
  open.inTableScope(T.TBODY) || open.inTableScope(T.THEAD) || open.inTableScope(T.TFOOT)

/** Anything that has no business in a table: processed as in the body, and put before the table. */
function fostered(tree: Construction, process: () => void): void {
  const before = tree.fostering
  tree.fostering = true
  process()
  tree.fostering = before
}

export function startInTable(tree: Construction, tag: number): void {
  const { open } = tree
  switch (tag) {
    case T.TD:
    case T.TH:
    case T.TR:
      clearToTable(tree)
      tree.insertImplied(T.TBODY)
      tree.mode = Mode.IN_TABLE_BODY
      startInTableBody(tree, tag)
      return
    case T.STYLE:
    case T.SCRIPT:
    case T.TEMPLATE:
      startHeadContent(tree, tag)
      return
    case T.COL:
      clearToTable(tree)
      tree.insertImplied(T.COLGROUP)
      tree.mode = Mode.IN_COLUMN_GROUP
      return
    case T.FORM:
      if (tree.hasForm() || open.has(T.TEMPLATE)) return
      tree.insert(T.FORM)
      tree.formPlace = open.top
      tree.formUid = open.uidAt(open.top)
      open.pop()
      return
    case T.TABLE:
      if (!open.inTableScope(T.TABLE)) return
      open.popThrough(open.nearest(T.TABLE))
      tree.resetMode()
      tree.startInMode(tag)
      return
    case T.TBODY:
    case T.TFOOT:
    case T.THEAD:
      clearToTable(tree)
      tree.insert(tag)
      tree.mode = Mode.IN_TABLE_BODY
      return
    case T.CAPTION:
      clearToTable(tree)
      tree.formatting.addMarker()
      tree.insert(tag)
      tree.mode = Mode.IN_CAPTION
      return
    case T.COLGROUP:
      clearToTable(tree)
      tree.insert(tag)
      tree.mode = Mode.IN_COLUMN_GROUP
      return
    case T.INPUT:
      if (isHiddenInput(tree)) {
        tree.insertVoid(tag)
        return
      }
  }
  fostered(tree, () => startInBody(tree, tag))
}

export function endInTable(tree: Construction, tag: number): void {
  if (tag === T.TABLE) {
    if (!tree.open.inTableScope(T.TABLE)) return
    tree.open.popThrough(tree.open.nearest(T.TABLE))
    tree.resetMode()
  } else if (tag === T.TEMPLATE) tree.closeTemplate()
  else if (!isTablePart(tag) && tag !== T.BODY && tag !== T.HTML) fostered(tree, () => endInBody(tree, tag))
}

function closeCaption(tree: Construction): boolean {
  if (!tree.open.inTableScope(T.CAPTION)) return false
  tree.open.generateImpliedEnds()
  tree.open.popThrough(tree.open.nearest(T.CAPTION))
  tree.formatting.clearToMarker()
  tree.mode = Mode.IN_TABLE
  return true
}

export function startInCaption(tree: Construction, tag: number): void {
  if (!isTablePart(tag)) startInBody(tree, tag)
  else if (closeCaption(tree)) startInTable(tree, tag)
}

export function endInCaption(tree: Construction, tag: number): void {
  if (tag === T.CAPTION || tag === T.TABLE) {
    if (closeCaption(tree) && tag === T.TABLE) endInTable(tree, tag)
  } else if (!isTablePart(tag) && tag !== T.BODY && tag !== T.HTML) endInBody(tree, tag)
}

/** Leaves the column group; false when it isn't the current node, and the token is ignored. */
export function leaveColumnGroup(tree: Construction): boolean {
  if (!tree.open.isTop(T.COLGROUP)) return false
  tree.open.pop()
  tree.mode = Mode.IN_TABLE
  return true
}

export function startInColumnGroup(tree: Construction, tag: number): void {
  if (tag === T.HTML) startInBody(tree, tag)
  else if (tag === T.TEMPLATE) startHeadContent(tree, tag)
  else if (tag !== T.COL && leaveColumnGroup(tree)) tree.startInMode(tag)
}

export function endInColumnGroup(tree: Construction, tag: number): void {
  if (tag === T.COLGROUP) leaveColumnGroup(tree)
  else if (tag === T.TEMPLATE) tree.closeTemplate()
  else if (tag !== T.COL && leaveColumnGroup(tree)) tree.endInMode(tag)
}

function leaveTableBody(tree: Construction): void {
  clearToBody(tree)
  tree.open.pop()
  tree.mode = Mode.IN_TABLE
}

export function startInTableBody(tree: Construction, tag: number): void {
  if (tag === T.TR) {
    clearToBody(tree)
    tree.insert(tag)
    tree.mode = Mode.IN_ROW
  } else if (tag === T.TH || tag === T.TD) {
    clearToBody(tree)
    tree.insertImplied(T.TR)
    tree.mode = Mode.IN_ROW
    startInRow(tree, tag)
  } else if (isTablePart(tag)) {
    if (!hasTableBody(tree)) return
    leaveTableBody(tree)
    startInTable(tree, tag)
  } else startInTable(tree, tag)
}

export function endInTableBody(tree: Construction, tag: number): void {
  if (tag === T.TBODY || tag === T.TFOOT || tag === T.THEAD) {
    if (tree.open.inTableScope(tag)) leaveTableBody(tree)
  } else if (tag === T.TABLE) {
    if (!hasTableBody(tree)) return
    leaveTableBody(tree)
    endInTable(tree, tag)
  } else endInTable(tree, tag)
}

function leaveRow(tree: Construction): void {
  clearToRow(tree)
  tree.open.pop()
  tree.mode = Mode.IN_TABLE_BODY
}

export function startInRow(tree: Construction, tag: number): void {
  if (tag === T.TH || tag === T.TD) {
    clearToRow(tree)
    tree.insert(tag)
    tree.mode = Mode.IN_CELL
    tree.formatting.addMarker()
  } else if (isTablePart(tag)) {
    if (!tree.open.inTableScope(T.TR)) return
    leaveRow(tree)
    startInTableBody(tree, tag)
  } else startInTable(tree, tag)
}

export function endInRow(tree: Construction, tag: number): void {
  const { open } = tree
  if (tag === T.TR) {
    if (open.inTableScope(T.TR)) leaveRow(tree)
  } else if (tag === T.TABLE || tag === T.TBODY || tag === T.TFOOT || tag === T.THEAD) {
    const isThere = open.inTableScope(T.TR) || (tag !== T.TABLE && open.inTableScope(tag))
    if (!isThere) return
    leaveRow(tree)
    endInTableBody(tree, tag)
  } else endInTable(tree, tag)
}

function closeCell(tree: Construction, at: number): void {
  tree.open.generateImpliedEnds()
  tree.open.popThrough(at)
  tree.formatting.clearToMarker()
  tree.mode = Mode.IN_ROW
}

const nearestCell = ({ open }: Construction) => Math.max(open.nearest(T.TD), open.nearest(T.TH))

export function startInCell(tree: Construction, tag: number): void {
  if (!isTablePart(tag)) {
    startInBody(tree, tag)
    return
  }
  if (!tree.open.inTableScope(T.TD) && !tree.open.inTableScope(T.TH)) return
  closeCell(tree, nearestCell(tree))
  startInRow(tree, tag)
}

export function endInCell(tree: Construction, tag: number): void {
  const { open } = tree
  switch (tag) {
    case T.TD:
    case T.TH:
      if (open.inTableScope(tag)) closeCell(tree, open.nearest(tag))
      return
    case T.TABLE:
    case T.TBODY:
    case T.TFOOT:
    case T.THEAD:
    case T.TR:
      if (!open.inTableScope(tag)) return
      closeCell(tree, nearestCell(tree))
      endInRow(tree, tag)
      return
    case T.BODY:
    case T.CAPTION:
    case T.COL:
    case T.COLGROUP:
    case T.HTML:
      return
    default:
      endInBody(tree, tag)
  }
}
