// 13.2.6.5 The rules for parsing tokens in foreign content: SVG and MathML.
import type { Construction } from './construction'
import { HTML_NS, HTML_POINT, isMathTextPoint, MATH_NS, SVG_NS } from './open-elements'
import * as T from './tag-table'

/** True when a start tag (or, as `tag` 0, a text) is not processed as HTML. */
export function isForeignStart({ open }: Construction, tag: number, isText: boolean): boolean {
  const namespace = open.namespace
  if (namespace === HTML_NS || open.top < 0) return false
  if ((open.context & HTML_POINT) !== 0) return false
  if (namespace !== MATH_NS) return true
  if (isMathTextPoint(open.tag)) return !isText && (tag === T.MGLYPH || tag === T.MALIGNMARK)
  return !(open.tag === T.ANNOTATION_XML && tag === T.SVG && !isText)
}

function isIntegrationPoint({ open }: Construction): boolean {
  return (open.context & HTML_POINT) !== 0 || (open.namespace === MATH_NS && isMathTextPoint(open.tag))
}

function leaveForeign(tree: Construction): void {
  while (tree.open.namespace !== HTML_NS && !isIntegrationPoint(tree)) tree.open.pop()
}

function isBreakout(tree: Construction, tag: number): boolean {
  if (tag === T.FONT) {
    const { attributes } = tree.token
    return attributes.get('color') !== null || attributes.get('face') !== null || attributes.get('size') !== null
  }
  return tag < T.PROPS.length && (T.PROPS[tag]! & T.IS_BREAKOUT) !== 0
}

export function startInForeign(tree: Construction, tag: number): void {
  if (isBreakout(tree, tag)) {
    leaveForeign(tree)
    tree.startInMode(tag)
    return
  }
  const namespace = tree.open.namespace
  const encoding = tag === T.ANNOTATION_XML ? tree.token.attributes.get('encoding')?.toLowerCase() : undefined
  const isHtmlPoint =
    namespace === SVG_NS
      ? tag === T.FOREIGNOBJECT || tag === T.DESC || tag === T.TITLE
      : encoding === 'text/html' || encoding === 'application/xhtml+xml'
  tree.insertForeign(tag, namespace, isHtmlPoint)
}

export function endInForeign(tree: Construction, tag: number): void {
  if (tag === T.P || tag === T.BR) {
    leaveForeign(tree)
    tree.endInMode(tag)
    return
  }
  const at = tree.open.nearestForeign(tag)
  if (at >= 0) tree.open.popThrough(at)
  else tree.endInMode(tag)
}
