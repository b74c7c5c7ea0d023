import type { MetaFact, PageFacts, Position } from '../model'
import {
  Attributes,
  decodeHtml,
  endOfComment,
  endOfTag,
  endTagOf,
  isNameAt,
  isSpace,
  jsonStringInScript,
  LineIndex,
  placesOfName,
  readPage,
} from '../page'
import { attributeFor } from '../tag'
import { addTo, escapeAttribute, escapeText } from '../text'
import { unfitIn } from './draft'
import { anchorOf, CANONICAL, LANGUAGE, positionKey, RICH_NAME } from './drafted-page'
import { patchedBytes, type Splice } from './patch-bytes'
import { repeatedName } from './repeated-name'
import type { TagEdits } from './tag-edits'

export type Patch =
  | { kind: 'patched'; bytes: Uint8Array; before: string; after: string }
  | { kind: 'refused'; why: string }

/** One tag as we write it. */
export function metaHtml(key: string, value: string): string {
  return `<meta ${attributeFor(key)}="${escapeAttribute(key)}" content="${escapeAttribute(value)}">`
}

export const titleHtml = (title: string) => `<title>${escapeText(title)}</title>`

/** Tags that may stand before a head's first one. */
const LEADING = ['!doctype', 'html', 'head']

const START_OF_META = '<meta'.length

/** The tag with another content, all else in it as it was. */
const withContent = (tag: string, value: string) => withAttribute(tag, START_OF_META, 'content', value)

/** A start tag with an attribute that says something else, or nothing any more (null), all else in it as it was. */
function withAttribute(tag: string, start: number, name: string, value: string | null): string {
  const attributes = new Attributes()
  attributes.read(tag, start)
  const span = attributes.spanOf(name)
  if (value === null) return span ? tag.slice(0, span.start).trimEnd() + tag.slice(span.end) : tag
  const written = `${name}="${escapeAttribute(value)}"`
  if (span) return tag.slice(0, span.start) + written + tag.slice(span.end)
  const end = tag.length - (attributes.isSelfClosing ? 2 : 1)
  return `${tag.slice(0, end).trimEnd()} ${written}${tag.slice(end)}`
}

const canonicalHtml = (address: string) => `<link rel="canonical" href="${escapeAttribute(address)}">`
const START_OF_HTML = '<html'.length

/** A tag that goes takes its line with it when it stands there alone. */
function withItsLine(text: string, { start, end }: { start: number; end: number }): { start: number; end: number } {
  let from = start
  while (from > 0 && (text[from - 1] === ' ' || text[from - 1] === '\t')) from--
  let to = end
  while (text[to] === ' ' || text[to] === '\t') to++
  const isAlone = (from === 0 || text[from - 1] === '\n') && (text[to] === '\n' || text[to] === '\r')
  if (!isAlone) return { start, end }
  if (text[to] === '\r') to++
  return { start: from, end: text[to] === '\n' ? to + 1 : to }
}

/** What stands before a new line of the head: the line end and the indentation of the line it follows. */
function lineBreakAt(text: string, start: number): string {
  const lineStart = text.lastIndexOf('\n', start - 1) + 1
  const before = text.slice(lineStart, start)
  if (!/^[ \t]*$/.test(before)) return ''
  return `${text[lineStart - 2] === '\r' ? '\r\n' : '\n'}${before}`
}

class PagePatch {
  readonly splices: Splice[] = []
  private readonly lines: LineIndex

  constructor(
    private readonly text: string,
    private readonly facts: PageFacts,
    private readonly edits: TagEdits,
    /** The file can't hold all characters. */
    private readonly isAscii: boolean,
  ) {
    this.lines = new LineIndex(text)
  }

  private offsetOf({ line, column }: Position): number {
    return this.lines.startOf(line) + column - 1
  }

  private tagAt(position: Position): { start: number; end: number } {
    const start = this.offsetOf(position)
    return { start, end: endOfTag(this.text, start + START_OF_META) }
  }

  /** Is there a title that nothing ends? All that follows is part of it: no tag can be put after it. */
  get hasOpenTitle(): boolean {
    const at = this.facts.at.title
    return at !== null && this.titleAt(at).end < 0
  }

  /** From `<title>` to the end of its end tag; the end is -1 where it has none. */
  private titleAt(position: Position): { start: number; end: number } {
    const start = this.offsetOf(position)
    const inner = endOfTag(this.text, start + '<title'.length)
    const close = inner < 0 ? -1 : endTagOf(this.text, 'title', inner)
    return { start, end: close < 0 ? -1 : endOfTag(this.text, close + '</title'.length) }
  }

