import type { SourceLine } from '../../model'
import { collapseWhiteSpace } from '../../text'
import { IN_UNSEEN, TEXT_SHIFT } from './open-elements'
import type { TextRun } from './tree'

/** A paragraph shorter than this is a label or a date, no sentence about the page. */
const PARAGRAPH_CHARACTERS = 20
/** Texts open inside each other: a title, a heading, and paragraphs by way of buttons and objects. */
const MAX_OPEN = 10

/** Characters are code points: each has one or two units. */
function isParagraph(text: string): boolean {
  if (text.length >= 2 * PARAGRAPH_CHARACTERS) return true
  return text.length >= PARAGRAPH_CHARACTERS && [...text].length >= PARAGRAPH_CHARACTERS
}

type Kind = 'title' | 'h1' | 'paragraph' | 'mainParagraph'

/** Where an element starts; `start` is the offset of its tag within the page. */
export type TextStart = { start: number; line: number; column: number }

/** The text inside an element, and the row of source that shows its tag. */
export type CapturedText = TextStart & { endByte: number; text: string; row: SourceLine | null }

type RowAt = (text: TextStart) => SourceLine | null

/** `outer` is the number of the text around it that it is a part of; 0 where it is unseen there. */
type Open = CapturedText & { tag: number; kind: Kind; outer: number }

/** Gathers the texts of the title, the heading and the first paragraphs while their elements are open. */
export class CapturedTexts {
  title: CapturedText | null = null
  h1: CapturedText | null = null
  paragraph: CapturedText | null = null
  mainParagraph: CapturedText | null = null
  /** By number less one; a number is given again once its element is closed. */
  private readonly slots: (Open | null)[] = []
  private openCount = 0

  get isAnyOpen(): boolean {
    return this.openCount > 0
  }

  /** True when no further paragraph can become the first. */
  isSettled(isMain: boolean): boolean {
    return this.mainParagraph !== null || (!isMain && this.paragraph !== null)
  }

  /** Forgets what was found in a body that is no more. */
  forget(): void {
    this.h1 = null
    this.paragraph = null
    this.mainParagraph = null
  }

  /** The texts themselves are cut from the page's, and hold on to it: where they stand is all that is kept. */
  release(): void {
    for (const text of [this.title, this.h1, this.paragraph, this.mainParagraph]) if (text) text.text = ''
  }

  /** @returns the text's number; 0 when too many are open */
  open(tag: number, kind: Kind, context: number, at: TextStart): number {
    let slot = this.slots.indexOf(null)
    if (slot < 0) slot = this.slots.length
    if (slot >= MAX_OPEN) return 0
    const outer = (context & IN_UNSEEN) === 0 ? context >>> TEXT_SHIFT : 0
    const { start, line, column } = at
    const text: Open = { tag, kind, start, line, column, row: null, endByte: 0, text: '', outer }
    this.slots[slot] = text
    this.openCount++
    if (kind === 'title' || kind === 'h1') this[kind] = text
    return slot + 1
  }

  tagOf(number: number): number {
    return this.slots[number - 1]?.tag ?? 0
  }

  add(context: number, run: TextRun): void {
    if (context >>> TEXT_SHIFT !== 0) this.addText(context, run.value)
  }

  /** Adds what stands in `context` to the text it belongs to, and to those around it. */
  addText(context: number, text: string): void {
    if ((context & IN_UNSEEN) !== 0) return
    for (let number = context >>> TEXT_SHIFT; number !== 0; ) {
      const slot = this.slots[number - 1]
      if (!slot) return
      slot.text += text
      number = slot.outer
    }
  }

  /** Makes the rows of texts still open, before the source that holds their tags is let go of. */
  keepRows(rowAt: RowAt): void {
    for (const text of this.slots) if (text) text.row ??= rowAt(text)
  }

  close(number: number, endByte: () => number, rowAt: RowAt): void {
    const text = this.slots[number - 1]
    if (!text) return
    this.slots[number - 1] = null
    this.openCount--
    if (text.kind === 'title' || text.kind === 'h1') this.finish(text, endByte, rowAt)
    else if (isParagraph(collapseWhiteSpace(text.text))) {
      const found = this[text.kind]
      // An inner paragraph closes before the one around it, which comes first on the page.
      if (found && found.start < text.start) return
      this.finish(text, endByte, rowAt)
      this[text.kind] = text
    }
  }

  private finish(text: CapturedText, endByte: () => number, rowAt: RowAt): void {
    text.endByte = endByte()
    text.row ??= rowAt(text)
  }
}
