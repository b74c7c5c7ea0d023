import type { PageFacts, SourceLine } from '../model'
import type { LineIndex } from './lines'
import { type Element, isElement, type Node, type Tree } from './tree'

/** A line longer than this is shown tag by tag: some generators write the whole head on one line. */
const LONG_LINE = 160
/** What is kept of one row. */
const ROW_CHARACTERS = 400
/** Rows kept of a head: beyond that it is script, and nobody reads it here. */
const HEAD_ROWS = 300
/** Lines kept of a script or style in the head. */
const SCRIPT_LINES = 6
/** Pictures of the content that are worth a row: those a place may take. */
const CONTENT_IMAGES = 5

type Span = { start: number; end: number }

/** Elements and comments of the head, in document order, and where the head ends. */
function headOf(tree: Tree): { parts: Node[]; end: number } {
  const root = tree.childNodes.find((node): node is Element => isElement(node) && node.tagName === 'html')
  const head = root?.childNodes.find((node): node is Element => isElement(node) && node.tagName === 'head')
  const body = root?.childNodes.find((node): node is Element => isElement(node) && node.tagName === 'body')
  const parts = [
    ...tree.childNodes,
    ...(head ? [head] : []),
    ...(head?.childNodes ?? []).flatMap((node) =>
      isElement(node) && node.tagName === 'noscript' ? [node, ...node.childNodes] : [node],
    ),
  ].filter((node) => node.nodeName !== '#text' && node.sourceCodeLocation)
  const lastEnd = Math.max(0, ...(head?.childNodes ?? []).map((node) => node.sourceCodeLocation?.endOffset ?? 0))
  const end = head?.sourceCodeLocation?.endOffset ?? body?.sourceCodeLocation?.startOffset ?? lastEnd
  return { parts, end: Math.max(end, lastEnd) }
}

/** Lines inside long scripts and styles, which are left out but for the first few. */
function hiddenLines(parts: Node[], lines: LineIndex): Span[] {
  return parts.flatMap((node) => {
    if (!isElement(node) || (node.tagName !== 'script' && node.tagName !== 'style' && node.tagName !== 'template'))
      return []
    const location = node.sourceCodeLocation!
    const first = lines.positionOf(location.startOffset).line + SCRIPT_LINES
    const last = lines.positionOf(location.endOffset).line - 1
    return last > first ? [{ start: first, end: last }] : []
  })
}

function row(text: string, start: number, end: number, lines: LineIndex, inHead: boolean): SourceLine {
  const raw = text.slice(start, Math.min(end, start + ROW_CHARACTERS))
  return { ...lines.positionOf(start), text: end > start + ROW_CHARACTERS ? `${raw}…` : raw, inHead }
}

function headRows(tree: Tree, text: string, lines: LineIndex): SourceLine[] {
  const { parts, end } = headOf(tree)
  if (end === 0) return []
  const hidden = hiddenLines(parts, lines)
  const starts = parts.map((node) => node.sourceCodeLocation!.startOffset)
  const rows: SourceLine[] = []
  const lastLine = lines.positionOf(Math.max(0, end - 1)).line
  let next = 0
  for (let line = 1; line <= lastLine && rows.length < HEAD_ROWS; line++) {
    const lineStart = lines.startOf(line)
    const lineEnd = line === lastLine ? Math.max(end, lineStart) : lines.endOf(line)
    const cuts: number[] = []
    while (next < starts.length && starts[next]! < lineEnd) {
      if (starts[next]! > lineStart) cuts.push(starts[next]!)
      next++
    }
    if (hidden.some((span) => line >= span.start && line <= span.end)) continue
    const isLong = lineEnd - lineStart > LONG_LINE
    const bounds = [lineStart, ...(isLong ? cuts : []), lineEnd]
    for (let index = 0; index + 1 < bounds.length; index++) {
      if (text.slice(bounds[index], bounds[index + 1]).trim() !== '') {
        rows.push(row(text, bounds[index]!, bounds[index + 1]!, lines, true))
      }
    }
  }
  return rows
}

/** Offset of a position that came from the same text. */
const offsetOf = (position: { line: number; column: number }, lines: LineIndex) =>
  lines.startOf(position.line) + position.column - 1

/**
 * The lines of a page's source that a reader of its cards wants to see: the head, and of the body the heading, the
 * first paragraph, the first pictures, and tags that stand there by mistake.
 */
export function excerptSource(tree: Tree, text: string, lines: LineIndex, facts: PageFacts): SourceLine[] {
  const rows = headRows(tree, text, lines)
  const lastOffset = rows.length > 0 ? offsetOf(rows.at(-1)!, lines) + rows.at(-1)!.text.length : 0
  const inBody = [
    facts.at.title,
    facts.at.h1,
    facts.at.firstParagraph,
    ...facts.contentImages.slice(0, CONTENT_IMAGES),
    ...facts.metas.filter((meta) => !meta.inHead),
  ]
  const offsets = new Set<number>()
  for (const position of inBody) {
    const offset = position ? offsetOf(position, lines) : -1
    if (offset >= lastOffset) offsets.add(offset)
  }
  for (const offset of [...offsets].sort((a, b) => a - b)) {
    rows.push(row(text, offset, lines.endOf(lines.positionOf(offset).line), lines, false))
  }
  return rows
}
