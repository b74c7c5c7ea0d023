import type { Level } from '../model'
import { addTo } from '../text'

/** What is known of a page that may stand for its section. */
export type SampledPage = { url: string; section: string; levels: Record<Level, number> }

/** Why a page stands for its section. */
type SampleKind = 'worst' | 'typical' | 'best'
export type Sample<P> = { kind: SampleKind; page: P }
export type SectionSample<P> = { section: string; pages: number; errors: number; samples: Sample<P>[] }

/** One error weighs more than any number of warnings that a page can have, and so on. */
const weightOf = ({ levels }: SampledPage) => levels.error * 1_000_000 + levels.warning * 1000 + levels.note

/**
 * For each section the worst page, the most typical and the best: what somebody has to see to say yes. Of fewer than
 * three pages each stands for itself. Sections with most in the way come first, then the largest.
 */
export function sampleSections<P extends SampledPage>(pages: readonly P[]): SectionSample<P>[] {
  const bySection = new Map<string, P[]>()
  for (const page of pages) addTo(bySection, page.section, page)
  const sections = [...bySection].map(([section, own]): SectionSample<P> => {
    const ordered = [...own].sort((a, b) => weightOf(b) - weightOf(a))
    const picked: [SampleKind, P | undefined][] = [
      ['worst', ordered[0]],
      ['typical', ordered[Math.floor(ordered.length / 2)]],
      ['best', ordered.at(-1)],
    ]
    const seen = new Set<string>()
    const samples = picked.flatMap(([kind, page]): Sample<P>[] => {
      if (!page || seen.has(page.url)) return []
      seen.add(page.url)
      return [{ kind, page }]
    })
    return { section, pages: own.length, samples, errors: own.reduce((sum, { levels }) => sum + levels.error, 0) }
  })
  return sections.sort((a, b) => b.errors - a.errors || b.pages - a.pages || (a.section < b.section ? -1 : 1))
}
