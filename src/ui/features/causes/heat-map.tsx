'use client'

import { clsx } from 'clsx'
import { type Coverage, coverageFields, type SectionCoverage } from '@/core/cause'
import { sectionName } from '@/core/section'

const NAMES = {
  title: 'Title',
  description: 'Description',
  picture: 'Picture',
  'picture-alt': 'Alt text',
  type: 'Kind',
  card: 'Card',
  address: 'Address',
  'site-name': 'Site name',
} as const

/** Drawn from the bottom up: what is right stands below. Hatching and height say the state without colour. */
const STATES: { state: Coverage; name: string; look: string }[] = [
  { state: 'own', name: 'its own', look: 'bg-good/70' },
  {
    state: 'shared',
    name: 'shared with others',
    look: 'bg-[repeating-linear-gradient(90deg,var(--warn-tick)_0_3px,transparent_3px_6px)]',
  },
  {
    state: 'fallback',
    name: 'falls back',
    look: 'bg-[repeating-linear-gradient(135deg,var(--warn-tick)_0_2px,transparent_2px_6px)]',
  },
  {
    state: 'empty',
    name: 'empty tag',
    look: 'bg-[repeating-linear-gradient(135deg,var(--wrong)_0_2px,transparent_2px_5px)]',
  },
  { state: 'missing', name: 'missing', look: 'bg-wrong' },
]

/** Sections by fields: what share of the pages has its own, falls back, or has nothing. */
export function HeatMap({
  coverage,
  onSection,
}: {
  coverage: SectionCoverage[]
  onSection: (section: string) => void
}) {
  return (
    <div>
      <p className="mb-3 flex flex-wrap gap-x-4 gap-y-1 text-small text-quiet">
        {STATES.map(({ state, name, look }) => (
          <span key={state} className="flex items-center gap-[6px]">
            <span
              aria-hidden="true"
              className={clsx('inline-block size-[11px] rounded-[2px] border border-line', look)}
            />
            {name}
          </span>
        ))}
      </p>
      <div className="overflow-x-auto">
        <table className="border-separate border-spacing-[3px] text-small">
          <thead>
            <tr>
              <th scope="col" className="pr-2 text-left font-semibold">
                Section
              </th>
              {coverageFields.map((field) => (
                <th key={field} scope="col" className="w-[62px] px-1 pb-1 text-left align-bottom font-semibold">
                  {NAMES[field]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {coverage.map(({ section, pages, fields }) => (
              <tr key={section}>
                <th scope="row" className="pr-2 text-left font-normal">
                  <button
                    type="button"
                    className="max-w-[150px] truncate font-mono text-small hover:underline"
                    onClick={() => onSection(section)}
                  >
                    {sectionName(section)}
                  </button>{' '}
                  <span className="text-quiet">{pages}</span>
                </th>
                {coverageFields.map((field) => (
                  <Cell key={field} counts={fields[field]} pages={pages} />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  )
}

function Cell({ counts, pages }: { counts: Record<Coverage, number>; pages: number }) {
  const words = STATES.filter(({ state }) => counts[state] > 0).map(({ state, name }) => `${counts[state]} ${name}`)
  return (
    <td className="p-0" title={words.join(', ')}>
      <span className="sr-only">{words.join(', ')}</span>
      <span
        aria-hidden="true"
        className="flex h-[30px] w-[62px] flex-col-reverse overflow-hidden rounded-[3px] border border-line bg-sheet"
      >
        {STATES.map(
          ({ state, look }) =>
            counts[state] > 0 && (
              <span key={state} className={look} style={{ height: `${(100 * counts[state]) / pages}%` }} />
            ),
        )}
      </span>
    </td>
  )
}
