import type { Finding, Level } from '@/core/model'
import type { Face } from '@/core/surface'
import { ownEntry } from '@/core/text'
import type { WallRow } from './database'
import { Once, readPacked } from './packed'

/** Rows that are kept together. More would hold the main thread for longer than a frame. */
export const ROWS_A_PART = 100

/** A card in short without the two texts that hardly any two pages share. */
type Shape = Omit<Face, 'title' | 'description'>

/** A row in numbers: of what its part has once, and of its own texts. */
type PackedRow = {
  url: string
  /** The path, or at which character of the address it begins. */
  path: string | number
  section: number
  status: number | null
  findings: number[]
  texts: string[]
  /** Of each card its surface, its shape, its title and its description, in turn. */
  cards: number[]
  others?: number[]
  digest?: string | null
  aliases?: string[]
}

/** Rows that are kept together. What many of them have alike stands in it once. null: a place that has no row. */
type PackedRows = {
  sections: string[]
  findings: Finding[]
  surfaces: string[]
  shapes: Shape[]
  rows: (PackedRow | null)[]
}

class Packer {
  private readonly sections = new Once<string>()
  private readonly findings = new Once<Finding>()
  private readonly surfaces = new Once<string>()
  private readonly shapes = new Once<Shape>()

  pack(rows: readonly (WallRow | null)[]): PackedRows {
    const packed = rows.map((row) => row && this.row(row))
    const [sections, findings, surfaces, shapes] = [this.sections, this.findings, this.surfaces, this.shapes]
    return {
      sections: sections.values,
      findings: findings.values,
      surfaces: surfaces.values,
      shapes: shapes.values,
      rows: packed,
    }
  }

  private row({ url, path, section, status, findings, faces, otherFaces, digest, aliases }: WallRow): PackedRow {
    const texts = new Once<string>()
    return {
      url,
      path: path.length > 1 && url.endsWith(path) ? url.length - path.length : path,
      section: this.sections.numberOf(section, section),
      status,
      findings: findings.map((finding) => this.findings.numberOf(finding, JSON.stringify(finding))),
      cards: this.cards(faces, texts),
      ...(otherFaces && { others: this.cards(otherFaces, texts) }),
      texts: texts.values,
      ...(digest !== undefined && { digest }),
      ...(aliases !== undefined && { aliases }),
    }
  }

  private cards(faces: Record<string, Face>, texts: Once<string>): number[] {
    return Object.entries(faces).flatMap(([surface, { title, description, ...shape }]) => [
      this.surfaces.numberOf(surface, surface),
      this.shapes.numberOf(shape, JSON.stringify(shape)),
      texts.numberOf(title, title),
      texts.numberOf(description, description),
    ])
  }
}

/**
 * Rows as they are kept: one text for all of a part.
 * @param rows by their places; null where there is none
 */
export const packRows = (rows: readonly (WallRow | null)[]): string => JSON.stringify(new Packer().pack(rows))

const FIELDS_OF_CARD = 4

function facesOf({ surfaces, shapes }: PackedRows, texts: readonly string[], cards: readonly number[]) {
  const faces: Record<string, Face> = {}
  for (let at = 0; at < cards.length; at += FIELDS_OF_CARD) {
    const [surface, shape, title, description] = [cards[at]!, cards[at + 1]!, cards[at + 2]!, cards[at + 3]!]
    faces[surfaces[surface]!] = { ...shapes[shape]!, title: texts[title]!, description: texts[description]! }
  }
  return faces
}

/** Where a row that was unpacked tells its marks. Not among what is copied with it: another may have other faces. */
const MARKS = Symbol('marks')

/** What a wall is narrowed by: read for all rows, of which most are never drawn. */
export type Marks = Pick<Face, 'traits' | 'image'>

type Marked = { [MARKS]?: (surface: string) => Marks | undefined }

/** What a wall is narrowed by on a surface; undefined where the row has no card of it. */
export function marksOf(row: WallRow, surface: string): Marks | undefined {
  const marks = (row as Marked)[MARKS]
  return marks ? marks(surface) : ownEntry(row.faces, surface)
}

function shapeOn(surface: string, { surfaces, shapes }: PackedRows, cards: readonly number[]): Shape | undefined {
  const wanted = surfaces.indexOf(surface)
  for (let at = 0; at < cards.length; at += FIELDS_OF_CARD) if (cards[at] === wanted) return shapes[cards[at + 1]!]
  return undefined
}

/** Faces are made when they are asked for: most rows of a large run are never seen. */
function unpackRow(run: string, order: number, part: PackedRows, row: PackedRow): WallRow {
  const { url, path, status, texts, cards, others, digest, aliases } = row
  const findings = row.findings.map((number) => part.findings[number]!)
  const levels: Record<Level, number> = { error: 0, warning: 0, note: 0 }
  for (const { level } of findings) levels[level]++
  let faces: Record<string, Face> | undefined
  let otherFaces: Record<string, Face> | undefined
  const unpacked: WallRow = {
    run,
    url,
    path: typeof path === 'number' ? url.slice(path) : path,
    order,
    section: part.sections[row.section]!,
    status,
    levels,
    findings,
    get faces() {
      faces ??= facesOf(part, texts, cards)
      return faces
    },
    get otherFaces() {
      otherFaces ??= others && facesOf(part, texts, others)
      return otherFaces
    },
    digest,
    aliases,
  }
  return Object.defineProperty(unpacked, MARKS, { value: (surface: string) => shapeOn(surface, part, cards) })
}

/**
 * Rows of a part, by their places.
 * @param from the place of the part's first row
 * @param only places that are asked for; all where it isn't given
 */
export function unpackRows(run: string, from: number, text: string, only?: ReadonlySet<number>): (WallRow | null)[] {
  const part = readPacked<PackedRows>(text)
  return part.rows.map((row, index) =>
    row && (only?.has(from + index) ?? true) ? unpackRow(run, from + index, part, row) : null,
  )
}
