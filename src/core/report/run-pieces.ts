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

/** The run document as JSON, in pieces: together the same text as it would be at once. */
export function* jsonPieces(document: Readonly<Record<string, unknown>>): Generator<string> {
  let before = '{'
  for (const [key, value] of Object.entries(document)) {
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
export function* jsonLines(document: Readonly<Record<string, unknown>>): Generator<string> {
  const { summary, ...rest } = document
  const head = Object.fromEntries(Object.entries(rest).filter(([key]) => !isList(key)))
  yield `${printableJson(head)}\n`
  for (const [key, name] of Object.entries(LISTS)) {
    const entries = document[key]
    if (!Array.isArray(entries)) continue
    for (const entry of entries as unknown[]) yield `${printableJson({ [name]: entry })}\n`
  }
  yield `${printableJson({ summary })}\n`
}
