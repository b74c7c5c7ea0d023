'use client'

import { clsx } from 'clsx'
import { sectionName } from '@/core/section'
import { count } from '../../../kit/words'
import type { ComposeSection } from './compose-sections'

/** Sections, those with most pages to fill first. */
export function SectionList({
  sections,
  chosen,
  templated,
  onChoose,
}: {
  sections: ComposeSection[]
  chosen: string
  /** Sections that have a template. */
  templated: ReadonlySet<string>
  onChoose: (section: string) => void
}) {
  return (
    <ol className="min-h-0 flex-1 overflow-auto px-2 pb-6 max-md:max-h-[30vh]">
      {sections.map(({ section, pages, without, drafted }) => (
        <li key={section}>
          <button
            type="button"
            aria-pressed={section === chosen}
            onClick={() => onChoose(section)}
            className={clsx(
              'w-full rounded-card border px-3 py-2 text-left',
              section === chosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
            )}
          >
            <span className="flex items-baseline gap-2">
              <span className="min-w-0 truncate font-mono text-small font-semibold">{sectionName(section)}</span>
              <span className="ml-auto shrink-0 text-small text-quiet">{count(pages.length, 'page')}</span>
            </span>
            <span className="flex gap-2 text-small">
              {without > 0 ? (
                <span className="text-wrong">{without} without a picture</span>
              ) : (
                drafted === 0 && <span className="text-quiet">every page has a picture</span>
              )}
              {drafted > 0 && <span className="text-quiet">{drafted} drafted</span>}
              {templated.has(section) && <span className="ml-auto text-quiet">template</span>}
            </span>
          </button>
        </li>
      ))}
    </ol>
  )
}
