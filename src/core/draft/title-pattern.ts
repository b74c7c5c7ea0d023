import { nearestWord } from '../text'

/** Parts that a title or a description can be made of. */
export const patternParts = [
  'title',
  'heading',
  'section',
  'site',
  'author',
  'date',
  'category',
  'number',
  'description',
  'paragraph',
] as const
type PatternPart = (typeof patternParts)[number]
export type PatternValues = Partial<Record<PatternPart, string>>

type Piece = { kind: 'text'; text: string } | { kind: 'part'; part: PatternPart }
/** A piece of a title, or a group in brackets. `dropped`: in which turn it goes when the title doesn't fit; null: never. */
type Group = { pieces: Piece[]; isOptional: boolean; dropped: number | null }

export type TitlePattern = { source: string; groups: Group[] }

/** Something in a pattern that can't be read; `at` counts UTF-16 units from 0. */
export class PatternFault extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message)
  }
}

const SPECIAL = new Set(['{', '}', '[', ']', '\\'])

class Reader {
  at = 0
  constructor(readonly source: string) {}

  /** Text and parts up to the end, or up to a `]` where a group is open. */
  pieces(isInGroup: boolean): Piece[] {
    const pieces: Piece[] = []
    let text = ''
    const close = () => {
      if (text !== '') pieces.push({ kind: 'text', text })
      text = ''
    }
    while (this.at < this.source.length) {
      const unit = this.source[this.at]!
      if (unit === '[' || unit === ']') {
        if (isInGroup && unit === '[')
          throw new PatternFault('A group can’t stand in a group: close the first one with ] before.', this.at)
        if (!isInGroup && unit === ']')
          throw new PatternFault('This ] closes nothing. Write \\] for the character itself.', this.at)
        break
      }
      if (unit === '}') throw new PatternFault('This } closes nothing. Write \\} for the character itself.', this.at)
      if (unit === '\\') text += this.escaped()
      else if (unit === '{') {
        close()
        pieces.push({ kind: 'part', part: this.part() })
      } else {
        text += unit
        this.at++
      }
    }
    close()
    return pieces
  }

  private escaped(): string {
    const next = this.source[this.at + 1]
    if (next === undefined || !SPECIAL.has(next))
      throw new PatternFault('A \\ stands before one of { } [ ] \\ only.', this.at)
    this.at += 2
    return next
  }

  private part(): PatternPart {
    const start = this.at
    const end = this.source.indexOf('}', start)
    if (end < 0) throw new PatternFault('This { is never closed.', start)
    const name = this.source.slice(start + 1, end).trim()
    const part = patternParts.find((known) => known === name)
    if (!part) {
      const near = nearestWord(name, patternParts)
      const hint = near ? ` Is ${near} meant?` : ` There are ${patternParts.join(', ')}.`
      throw new PatternFault(
        name === '' ? `A part needs a name.${hint}` : `There is no part “${name}”.${hint}`,
        start + 1,
      )
    }
    this.at = end + 1
    return part
  }

  group(): Group {
    const start = this.at
    this.at++
    const pieces = this.pieces(true)
    if (this.source[this.at] !== ']') throw new PatternFault('This [ is never closed.', start)
    if (!pieces.some(({ kind }) => kind === 'part'))
      throw new PatternFault('A group holds at least one part: else it would always stand or never.', start)
    this.at++
    const digit = /^[1-9]/.exec(this.source.slice(this.at))?.[0]
    if (digit) this.at++
    return { pieces, isOptional: true, dropped: digit ? Number(digit) : null }
  }
}

/**
 * Reads a title pattern: text, parts in braces, and groups in square brackets. A group goes when one of its parts is
 * empty; a digit after the bracket says in which turn it goes when the title doesn't fit. `\` takes a sign as it is.
 *
 * @throws PatternFault that points at the character
 * @example renderTitle(parsePattern('{title}[ · {author}]1[ | {site}]2'), { title: 'Rewire a lamp', site: 'Brasswick' })
 *          // 'Rewire a lamp | Brasswick'
 */
export function parsePattern(source: string): TitlePattern {
  const pattern = parseText(source)
  if (!pattern.groups.some(({ pieces }) => pieces.some(({ kind }) => kind === 'part')))
    throw new PatternFault('Every page would have this same title: put a part into it, {title} for one.', 0)
  return pattern
}

/**
 * Reads a pattern that may be the same on every page.
 *
 * @throws PatternFault that points at the character
 */
export function parseText(source: string): TitlePattern {
  const reader = new Reader(source)
  const groups: Group[] = []
  while (reader.at < source.length) {
    if (source[reader.at] === '[') groups.push(reader.group())
    else groups.push({ pieces: reader.pieces(false), isOptional: false, dropped: null })
  }
  return { source, groups }
}

const partValue = (values: PatternValues, part: PatternPart) => (values[part] ?? '').trim()

const write = (groups: readonly Group[], values: PatternValues) =>
  groups
    .flatMap(({ pieces }) =>
      pieces.map((piece) => (piece.kind === 'text' ? piece.text : partValue(values, piece.part))),
    )
    .join('')
    .trim()

/**
 * The title that a pattern makes of a page's parts. Groups that may go are dropped in their turn until it fits.
 * @param fits does the title fit where it is meant for?
 */
export function renderTitle(
  pattern: TitlePattern,
  values: PatternValues,
  fits: (title: string) => boolean = () => true,
): string {
  const isFilled = (group: Group) =>
    !group.isOptional || group.pieces.every((piece) => piece.kind === 'text' || partValue(values, piece.part) !== '')
  let groups = pattern.groups.filter(isFilled)
  const turns = groups.filter(({ dropped }) => dropped !== null).sort((a, b) => a.dropped! - b.dropped!)
  for (const next of turns) {
    if (fits(write(groups, values))) break
    groups = groups.filter((group) => group !== next)
  }
  return write(groups, values)
}
