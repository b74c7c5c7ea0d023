'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useEffect, useMemo, useState } from 'react'
import type { PictureEntry } from '@/core/check'
import type { SiteColor } from '@/core/image'
import { sectionName } from '@/core/section'
import type { StoredRun } from '@/store/database'
import { rowsOf } from '@/store/rows'
import { templatesOf } from '@/store/templates'
import { Notice } from '../../../kit/notice'
import { count } from '../../../kit/words'
import { useDrafts } from '../../../state/draft/use-drafts'
import { controlledActionOf } from '../../../state/keys/keys'
import type { GoTo } from '../../../state/view/use-view'
import type { RouteState } from '../../../state/view/view'
import { PictureModes } from '../picture-modes'
import { type ComposePage, type ComposeSection, composeSections } from './compose-sections'
import { ComposedGrid } from './composed-grid'
import { ComposedOnce } from './composed-once'
import { ComposedStage } from './composed-stage'
import { FillBar } from './fill-bar'
import { PreviewQueue } from './preview-queue'
import { SectionList } from './section-list'
import { shipFaces } from './shipped-faces'
import { TemplateFiles } from './template-files'
import { TemplatePane } from './template-pane'
import { useComposeAsks } from './use-compose-asks'
import { useSiteColors } from './use-site-colors'
import { useTemplate } from './use-template'

type Props = { view: RouteState; goTo: GoTo; run: StoredRun; book: PictureEntry[] }

/** Share pictures made from a template, for all pages of a section at once. */
export function ComposeArea({ view, goTo, run, book }: Props) {
  const { site } = run.source
  const rows = useLiveQuery(() => rowsOf(run.id), [run.id])
  const drafts = useDrafts(site)
  const sections = useMemo(() => rows && drafts && composeSections(rows, book, drafts), [rows, book, drafts])
  const templated = useLiveQuery(async () => new Set(Object.keys(await templatesOf(site))), [site])
  const [revision, setTurn] = useState(0)
  const [isReady, setIsReady] = useState(false)
  useEffect(() => {
    void shipFaces().finally(() => setIsReady(true))
  }, [])
  const named = sections && (sections.find(({ section }) => section === view.compose) ?? sections[0])?.section
  useEffect(() => {
    // The address names the section from the start: it stays the same whatever is drafted meanwhile.
    if (named && named !== view.compose) goTo({ compose: named }, 'replace')
  }, [named, view.compose, goTo])
  if (!sections || !isReady) return <Notice text="Reading the pages …" />
  const chosen = sections.find(({ section }) => section === named)
  if (!chosen) return <Notice text="No page of this run could be read." />
  const drafted = sections.reduce((sum, one) => sum + one.drafted, 0)
  const without = sections.reduce((sum, one) => sum + one.without, 0)
  return (
    <div className="grid h-full grid-cols-[300px_minmax(0,1fr)_300px] max-lg:grid-cols-[220px_minmax(0,1fr)] max-md:block max-md:overflow-auto">
      <section aria-label="Sections" className="flex min-h-0 flex-col border-r border-line">
        <PictureModes view={view} goTo={goTo} />
        <h1 className="px-3 pb-2 font-semibold">
          {count(without, 'page')} without a picture{drafted > 0 && `, ${drafted} with a draft`}
        </h1>
        <SectionList
          sections={sections}
          chosen={chosen.section}
          templated={templated ?? new Set()}
          onChoose={(compose) => goTo({ compose, page: null }, 'replace')}
        />
        <TemplateFiles site={site} onTaken={() => setTurn((now) => now + 1)} />
      </section>
      <OneSection
        key={`${chosen.section} ${revision}`}
        view={view}
        goTo={goTo}
        run={run}
        section={chosen}
        turn={revision}
      />
    </div>
  )
}

function OneSection({
  view,
  goTo,
  run,
  section,
  turn,
}: {
  view: RouteState
  goTo: GoTo
  run: StoredRun
  section: ComposeSection
  turn: number
}) {
  const colors = useSiteColors(run, section)
  const state = useTemplate(run.source.site, section.section, colors?.[0]?.color ?? null, turn)
  if (!state || colors === undefined) return <Notice text="Reading the template …" />
  return <Composer view={view} goTo={goTo} run={run} section={section} state={state} colors={colors} />
}

function Composer({
  view,
  goTo,
  run,
  section,
  state: { template, isFirst, change, reset, undo },
  colors,
}: {
  view: RouteState
  goTo: GoTo
  run: StoredRun
  section: ComposeSection
  state: NonNullable<ReturnType<typeof useTemplate>>
  colors: readonly SiteColor[]
}) {
  const [once] = useState(() => new ComposedOnce())
  const [queue] = useState(() => new PreviewQueue(once))
  const [hasZone, setHasZone] = useState(true)
  const askFor = useComposeAsks(run, section.section, template)
  // Those that need one come first.
  const pages = useMemo(
    () => [...section.pages].sort((a, b) => Number(a.has !== 'none') - Number(b.has !== 'none')),
    [section],
  )
  const page = pages.find(({ path }) => path === view.page) ?? pages[0]!
  const choose = useCallback(({ path }: ComposePage) => goTo({ page: path }, 'replace'), [goTo])
  const family = template.face.file ?? template.face.family
  const drawing = { shape: template.shape, queue, askFor, family }
  return (
    <>
      <section aria-label="Composed pictures" className="flex min-h-0 min-w-0 flex-col px-4 pt-3">
        <header className="mb-2 flex items-center gap-3">
          <h2 className="min-w-0 truncate font-mono text-lead font-semibold">{sectionName(section.section)}</h2>
          <label className="ml-auto flex items-center gap-2 text-small">
            <input
              type="checkbox"
              className="accent-(--pick)"
              checked={hasZone}
              onChange={({ target }) => setHasZone(target.checked)}
            />
            Show the keep zone
          </label>
        </header>
        <ComposedStage page={page} hasZone={hasZone} places={template.places} {...drawing} />
        <h3 className="pb-1 pt-3 text-small text-quiet">{count(pages.length, 'page')} of the section</h3>
        <ComposedGrid pages={pages} chosen={page.path} onChoose={choose} {...drawing} />
      </section>
      <aside
        onKeyDown={(event) => {
          if (controlledActionOf(event) !== 'undo' || !undo) return
          event.preventDefault()
          // Drafts have an undoing of their own, which listens further out.
          event.nativeEvent.stopPropagation()
          undo()
        }}
        className="flex min-h-0 flex-col border-l border-line bg-sheet max-lg:col-span-2 max-lg:border-l-0 max-lg:border-t"
      >
        <h2 className="flex items-baseline px-4 pb-2 pt-3 font-display text-title font-semibold">
          Template
          <span className="ml-auto flex gap-3 font-sans text-small font-normal">
            {undo && (
              <button type="button" className="text-pick hover:underline" onClick={undo}>
                Undo
              </button>
            )}
            {!isFirst && (
              <button type="button" className="text-pick hover:underline" onClick={reset}>
                Begin again
              </button>
            )}
          </span>
        </h2>
        <div className="min-h-0 flex-1 overflow-auto px-4 pb-3">
          <TemplatePane site={run.source.site} colors={colors} template={template} change={change} />
        </div>
        <FillBar
          key={section.section}
          run={run}
          section={section}
          template={template}
          askFor={askFor}
          once={once}
          goTo={goTo}
        />
      </aside>
    </>
  )
}
