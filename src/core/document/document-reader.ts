import { limits } from '../address'
import { parseJson } from '../model'
import { ObjectEntries } from './object-entries'

/** Lists of a run document by the name of their entries in lines. */
const LISTS: Readonly<Record<string, string>> = {
  page: 'pages',
  image: 'images',
  icon: 'icons',
  finding: 'findings',
  waived: 'waived',
  cause: 'causes',
}

const LIST_NAMES: ReadonlySet<string> = new Set(Object.values(LISTS))

/** A field of a run document, or one entry of one of its lists. */
export type DocumentPiece = { list: string; value: unknown } | { field: string; value: unknown }

/** Characters of one entry: a page with all of its cards is a hundredth of it. */
const MAX_ENTRY = limits.settingsCharacters * 4

/** A form that a document comes in: takes text as it comes, and says what is in it. */
type Form = {
  add: (text: string) => DocumentPiece[]
  end: () => DocumentPiece[]
  /** What is wrong with it; what it lacks is known after its end. */
  fault: () => string | null
}

/** One line after the other: the head, then entries, last the summary. */
function linesForm(): Form {
  let left = ''
  let count = 0
  let fault: string | null = null
  let hasSummary = false
  const read = (line: string): DocumentPiece[] => {
    if (fault !== null || line.trim() === '') return []
    count++
    const parsed = parseJson(line, MAX_ENTRY)
    if (!parsed.ok) {
      fault = `Line ${count}: ${parsed.faults[0]!.message}`
      return []
    }
    const { value } = parsed
    if (typeof value !== 'object' || value === null || Array.isArray(value)) {
      fault = `Line ${count} is no object.`
      return []
    }
    if (count === 1) return Object.entries(value).map(([field, own]) => ({ field, value: own }))
    const [[name, entry] = ['', undefined]] = Object.entries(value)
    if (name === 'summary') {
      hasSummary = true
      return [{ field: name, value: entry }]
    }
    return Object.hasOwn(LISTS, name) ? [{ list: LISTS[name]!, value: entry }] : []
  }
  return {
    add: (text) => {
      const lines = (left + text).split('\n')
      left = lines.pop()!
      if (left.length > MAX_ENTRY) fault ??= `Line ${count + 1} has more than ${MAX_ENTRY} characters.`
      return lines.flatMap(read)
    },
    end: () => {
      const pieces = read(left)
      if (!hasSummary) fault ??= `It breaks off after ${count} lines: its last one, the summary, is not there.`
      return pieces
    },
    fault: () => fault,
  }
}

/** One object: its fields in any order. */
function objectForm(): Form {
  const entries = new ObjectEntries(LIST_NAMES, MAX_ENTRY)
  let fault: string | null = null
  return {
    add: (text) => {
      const pieces = entries.add(text).flatMap(({ key, text: own, isEntry }): DocumentPiece[] => {
        if (fault !== null) return []
        const parsed = parseJson(own, MAX_ENTRY)
        if (!parsed.ok) {
          fault = `${key}: ${parsed.faults[0]!.message}`
          return []
        }
        return [isEntry ? { list: key, value: parsed.value } : { field: key, value: parsed.value }]
      })
      fault ??= entries.fault
      return pieces
    },
    end: () => {
      if (!entries.isWhole) fault ??= 'It is no JSON: it breaks off before its end.'
      return []
    },
    fault: () => fault,
  }
}

/**
 * Reads a run document as its text comes, as one object or in lines: which of the two shows at its second line. Nothing is
 * held against the form of a document here.
 *
 * @example const reader = new DocumentReader(); for (const text of texts) take(reader.add(text)); take(reader.end())
 */
export class DocumentReader {
  private form: Form | null = null
  private first = ''

  /** What is wrong with it; what it lacks is known after its end. null: nothing. */
  get fault(): string | null {
    return this.form?.fault() ?? null
  }

  add(text: string): DocumentPiece[] {
    if (this.form) return this.form.add(text)
    this.first += text
    const end = this.first.indexOf('\n')
    const isKnown = end >= 0 ? this.first.length > end + 1 : this.first.length > MAX_ENTRY
    return isKnown ? this.begin() : []
  }

  end(): DocumentPiece[] {
    return [...(this.form ? [] : this.begin()), ...this.form!.end()]
  }

  private begin(): DocumentPiece[] {
    this.form = isInLines(this.first) ? linesForm() : objectForm()
    return this.form.add(this.first)
  }
}

/** What every entry of a list has, by which it is known from others. */
const NAMED_BY: Readonly<Record<string, string>> = {
  pages: 'url',
  images: 'url',
  icons: 'url',
  findings: 'rule',
  waived: 'rule',
  causes: 'id',
}

/** Lists in which each entry stands once. */
const ONCE: ReadonlySet<string> = new Set(['pages', 'images', 'icons'])

/** Says why an entry can't be one of its list; null where it can. */
export type EntryCheck = (list: string, value: unknown) => string | null

/** What names an entry: a page of a part stands one level deeper. */
function nameOf(value: unknown, name: string): unknown {
  if (typeof value !== 'object' || value === null) return null
  const own: unknown = Reflect.get(value, name)
  return own === undefined && 'page' in value ? nameOf(value.page, name) : own
}

/** Looks at the entries of a document as they come: each has its name, and stands once where there can be but one. */
export function entryCheck(): EntryCheck {
  const counts = new Map<string, number>()
  const seen = new Map<string, Set<string>>()
  const most = limits.maxPagesOfBuild * 10
  return (list, value) => {
    const count = (counts.get(list) ?? 0) + 1
    counts.set(list, count)
    if (count > most) return `${list}: It has more than ${most} entries.`
    const name = NAMED_BY[list]
    if (name === undefined) return null
    const own = nameOf(value, name)
    if (typeof own !== 'string') return `${list}, entry ${count}: It has no ${name}.`
    if (!ONCE.has(list)) return null
    const known = seen.get(list) ?? new Set()
    seen.set(list, known)
    if (known.has(own)) return `${list}, entry ${count}: ${own} stands there twice.`
    known.add(own)
    return null
  }
}

/** Puts the pieces of a document together again. */
export class DocumentBuilder {
  private readonly fields: Record<string, unknown> = {}
  private readonly lists = new Map<string, unknown[]>()
  /** What is wrong with an entry; null as long as nothing is. The first that is none ends it. */
  fault: string | null = null

  constructor(private readonly faultOf: EntryCheck = () => null) {}

  take(pieces: readonly DocumentPiece[]): void {
    for (const piece of pieces) {
      if (this.fault !== null) return
      if ('field' in piece) this.fields[piece.field] = piece.value
      else {
        this.fault = this.faultOf(piece.list, piece.value)
        if (this.fault !== null) return
        const list = this.lists.get(piece.list)
        if (list) list.push(piece.value)
        else this.lists.set(piece.list, [piece.value])
      }
    }
  }

  /** The document, not held against its form yet. */
  value(): Record<string, unknown> {
    const lists = { pages: [], images: [], findings: [], causes: [] }
    return { ...lists, ...this.fields, ...Object.fromEntries(this.lists) }
  }
}

/** Is a text a document in lines? Its first line is a whole object, and another follows. */
function isInLines(text: string): boolean {
  const end = text.indexOf('\n')
  const first = text.slice(0, Math.max(0, end)).trim()
  return first.startsWith('{"') && first.endsWith('}') && text[end + 1] === '{'
}