  patched(): string {
    this.editTitle()
    this.editCanonical()
    this.editLanguage()
    this.editRichName()
    const written = this.editMetas()
    this.addMissing(written)
    this.splices.sort((a, b) => b.start - a.start || b.end - a.end)
    let text = this.text
    for (const { start, end, html } of this.splices) text = text.slice(0, start) + html + text.slice(end)
    return text
  }

  private editTitle(): void {
    const value = this.edits.get('title')
    const at = this.facts.at.title
    if (value === undefined || !at) return
    const span = this.titleAt(at)
    if (value === null) this.splices.push({ ...withItsLine(this.text, span), html: '' })
    else if (value !== this.facts.title) this.splices.push({ ...span, html: titleHtml(value) })
  }

  private canonicals() {
    return this.facts.links.filter(({ rel }) => rel.split(' ').includes('canonical'))
  }

  private editCanonical(): void {
    const value = this.edits.get(CANONICAL)
    if (value === undefined) return
    this.canonicals().forEach((link, index) => {
      const span = this.tagAt(link)
      if (value === null || index > 0) this.splices.push({ ...withItsLine(this.text, span), html: '' })
      else if (value !== link.href) {
        const html = withAttribute(this.text.slice(span.start, span.end), START_OF_META, 'href', value)
        this.splices.push({ ...span, html })
      }
    })
  }

  private editLanguage(): void {
    const value = this.edits.get(LANGUAGE)
    if (value === undefined || value === this.facts.language) return
    const tag = this.leadingTag('html')
    if (tag) {
      const html = withAttribute(this.text.slice(tag.start, tag.end), START_OF_HTML, 'lang', value)
      this.splices.push({ ...tag, html })
    } else if (value !== null) {
      // A page without the tag has it all the same: it begins after the doctype.
      const { end } = this.leadingTag('!doctype') ?? { end: 0 }
      this.splices.push({ start: end, end, html: `<html lang="${escapeAttribute(value)}">` })
    }
  }

  /** What JSON-LD calls the page, wherever that repeats a text of it. */
  private editRichName(): void {
    const value = this.edits.get(RICH_NAME)?.trim()
    const now = value ? repeatedName(this.facts) : null
    if (now === null || value === now) return
    for (const script of this.facts.jsonLd) {
      if (!script.names?.includes(now)) continue
      const inner = endOfTag(this.text, this.offsetOf(script) + '<script'.length)
      const close = endTagOf(this.text, 'script', inner)
      for (const { start, end } of placesOfName(this.text.slice(inner, close), now))
        this.splices.push({ start: inner + start, end: inner + end, html: jsonStringInScript(value!, this.isAscii) })
    }
  }

  /** @returns keys that stand somewhere now */
  private editMetas(): Set<string> {
    const tags = new Map<string, MetaFact[]>()
    for (const meta of this.facts.metas) {
      if (meta.attribute !== 'name' && meta.attribute !== 'property') continue
      const key = positionKey(meta)
      addTo(tags, key, meta)
    }
    const written = new Set<string>()
    for (const metas of tags.values()) this.editTag(metas, written)
    return written
  }

  /** One tag, with all the keys that it names. */
  private editTag(metas: MetaFact[], written: Set<string>): void {
    if (!metas.some(({ key }) => this.edits.has(key))) return
    const values = metas.map(({ key, value }) => {
      const edited = this.edits.get(key)
      if (edited === undefined) return value
      if (edited === null || written.has(key)) return null
      written.add(key)
      return edited
    })
    const span = this.tagAt(metas[0]!)
    const tag = this.text.slice(span.start, span.end)
    if (values.every((value, index) => value !== null && value === metas[index]!.value)) return
    if (values.every((value) => value === null)) this.splices.push({ ...withItsLine(this.text, span), html: '' })
    else if (values.every((value) => value === values[0]))
      this.splices.push({ ...span, html: withContent(tag, values[0]!) })
    else {
      // Keys of one tag part ways: each gets a tag of its own.
      const own = metas.flatMap(({ key }, index) => (values[index] === null ? [] : [metaHtml(key, values[index]!)]))
      this.splices.push({ ...span, html: own.join(lineBreakAt(this.text, span.start)) })
    }
  }

