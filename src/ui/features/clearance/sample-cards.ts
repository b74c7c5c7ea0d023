import { addTo } from '@/core/text'
import type { WallRow } from '@/store/database'

/** Why a page stands for its section. */
type SampleKind = 'worst' | 'typical' | 'best'
export type Sample = { kind: SampleKind; row: WallRow }
export type SectionSample = { section: string; pages: number; samples: Sample[] }

/** One error weighs more than any number of warnings that a page can have, and so on. */
const weightOf = ({ levels }: WallRow) => levels.error * 1_000_000 + levels.warning * 1000 + levels.note

/** Sections shown before the rest is asked for: those with most in the way, then the largest. */
const MAX_SECTIONS = 6

/**
 * For each section the worst page, the most typical and the best: what somebody has to see to say yes. Of fewer than
 * three pages each stands for itself.
 */
export function sampleSections(rows: readonly WallRow[]): SectionSample[] {
  const bySection = new Map<string, WallRow[]>()
  for (const row of rows) addTo(bySection, row.section, row)
  const sections = [...bySection].map(([section, own]): SectionSample & { errors: number } => {
    const ordered = [...own].sort((a, b) => weightOf(b) - weightOf(a) || a.order - b.order)
    const picked: [SampleKind, WallRow | undefined][] = [
      ['worst', ordered[0]],
      ['typical', ordered[Math.floor(ordered.length / 2)]],
      ['best', ordered.at(-1)],
    ]
    const seen = new Set<string>()
    const samples = picked.flatMap(([kind, row]): Sample[] => {
      if (!row || seen.has(row.url)) return []
      seen.add(row.url)
      return [{ kind, row }]
    })
    return { section, pages: own.length, samples, errors: own.reduce((sum, { levels }) => sum + levels.error, 0) }
  })
  return sections
    .sort((a, b) => b.errors - a.errors || b.pages - a.pages || (a.section < b.section ? -1 : 1))
    .slice(0, MAX_SECTIONS)
    .map(({ errors: _errors, ...rest }) => rest)
}
