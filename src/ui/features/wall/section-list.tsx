'use client'

import { clsx } from 'clsx'
import { memo, useCallback } from 'react'
import { sectionName } from '@/core/section'
import type { WallRow } from '@/store/database'
import { count } from '../../kit/words'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { groupSections } from '../../state/wall/select-rows'
import { TickStrip } from './tick-strip'

type Props = { rows: WallRow[]; section: RouteState['section']; page: RouteState['page']; goTo: GoTo }

/**
 * Sections as path patterns, each with a tick for every page. They don't depend on the surface: a switch draws none of
 * them again.
 */
export const SectionList = memo(function SectionList({ rows, section: chosen, page, goTo }: Props) {
  const choose = useCallback((row: WallRow) => goTo({ page: row.path }, 'replace'), [goTo])
  const sections = groupSections(rows)
  return (
    <nav
      aria-label="Sections"
      tabIndex={0}
      className="overflow-auto border-r border-line px-3 py-4 max-md:max-h-[128px] max-md:border-b max-md:border-r-0 max-md:py-2"
    >
      <p className="mb-2 px-2 text-small text-quiet">
        {count(rows.length, 'page')} in {count(sections.length, 'section')}
      </p>
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-[2px]">
        {sections.map(({ section, rows: ofSection }) => {
          const isChosen = chosen === section
          return (
            <li
              key={section}
              className={clsx('rounded-card border', isChosen ? 'border-line bg-sheet' : 'border-transparent')}
            >
              <button
                type="button"
                aria-pressed={isChosen}
                onClick={() => goTo({ section: isChosen ? null : section }, 'replace')}
                className="flex w-full items-baseline gap-2 rounded-card px-2 pt-[7px] text-left font-mono text-small"
              >
                <span className="truncate" title={section}>
                  {sectionName(section)}
                </span>
                <span className="ml-auto font-sans text-fine text-quiet">{ofSection.length.toLocaleString('en')}</span>
              </button>
              <TickStrip rows={ofSection} chosen={page} onChoose={choose} />
            </li>
          )
        })}
      </ul>
    </nav>
  )
})
