import { type DefaultTreeAdapterMap, defaultTreeAdapter, html as htmlNames, parse } from 'parse5'

export type Tree = DefaultTreeAdapterMap['document']
export type Node = DefaultTreeAdapterMap['node']
export type Element = DefaultTreeAdapterMap['element']

/**
 * Positions of tags only. The usual adapter also moves the end of a text node with every word that is added to it,
 * which took a third of the time of a crawl (bench/crawl.bench.ts), and where a text ends is never asked.
 */
const adapter: typeof defaultTreeAdapter = {
  ...defaultTreeAdapter,
  setNodeSourceCodeLocation(node, location) {
    if (node.nodeName !== '#text') defaultTreeAdapter.setNodeSourceCodeLocation(node, location)
  },
  updateNodeSourceCodeLocation(node, end) {
    if (node.nodeName !== '#text') defaultTreeAdapter.updateNodeSourceCodeLocation(node, end)
  },
}

/** The standard's tree, scripting off, with the offsets of every tag. */
export function parseTree(text: string): Tree {
  return parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false, treeAdapter: adapter })
}

export const isElement = (node: Node): node is Element => 'tagName' in node

export const isHtml = (element: Element): boolean => element.namespaceURI === htmlNames.NS.HTML

/** Value of an attribute; null when the element has none of that name. */
export function attribute(element: Element, name: string): string | null {
  for (const candidate of element.attrs) if (candidate.name === name) return candidate.value
  return null
}

/** Offset of the element's `<`; -1 for an element that the source does not hold (an implied head). */
export const startOffset = (element: Element): number => element.sourceCodeLocation?.startOffset ?? -1

const UNSEEN = new Set(['script', 'style', 'template', 'noscript'])

/** The text inside an element, in document order; scripts and styles left out unless the element is one. */
export function textInside(element: Element): string {
  const parts: string[] = []
  const stack: Node[] = [...element.childNodes].reverse()
  while (stack.length > 0) {
    const node = stack.pop()!
    if (node.nodeName === '#text') parts.push((node as DefaultTreeAdapterMap['textNode']).value)
    else if (isElement(node) && !UNSEEN.has(node.tagName)) {
      for (let index = node.childNodes.length - 1; index >= 0; index--) stack.push(node.childNodes[index]!)
    }
  }
  return parts.join('')
}
