import { checkOf } from '@/core/check'
import { ownEntry } from '@/core/text'
import type { WallRow } from '@/store/database'
import { marksOf } from '@/store/packed-rows'
import { nextTask } from '../short-tasks'
import { type RouteState, type Sort, type Symptom, symptoms } from '../view/view'

/** A picture on so many cards is one that everybody sees too often. */
const SAME_PICTURE_FROM = 3

/** Rows with the cards of the other side, as it stands or as launched, where the two differ. */
export function rowsAs(rows: WallRow[], isOther: boolean): WallRow[] {
  if (!isOther) return rows
  return rows.map((row) => (row.otherFaces ? { ...row, faces: { ...row.faces, ...row.otherFaces } } : row))
}

/** Surfaces on which a page's card differs from that of the baseline, by page; new pages differ on all. */
export type Changes = ReadonlyMap<string, ReadonlySet<string>>

/** A row with what changed since the baseline, where that is known. */
export type ShownRow = WallRow & { changed?: ReadonlySet<string> }

/** Rows with what changed; the rows themselves while nothing is known of it. */
export function withChanges(rows: WallRow[], changes: Changes | null): ShownRow[] {
  if (changes === null || changes.size === 0) return rows
  return rows.map((row) => {
    const changed = changes.get(row.url)
    return changed ? { ...row, changed } : row
  })
}

/** Pictures by how many cards of one surface show them. */
function pictureUses(rows: readonly WallRow[], surface: string): Map<string, number> {
  const uses = new Map<string, number>()
  for (const row of rows) {
    const url = marksOf(row, surface)?.image
    if (url) uses.set(url, (uses.get(url) ?? 0) + 1)
  }
  return uses
}

