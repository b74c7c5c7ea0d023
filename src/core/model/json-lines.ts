import { isMap, isPair, isScalar, isSeq, LineCounter, type Node, parseDocument } from 'yaml'

/** The line, from 1, on which a part of a JSON text stands; of what the path does not reach, the last part that is there. */
export type LineOf = (path: readonly PropertyKey[]) => number | null

/**
 * Finds lines in a JSON text. JSON is YAML, whose parser keeps the place of every part.
 *
 * @example linesOfJson('{\n"a": [1]\n}')(['a', 0]) // 2
 */
export function linesOfJson(text: string): LineOf {
  const lines = new LineCounter()
  let root: Node | null = null
  try {
    root = parseDocument(text.replace(/^\uFEFF/, ''), { lineCounter: lines, uniqueKeys: false }).contents
  } catch {
    return () => null
  }
  return (path) => {
    let at: unknown = root
    let offset: number | null = null
    for (const part of path) {
      if (isMap(at)) {
        const pair = at.items.find(({ key }) => isScalar(key) && String(key.value) === String(part))
        if (!isPair(pair) || !isScalar(pair.key)) break
        offset = pair.key.range?.[0] ?? offset
        at = pair.value
      } else if (isSeq(at)) {
        const item = at.items[Number(part)]
        if (item === undefined) break
        at = item
        offset = (item as Node).range?.[0] ?? offset
      } else break
    }
    return offset === null ? null : lines.linePos(offset).line
  }
}
