'use client'

import { clsx } from 'clsx'
import { useMemo, useState } from 'react'
import {
  fitsCards,
  fitsDescription,
  fitsSearch,
  parsePattern,
  patternValues,
  renderTitle,
  type SectionDefaults,
  titleNames,
} from '@/core/draft'
import { firstValue } from '@/core/surface'
import { groupBy } from '@/core/text'
import { count } from '../../kit/words'
import { doStep, undoStep, useHistory } from '../../state/draft/draft-history'
import type { DraftsProps } from './drafts-props'
import { faultOf, PatternField } from './pattern-field'
import { type ReadPage, usePages } from './use-pages'

const WHICH = ['titlePattern', 'cardTitlePattern', 'descriptionPattern'] as const
type Which = (typeof WHICH)[number]

/** What each pattern makes, and where it has to fit. */
const PATTERNS: Record<
  Which,
  {
    name: string
    noun: string
    example: string
    where: string
    fits: (text: string) => boolean
    part: 'title' | 'description'
  }
> = {
  titlePattern: {
    name: 'Page title (<title>)',
    noun: 'title',
    example: '{title}[ | {site}]1',
    where: 'in a search result',
    fits: fitsSearch,
    part: 'title',
  },
  cardTitlePattern: {
    name: 'Card title (og:title)',
    noun: 'title',
    example: '{title}[ | {site}]1',
    where: 'on the wide feed',
    fits: fitsCards,
    part: 'title',
  },
  descriptionPattern: {
    name: 'Description (description and og:description)',
    noun: 'description',
    example: '{description}[ By {author}.]1',
    where: 'in a search result',
    fits: fitsDescription,
    part: 'description',
  },
}

/** What a page says now of what a pattern makes. */
function builtOf({ facts }: ReadPage, which: Which): string | null {
  if (which === 'titlePattern') return facts.title
  if (which === 'cardTitlePattern') return firstValue(facts, 'og:title')
  return facts.description ?? firstValue(facts, 'og:description')
}