/** Does a page show this symptom on this surface? */
function hasSymptom(row: ShownRow, symptom: Symptom, surface: string, uses: ReadonlyMap<string, number>): boolean {
  if (symptom === 'errors') return row.levels.error > 0
  if (symptom === 'changed') return row.changed?.has(surface) ?? false
  const marks = marksOf(row, surface)
  switch (symptom) {
    case 'fell-back':
      return marks?.traits.includes('fell-back') ?? false
    case 'text-cut':
      return marks?.traits.includes('text-cut') ?? false
    case 'no-picture':
      return (marks?.traits.includes('no-picture') || marks?.traits.includes('bare')) ?? false
    case 'same-picture':
      return (uses.get(marks?.image ?? '') ?? 0) >= SAME_PICTURE_FROM
  }
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

const ORDER: Record<Sort, (a: WallRow, b: WallRow) => number> = {
  worst: (a, b) => b.levels.error - a.levels.error || b.levels.warning - a.levels.warning || a.order - b.order,
  address: (a, b) => compare(a.path, b.path),
  found: (a, b) => a.order - b.order,
}

/** Does the page's address or its card's text hold all words that were searched for? */
function isFound(row: WallRow, surface: string, words: readonly string[]): boolean {
  if (words.length === 0) return true
  const face = ownEntry(row.faces, surface)
  const text = `${row.path} ${face?.title ?? ''} ${face?.description ?? ''}`.toLowerCase()
  return words.every((word) => text.includes(word))
}

const wordsOf = (search: string) =>
  search
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')

/** Rows that a view shows, in its order. */
export function selectRows(
  rows: readonly WallRow[],
  view: Pick<RouteState, 'surface' | 'section' | 'symptoms' | 'search' | 'sort'>,
): WallRow[] {
  const { surface, section, symptoms, search, sort } = view
  // Nothing narrows the wall: all are shown, and no row has to be looked at.
  if (section === null && symptoms.length === 0 && search.trim() === '') return sorted(rows, sort)
  const uses = symptoms.includes('same-picture') ? pictureUses(rows, surface) : new Map<string, number>()
  const words = wordsOf(search)
  return sorted(rows, sort).filter(
    (row) =>
      (section === null || row.section === section) &&
      symptoms.every((symptom) => hasSymptom(row, symptom, surface, uses)) &&
      isFound(row, surface, words),
  )
}

/** Orders of the rows read last: no order depends on the surface, and sorting ten thousand rows takes a frame or two. */
const orders = new WeakMap<readonly WallRow[], Partial<Record<Sort, WallRow[]>>>()

function sorted(rows: readonly WallRow[], sort: Sort): WallRow[] {
  const known = orders.get(rows) ?? {}
  orders.set(rows, known)
  known[sort] ??= [...rows].sort(ORDER[sort])
  return known[sort]
}

/** Counts by rows and surface: a surface that is chosen a second time has them already. */
const counted = new WeakMap<readonly WallRow[], Map<string, Record<Symptom, number>>>()

/** How many rows show each symptom, within a section. */
export function countSymptoms(
  rows: readonly WallRow[],
  surface: string,
  symptoms: readonly Symptom[],
): Record<Symptom, number> {
  const known = counted.get(rows) ?? new Map<string, Record<Symptom, number>>()
  counted.set(rows, known)
  const counts = known.get(surface) ?? countAnew(rows, surface, symptoms)
  known.set(surface, counts)
  return counts
}

function countAnew(rows: readonly WallRow[], surface: string, symptoms: readonly Symptom[]): Record<Symptom, number> {
  const uses = pictureUses(rows, surface)
  const counts = Object.fromEntries(symptoms.map((symptom) => [symptom, 0])) as Record<Symptom, number>
  for (const row of rows) for (const symptom of symptoms) if (hasSymptom(row, symptom, surface, uses)) counts[symptom]++
  return counts
}

type Narrowing = Pick<RouteState, 'surface' | 'section' | 'symptoms' | 'search'>

/**
 * How many cards would be shown with each symptom chosen beside those that are: the counts follow section, search and
 * symptoms, as the wall itself does. `all`: without any symptom.
 */
export function countWithin(
  rows: readonly WallRow[],
  { surface, section, symptoms: chosen, search }: Narrowing,
  symptoms: readonly Symptom[],
): Record<Symptom, number> & { all: number } {
  if (section === null && chosen.length === 0 && search.trim() === '')
    return { ...countSymptoms(rows, surface, symptoms), all: rows.length }
  const uses = pictureUses(rows, surface)
  const words = wordsOf(search)
  const counts = { all: 0, ...Object.fromEntries(symptoms.map((symptom) => [symptom, 0])) } as Record<
    Symptom | 'all',
    number
  >
  for (const row of rows) {
    if ((section !== null && row.section !== section) || !isFound(row, surface, words)) continue
    counts.all++
    if (!chosen.every((symptom) => hasSymptom(row, symptom, surface, uses))) continue
    for (const symptom of symptoms) if (hasSymptom(row, symptom, surface, uses)) counts[symptom]++
  }
  return counts
}

type SectionOfRows = { section: string; rows: WallRow[] }

const grouped = new WeakMap<readonly WallRow[], SectionOfRows[]>()

/** The home page first, then sections of several pages, then pages that stand alone; each in the order of its path. */
export function groupSections(rows: readonly WallRow[]): SectionOfRows[] {
  const known = grouped.get(rows) ?? inSections(rows)
  grouped.set(rows, known)
  return known
}

function inSections(rows: readonly WallRow[]): SectionOfRows[] {
  const groups = new Map<string, WallRow[]>()
  for (const row of rows) {
    const group = groups.get(row.section)
    if (group) group.push(row)
    else groups.set(row.section, [row])
  }
  const list = [...groups].map(([section, ofSection]) => ({ section, rows: ofSection }))
  const rank = ({ section, rows: inside }: (typeof list)[number]) => (section === '/' ? 0 : inside.length > 1 ? 1 : 2)
  return list.sort((a, b) => rank(a) - rank(b) || compare(a.section, b.section))
}

/**
 * Works out what a wall of many rows is drawn from before it is drawn, each thing in a task of its own.
 * @param rest what is waited for between two of them
 */
export async function prepareWall(
  rows: readonly WallRow[],
  { sort, surface }: Pick<RouteState, 'sort' | 'surface'>,
  rest: () => Promise<void> = nextTask,
): Promise<void> {
  for (const work of [
    () => sorted(rows, sort),
    () => groupSections(rows),
    () => countSymptoms(rows, surface, symptoms),
  ]) {
    await rest()
    work()
  }
}

/** What most deserves a word under a card: its worst finding in two or three words, else its symptom. */
export function badgeOf(
  row: WallRow,
  surface: string,
): { level: 'error' | 'warning' | 'note' | 'clear'; text: string } {
  const worst = row.findings[0]
  if (worst) return { level: worst.level, text: checkOf(worst.rule)?.label ?? worst.rule }
  const traits = ownEntry(row.faces, surface)?.traits ?? []
  if (traits.includes('bare')) return { level: 'note', text: 'bare link' }
  if (traits.includes('fell-back')) return { level: 'note', text: 'fell back' }
  return { level: 'clear', text: 'clear' }
}
