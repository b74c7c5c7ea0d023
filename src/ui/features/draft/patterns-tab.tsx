'use client'

import { clsx } from 'clsx'
import { useMemo, useState } from 'react'
import { fitsCards, fitsSearch, parsePattern, patternValues, renderTitle, type SectionDefaults } from '@/core/draft'
import { firstValue } from '@/core/surface'
import { groupBy } from '@/core/text'
import { count } from '../../kit/words'
import { doStep } from '../../state/draft/draft-history'
import type { DraftsProps } from './drafts-props'
import { faultOf, PatternField } from './pattern-field'
import { type ReadPage, usePages } from './use-pages'

type Which = 'titlePattern' | 'cardTitlePattern'

/** Titles of a section by a pattern, seen on every page of it before it holds. */
export function PatternsTab({ run, rows, site, defaults }: DraftsProps) {
  const sections = useMemo(
    () => [...groupBy(rows, ({ section }) => section)].filter(([, list]) => list.length > 1),
    [rows],
  )
  const [chosen, setChosen] = useState<string | null>(null)
  const section = chosen ?? sections[0]?.[0] ?? null
  const urls = useMemo(() => rows.filter((row) => row.section === section).map(({ url }) => url), [rows, section])
  const pages = usePages(run.id, urls)
  if (section === null)
    return <p className="p-5 text-quiet">No section of this run has more than one page: there is no pattern to set.</p>
  const own = defaults.sections[section] ?? {}
  const set = (which: Which, value: string) => {
    const change: SectionDefaults = { ...own, [which]: value === '' ? undefined : value }
    void doStep(
      {
        site,
        label: `pattern of ${section}`,
        drafts: [],
        defaults: { before: defaults, after: { ...defaults, sections: { ...defaults.sections, [section]: change } } },
      },
      `${which} ${section}`,
    )
  }
  return (
    <div className="grid h-full grid-cols-[200px_minmax(0,1fr)] max-md:block max-md:overflow-auto">
      <nav aria-label="Sections" className="overflow-auto border-r border-line px-3 py-3">
        {sections.map(([name, list]) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === section}
            onClick={() => setChosen(name)}
            className={clsx(
              'flex w-full items-baseline rounded px-2 py-[5px] text-left font-mono text-small',
              name === section ? 'bg-pick-soft font-semibold' : 'hover:bg-soft',
            )}
          >
            <span className="truncate">{name}</span>
            <span className="ml-auto text-quiet">{list.length}</span>
            {defaults.sections[name]?.titlePattern && <span className="sr-only">has a pattern</span>}
          </button>
        ))}
      </nav>
      <div className="flex min-h-0 flex-col">
        <div className="grid shrink-0 gap-4 border-b border-line px-5 py-4 md:grid-cols-2">
          <PatternField
            name="Page title (<title>)"
            value={own.titlePattern ?? ''}
            onChange={(value) => set('titlePattern', value)}
          />
          <PatternField
            name="Card title (og:title)"
            value={own.cardTitlePattern ?? ''}
            onChange={(value) => set('cardTitlePattern', value)}
          />
        </div>
        {pages ? (
          <Preview
            pages={pages}
            section={section}
            titlePattern={own.titlePattern}
            cardTitlePattern={own.cardTitlePattern}
            siteName={defaults.siteName ?? null}
          />
        ) : (
          <p className="p-5 text-quiet">Reading the pages …</p>
        )}
      </div>
    </div>
  )
}

type PreviewProps = {
  pages: ReadPage[]
  section: string
  titlePattern: string | undefined
  cardTitlePattern: string | undefined
  siteName: string | null
}

/** Every page of the section with its title as it is and as it would be, those that are cut or collide first. */
function Preview({ pages, section, titlePattern, cardTitlePattern, siteName }: PreviewProps) {
  const isCard = !titlePattern && Boolean(cardTitlePattern)
  const source = isCard ? cardTitlePattern : titlePattern
  const pattern = source && !faultOf(source) ? parsePattern(source) : null
  const name = siteName ?? pages.map(({ facts }) => firstValue(facts, 'og:site_name')).find(Boolean) ?? null
  const fits = isCard ? fitsCards : fitsSearch
  const made = pages.map((page) => {
    const before = isCard ? firstValue(page.facts, 'og:title') : page.facts.title
    const after = pattern ? renderTitle(pattern, patternValues(page, section, name), fits) : (before ?? '')
    return { page, before, after, isCut: !fits(after) }
  })
  const counts = groupBy(made, ({ after }) => after)
  const lines = made.map((one) => ({ ...one, isSame: (counts.get(one.after)?.length ?? 0) > 1 }))
  const cut = lines.filter(({ isCut }) => isCut).length
  const same = lines.filter(({ isSame }) => isSame).length
  const ordered = lines.sort((a, b) => Number(b.isSame) - Number(a.isSame) || Number(b.isCut) - Number(a.isCut))
  return (
    <section aria-label="Titles of the section" tabIndex={0} className="min-h-0 flex-1 overflow-auto">
      <p className="px-5 py-2 text-quiet">
        {pattern ? 'With the pattern' : 'As built'}: {count(lines.length, 'page')},{' '}
        {cut === 0 ? 'none cut' : `${cut} cut`} {isCard ? 'on the wide feed' : 'in a search result'},{' '}
        {same === 0 ? 'no two the same' : `${same} share a title with another`}.
      </p>
      <table className="w-full text-left text-small">
        <thead className="sticky top-0 bg-soft text-small">
          <tr>
            <th className="px-5 py-[5px]">Page</th>
            <th className="px-2 py-[5px]">As built</th>
            <th className="px-5 py-[5px]">{pattern ? 'By the pattern' : ''}</th>
          </tr>
        </thead>
        <tbody>
          {ordered.map(({ page, before, after, isCut, isSame }) => (
            <tr key={page.url} className="border-t border-line align-top">
              <td className="px-5 py-[5px] font-mono text-fine">{new URL(page.url).pathname}</td>
              <td className="px-2 py-[5px] text-quiet">{before ?? 'none'}</td>
              <td className="px-5 py-[5px]">
                {pattern && after}
                {isSame && <span className="ml-2 text-fine font-semibold text-wrong">▲ same as another</span>}
                {isCut && <span className="ml-2 text-fine font-semibold text-warn">◆ cut</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
