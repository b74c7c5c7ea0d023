import { limits } from '../address'
import { parseJson } from '../model'

/** Lists of a run document by the name of their entries in lines. */
const LISTS: Readonly<Record<string, string>> = {
  page: 'pages',
  image: 'images',
  finding: 'findings',
  waived: 'waived',
  cause: 'causes',
}

/**
 * Puts the lines of a run document together again. No text has to be as long as the whole.
 *
 * @example const reader = new RunLinesReader(); for (const line of lines) reader.add(line); reader.end()
 */
export class RunLinesReader {
  private head: Record<string, unknown> | null = null
  private readonly lists = new Map<string, unknown[]>()
  private summary: unknown
  private fault: string | null = null
  private count = 0

  add(line: string): void {
    if (this.fault !== null || line.trim() === '') return
    this.count++
    const parsed = parseJson(line, limits.settingsCharacters * 4)
    if (!parsed.ok) {
      this.fault = `Line ${this.count}: ${parsed.faults[0]!.message}`
      return
    }
    const value = parsed.value
    if (typeof value !== 'object' || value === null || Array.isArray(value)) {
      this.fault = `Line ${this.count} is no object.`
      return
    }
    const [[name, entry] = ['', undefined]] = Object.entries(value)
    if (this.head === null) this.head = value as Record<string, unknown>
    else if (name === 'summary') this.summary = entry
    else if (Object.hasOwn(LISTS, name)) this.listOf(LISTS[name]!).push(entry)
  }

  private listOf(key: string): unknown[] {
    const list = this.lists.get(key) ?? []
    this.lists.set(key, list)
    return list
  }

  /** The document that the lines make, not held against its form yet. */
  end(): { ok: true; value: unknown } | { ok: false; fault: string } {
    if (this.fault !== null) return { ok: false, fault: this.fault }
    if (this.head === null) return { ok: false, fault: 'There is no line in it.' }
    if (this.summary === undefined)
      return { ok: false, fault: `It breaks off after ${this.count} lines: its last one, the summary, is not there.` }
    const { pages = [], images = [], findings = [], causes = [], ...more } = Object.fromEntries(this.lists)
    return { ok: true, value: { ...this.head, pages, images, findings, ...more, causes, summary: this.summary } }
  }
}

/** Is a text a document in lines? Its first line is a whole object, and another follows. */
export function isInLines(text: string): boolean {
  const end = text.indexOf('\n')
  return end > 1 && text.startsWith('{"') && text[end - 1] === '}' && text.startsWith('{"', end + 1)
}
