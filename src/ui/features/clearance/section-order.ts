import { createSectionFinder, type Requirements, type SectionRule } from '@/core/requirements'

/** What a section's pages are told by: the pages' own section and path. */
export type SectionedPage = { path: string; section: string }

/** A row of the table: a section with its pages. `isOwn`: the requirements name it. */
export type SectionRow<P> = { section: string; pages: P[]; isOwn: boolean }

/** Sections in the order in which they were found, and behind them those of the requirements that hold no page. */
export function sectionRows<P extends SectionedPage>(pages: readonly P[], requirements: Requirements): SectionRow<P>[] {
  const named = requirements.sections ?? {}
  const rows = new Map<string, SectionRow<P>>()
  const rowOf = (section: string) => {
    const row = rows.get(section) ?? { section, pages: [], isOwn: section in named }
    rows.set(section, row)
    return row
  }
  for (const page of pages) rowOf(page.section).pages.push(page)
  for (const section of Object.keys(named)) rowOf(section)
  return [...rows.values()]
}

/** Without what was set back to nothing. */
const tidyRule = (rule: SectionRule): SectionRule =>
  Object.fromEntries(
    Object.entries(rule).filter(([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0)),
  )

/**
 * Requirements with a section's rule changed; a section that was not named before is put behind those that are named.
 * Sections that its glob would swallow, such as `/docs/reference/*` by `/docs/*`, are named before it: they stay
 * sections of their own.
 */
export function withSection(
  requirements: Requirements,
  section: string,
  change: Partial<SectionRule>,
  pages: readonly SectionedPage[],
): Requirements {
  const named = requirements.sections ?? {}
  const rule = tidyRule({ ...named[section], ...change })
  if (section in named) return { ...requirements, sections: { ...named, [section]: rule } }
  const holds = createSectionFinder({ sections: { [section]: {} } })
  const swallowed = new Set(
    pages.flatMap((page) =>
      page.section !== section && !(page.section in named) && holds([page.path], null) ? page.section : [],
    ),
  )
  // A glob that somebody writes is meant to gather what was found apart; one that we found is not.
  const isFound = pages.some((page) => page.section === section)
  const kept = isFound ? [...swallowed].map((one) => [one, {}] as const) : []
  return { ...requirements, sections: { ...named, ...Object.fromEntries(kept), [section]: rule } }
}

/** Requirements in which a section is not named: its pages go where we find them. */
export function withoutSection(requirements: Requirements, section: string): Requirements {
  const { [section]: _gone, ...sections } = requirements.sections ?? {}
  return { ...requirements, sections }
}

/** A glob of somebody's own before all others: what it holds is taken out of them. */
export function withOwnSection(requirements: Requirements, glob: string): Requirements {
  const { [glob]: known = {}, ...others } = requirements.sections ?? {}
  return { ...requirements, sections: { [glob]: known, ...others } }
}

/** What is wrong with a glob that is typed; null when it can stand. */
export function globFault(glob: string): string | null {
  if (!glob.startsWith('/')) return 'A section is a path and begins with /.'
  return /\s/.test(glob) ? 'An address has no spaces.' : null
}
