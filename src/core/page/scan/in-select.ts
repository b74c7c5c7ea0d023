// 13.2.6.4.16 and 13.2.6.4.17 of the standard as it was until 2025: lists of choices, which hold nothing else.
import type { Construction } from './construction'
import { htmlAgain, startHeadContent } from './in-head'
import * as T from './tag-table'

function closeSelect(tree: Construction): void {
  tree.open.popThrough(tree.open.nearest(T.SELECT))
  tree.resetMode()
}

/** In select scope only option and optgroup may stand above. */
function isSelectInScope({ open }: Construction): boolean {
  const select = open.nearest(T.SELECT)
  if (select < 0) return false
  for (let at = open.top; at > select; at--) {
    const tag = open.tagAt(at)
    if (tag !== T.OPTION && tag !== T.OPTGROUP) return false
  }
  return true
}

export function startInSelect(tree: Construction, tag: number): void {
  const { open } = tree
  switch (tag) {
    case T.HTML:
      htmlAgain(tree)
      return
    case T.OPTION:
      if (open.isTop(T.OPTION)) open.pop()
      tree.insert(tag)
      return
    case T.OPTGROUP:
    case T.HR:
      if (open.isTop(T.OPTION)) open.pop()
      if (open.isTop(T.OPTGROUP)) open.pop()
      if (tag === T.OPTGROUP) tree.insert(tag)
      return
    case T.SELECT:
    case T.INPUT:
    case T.KEYGEN:
    case T.TEXTAREA:
      if (!isSelectInScope(tree)) return
      closeSelect(tree)
      if (tag !== T.SELECT) tree.startInMode(tag)
      return
    case T.SCRIPT:
    case T.TEMPLATE:
      startHeadContent(tree, tag)
  }
}

export function endInSelect(tree: Construction, tag: number): void {
  const { open } = tree
  switch (tag) {
    case T.OPTGROUP:
      if (open.isTop(T.OPTION) && open.top > 0 && open.tagAt(open.top - 1) === T.OPTGROUP) open.pop()
      if (open.isTop(T.OPTGROUP)) open.pop()
      return
    case T.OPTION:
      if (open.isTop(T.OPTION)) open.pop()
      return
    case T.SELECT:
      if (isSelectInScope(tree)) closeSelect(tree)
      return
    case T.TEMPLATE:
      tree.closeTemplate()
  }
}

function isTableTag(tag: number): boolean {
  switch (tag) {
    case T.CAPTION:
    case T.TABLE:
    case T.TBODY:
    case T.TFOOT:
    case T.THEAD:
    case T.TR:
    case T.TD:
    case T.TH:
      return true
    default:
      return false
  }
}

export function startInSelectInTable(tree: Construction, tag: number): void {
  if (!isTableTag(tag)) {
    startInSelect(tree, tag)
    return
  }
  closeSelect(tree)
  tree.startInMode(tag)
}

export function endInSelectInTable(tree: Construction, tag: number): void {
  if (!isTableTag(tag)) endInSelect(tree, tag)
  else if (tree.open.inTableScope(tag)) {
    closeSelect(tree)
    tree.endInMode(tag)
  }
}