/** Titles and descriptions of a section by a pattern, seen on every page of it before it holds. */
export function PatternsTab({ run, rows, site, drafts, defaults }: DraftsProps) {
  const { undo } = useHistory()
  const [changed, setChanged] = useState<{ section: string; patterns: Partial<Record<Which, string>> } | null>(null)
  const sections = useMemo(
    () => [...groupBy(rows, ({ section }) => section)].filter(([, list]) => list.length > 1),
    [rows],
  )
  const [chosen, setChosen] = useState<string | null>(null)
  const [applied, setApplied] = useState('')
  const [seen, setSeen] = useState<Which | null>(null)
  const section = chosen ?? sections[0]?.[0] ?? null
  const urls = useMemo(() => rows.filter((row) => row.section === section).map(({ url }) => url), [rows, section])
  const pages = usePages(run.id, urls)
  if (section === null)
    return <p className="p-5 text-quiet">No section of this run has more than one page: there is no pattern to set.</p>
  const own = defaults.sections[section] ?? {}
  const typed = changed?.section === section ? changed.patterns : {}
  const patternOf = (which: Which) => typed[which] ?? own[which] ?? ''
  const isChanged = WHICH.some((which) => patternOf(which) !== (own[which] ?? ''))
  const isFaulty = WHICH.some((which) => patternOf(which) !== '' && faultOf(patternOf(which)) !== null)
  const names = titleNames(defaults, section)
  const apply = () => {
    const said = (which: Which) => (patternOf(which) === '' ? undefined : patternOf(which))
    const change: SectionDefaults = { ...own, ...Object.fromEntries(WHICH.map((which) => [which, said(which)])) }
    const { called: _called, ...before } = defaults
    const after = { ...before, sections: { ...before.sections, [section]: change } }
    void doStep({ site, label: `pattern of ${section}`, drafts: [], defaults: { before, after } })
    setChanged(null)
    setApplied(
      `Applied to ${count(urls.length, 'page')} of ${section}. The cards show it, and it goes into every export.`,
    )
  }
  const which = seen ?? WHICH.find((one) => patternOf(one) !== '') ?? 'titlePattern'
  const { part, noun } = PATTERNS[which]
  const overridden = urls.filter((url) => {
    const draft = drafts.get(url)
    return draft?.landedAt === null && typeof draft.fields[part] === 'string'
  }).length
  const change = (of: Which, value: string) => {
    setSeen(of)
    setApplied('')
    setChanged({ section, patterns: { ...typed, [of]: value } })
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
            {WHICH.some((which) => defaults.sections[name]?.[which]) && (
              <span title="has a pattern" className="ml-2 text-pick">
                ●<span className="sr-only"> has a pattern</span>
              </span>
            )}
          </button>
        ))}
      </nav>
      <div className="flex min-h-0 flex-col">
        <div className="grid shrink-0 gap-4 border-b border-line px-5 py-4 md:grid-cols-3">
          {WHICH.map((one) => (
            <PatternField
              key={one}
              name={PATTERNS[one].name}
              example={PATTERNS[one].example}
              value={patternOf(one)}
              isSeen={one === which}
              onSee={() => setSeen(one)}
              onChange={(value) => change(one, value)}
            />
          ))}
          <div className="flex flex-wrap items-center gap-2 md:col-span-3">
            <button type="button" className="button button-main" disabled={!isChanged || isFaulty} onClick={apply}>
              Apply to {count(urls.length, 'page')}
            </button>
            <button type="button" className="button" disabled={!isChanged} onClick={() => setChanged(null)}>
              Leave it
            </button>
            <button type="button" className="button" disabled={undo === null} onClick={() => void undoStep()}>
              Undo
            </button>
            <span className="text-quiet" aria-live="polite">
              {isChanged ? 'Nothing holds before it is applied. ' : applied && `${applied} `}
              {overridden > 0 &&
                `It stands over the drafted ${noun}s of ${count(overridden, 'page')}: what is drafted there becomes its {${part}}.`}
            </span>
          </div>
        </div>
        {pages ? (
          <Preview
            pages={pages}
            section={section}
            which={which}
            source={patternOf(which)}
            drafts={drafts}
            names={names}
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
  which: Which
  source: string
  drafts: DraftsProps['drafts']
  names: readonly (string | null)[]
}

/** Every page of the section with its text as it is and as it would be, those that are cut or collide first. */
function Preview({ pages, section, which, source, drafts, names }: PreviewProps) {
  const { fits, part, noun, where } = PATTERNS[which]
  const pattern = source && !faultOf(source) ? parsePattern(source) : null
  const made = pages.map((page) => {
    const before = builtOf(page, which)
    const values = patternValues(page, section, names)
    const draft = drafts.get(page.url)
    const drafted = draft?.landedAt === null ? draft.fields[part] : null
    const made = pattern && renderTitle(pattern, drafted ? { ...values, [part]: drafted } : values, fits)
    // Of parts that the page has none of there comes no text: what it says stays.
    const isEmpty = pattern !== null && made === ''
    const after = made || (before ?? '')
    return { page, before, after, isEmpty, isCut: !fits(after) }
  })
  const counts = groupBy(made, ({ after }) => after)
  const lines = made.map((one) => ({ ...one, isSame: (counts.get(one.after)?.length ?? 0) > 1 }))
  const cut = lines.filter(({ isCut }) => isCut).length
  const same = lines.filter(({ isSame }) => isSame).length
  const ordered = lines.sort((a, b) => Number(b.isSame) - Number(a.isSame) || Number(b.isCut) - Number(a.isCut))
  return (
    <section
      aria-label={`${noun === 'title' ? 'Titles' : 'Descriptions'} of the section`}
      tabIndex={0}
      className="min-h-0 flex-1 overflow-auto"
    >
      <p className="px-5 py-2 text-quiet">
        {pattern ? 'With the pattern' : 'As built'}: {count(lines.length, 'page')},{' '}
        {cut === 0 ? 'none cut' : `${cut} cut`} {where},{' '}
        {same === 0 ? 'no two the same' : `${same} share a ${noun} with another`}.
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
          {ordered.map(({ page, before, after, isCut, isSame, isEmpty }) => (
            <tr key={page.url} className="border-t border-line align-top">
              <td className="px-5 py-[5px] font-mono text-fine">{new URL(page.url).pathname}</td>
              <td className="px-2 py-[5px] text-quiet">{before ?? 'none'}</td>
              <td className="px-5 py-[5px]">
                {pattern && after}
                {isEmpty && <span className="ml-2 text-fine text-warn">the pattern has nothing here: it stays</span>}
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
