import { isNamedSite, pathnameOf, withoutUnnamedHost } from '../address'
import { printableJson } from '../text'

/** Lists that grow with the site: they are written an entry at a time, so that no text is as long as the whole. */
const LISTS = {
  pages: 'page',
  images: 'image',
  icons: 'icon',
  findings: 'finding',
  waived: 'waived',
  causes: 'cause',
} as const
type ListKey = keyof typeof LISTS

const isList = (key: string): key is ListKey => Object.hasOwn(LISTS, key)

const indented = (value: unknown, by: string) => printableJson(value, 2).replaceAll('\n', `\n${by}`)

type Source = { site: string; [field: string]: unknown }

/** A site without a production URL is told as none, with the path that it lives under. */
function fieldsOf(document: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> {
  const source = document['source'] as Source | undefined
  if (typeof source?.site !== 'string' || isNamedSite(source.site)) return document
  return { ...document, source: { ...source, site: null, path: pathnameOf(source.site) } }
}

/** Pieces with URLs of a site that has no production URL as paths. */
export function* pathsIn(pieces: Iterable<string>): Generator<string> {
  for (const piece of pieces) yield withoutUnnamedHost(piece)
}

/** The run document as JSON, in pieces: together the same text as it would be at once. */
export const jsonPieces = (document: Readonly<Record<string, unknown>>): Generator<string> =>
  pathsIn(piecesOf(document))

function* piecesOf(document: Readonly<Record<string, unknown>>): Generator<string> {
  let before = '{'
  for (const [key, value] of Object.entries(fieldsOf(document))) {
    if (value === undefined) continue
    yield `${before}\n  ${JSON.stringify(key)}: `
    before = ','
    if (!isList(key) || !Array.isArray(value) || value.length === 0) {
      yield indented(value, '  ')
      continue
    }
    let between = '['
    for (const entry of value) {
      yield `${between}\n    ${indented(entry, '    ')}`
      between = ','
    }
    yield '\n  ]'
  }
  yield '\n}\n'
}

/** The run document as JSON lines: first the head without its lists, then each entry of them, last the summary. */
export const jsonLines = (document: Readonly<Record<string, unknown>>): Generator<string> => pathsIn(linesOf(document))

function* linesOf(document: Readonly<Record<string, unknown>>): Generator<string> {
  const { summary, ...rest } = fieldsOf(document)
  const head = Object.fromEntries(Object.entries(rest).filter(([key]) => !isList(key)))
  yield `${printableJson(head)}\n`
  for (const [key, name] of Object.entries(LISTS)) {
    const entries = document[key]
    if (!Array.isArray(entries)) continue
    for (const entry of entries as unknown[]) yield `${printableJson({ [name]: entry })}\n`
  }
  yield `${printableJson({ summary })}\n`
}

/** The run document as JSON text, at once: what the pieces are together. */
export const runAsJson = (document: Readonly<Record<string, unknown>>): string =>
  withoutUnnamedHost(`${printableJson(fieldsOf(document), 2)}\n`)