  private addMissing(written: ReadonlySet<string>): void {
    const hasTitle = this.facts.at.title !== null
    const missing = [...this.edits].flatMap(([key, value]) => {
      if (value === null || written.has(key) || key === LANGUAGE || key === RICH_NAME) return []
      if (key === 'title') return hasTitle ? [] : [titleHtml(value)]
      if (key === CANONICAL) return this.canonicals().length > 0 ? [] : [canonicalHtml(value)]
      return [metaHtml(key, value)]
    })
    if (missing.length === 0) return
    const structured = missing.filter((html) => html.includes('="og:image:'))
    const picture = this.facts.metas.find(({ key }) => key === 'og:image')
    if (picture && structured.length > 0 && this.edits.get('og:image') !== null) {
      this.insertAfter(this.tagAt(picture), structured)
      this.insertAfter(
        this.anchor(),
        missing.filter((html) => !structured.includes(html)),
      )
    } else this.insertAfter(this.anchor(), missing)
  }

  /** The tag that new ones follow; without any, the start of the head. */
  private anchor(): { start: number; end: number } {
    const anchor = anchorOf(this.facts)
    if (!anchor) return this.startOfHead()
    const isTitle = anchor === this.facts.at.title
    return isTitle ? this.titleAt(anchor) : this.tagAt(anchor)
  }

  /** What a tag may follow without moving anything: doctype, comments, `<html>`, `<head>`. */
  private startOfHead(): { start: number; end: number } {
    return this.leadingTags().at(-1)?.span ?? { start: 0, end: 0 }
  }

  /** One of the tags that may stand before a head's first one; null where it does not. */
  private leadingTag(name: string): { start: number; end: number } | null {
    return this.leadingTags().find((one) => one.name === name)?.span ?? null
  }

  private leadingTags(): { name: string; span: { start: number; end: number } }[] {
    const { text } = this
    const found: { name: string; span: { start: number; end: number } }[] = []
    for (;;) {
      let start = found.at(-1)?.span.end ?? 0
      while (isSpace(text.charCodeAt(start))) start++
      if (text[start] !== '<') return found
      const isComment = text.startsWith('!--', start + 1)
      const name = isComment ? '!--' : LEADING.find((one) => isNameAt(text, one, start + 1))
      if (name === undefined) return found
      const after = start + 1 + name.length
      const end = isComment ? endOfComment(text, after) : endOfTag(text, after)
      if (end < 0) return found
      found.push({ name, span: { start, end } })
      if (name === 'head') return found
    }
  }

  private insertAfter({ start, end }: { start: number; end: number }, tags: string[]): void {
    const between = lineBreakAt(this.text, start)
    const removal = this.splices.find((splice) => splice.html === '' && splice.start <= start && splice.end >= end)
    if (removal && end > 0) {
      // The tag that they should follow goes: they take its place.
      Object.assign(removal, { start, end, html: tags.join(between) })
      return
    }
    const isAtStart = end === 0
    for (const html of [...tags].reverse()) {
      this.splices.push({ start: end, end, html: isAtStart ? `${html}\n` : between + html })
    }
  }
}

/**
 * A built page with its tags replaced in place, every other byte as it was.
 *
 * Tags keep their other attributes; a new tag follows the cards' last one, indented like it; one that goes takes its
 * line along. A file whose bytes can't be written back exactly is refused, with the reason.
 */
export function patchPage(bytes: Uint8Array, edits: TagEdits, contentType: string | null = null): Patch {
  for (const [key, value] of edits) {
    const unfit = value === null ? null : unfitIn(value)
    if (unfit !== null)
      return { kind: 'refused', why: `The draft of ${key} holds ${unfit}, which no page can carry. Type it again.` }
  }
  const html = decodeHtml(bytes, contentType)
  const { facts } = readPage(html)
  const patch = new PagePatch(html.text, facts, edits, !html.encoding.startsWith('utf-'))
  if (patch.hasOpenTitle) {
    return {
      kind: 'refused',
      why: 'Its title is never closed, so the rest of the file is part of it. Close it with </title>.',
    }
  }
  const after = patch.patched()
  if (after === html.text) return { kind: 'patched', bytes, before: html.text, after }
  const whole = patchedBytes(bytes, html, after, patch.splices)
  return typeof whole === 'string'
    ? { kind: 'refused', why: whole }
    : { kind: 'patched', bytes: whole, before: html.text, after }
}
