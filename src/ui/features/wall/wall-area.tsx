'use client'

import { useCallback, useMemo, useRef, useState } from 'react'
import type { StoredRun, WallRow } from '@/store/database'
import { Notice } from '../../kit/notice'
import { MissingRun } from '../../parts/missing-run'
import { StandingSwitch } from '../../parts/standing-switch'
import { SurfaceBar } from '../../parts/surface-bar'
import type { BulkDraftSlot } from '../../state/draft/slots'
import { useDrafts } from '../../state/draft/use-drafts'
import { type Loaded, useRows } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { prepareWall, rowsAs, selectRows, withChanges } from '../../state/wall/select-rows'
import { useSelection } from '../../state/wall/selection'
import { BesideChoice } from './beside-choice'
import { CardGrid } from './card-grid'
import { Inspector } from './inspector'
import { SearchAndOrder } from './search-and-order'
import { SectionList } from './section-list'
import { SelectionBar } from './selection-bar'
import { SymptomBar } from './symptom-bar'
import { useChangesSinceLaunch } from './use-changes'
import { useWallKeys } from './use-wall-keys'

/** Every page's card on one surface. */
export function WallArea({
  view: addressed,
  goTo,
  run,
  bulkDraft,
}: {
  view: RouteState
  goTo: GoTo
  run: Loaded<StoredRun>
  bulkDraft: BulkDraftSlot
}) {
  const surfaces = useSurfaces()
  const surface = surfaces.find(({ id }) => id === addressed.surface) ?? surfaces[0]!
  const shape = { sort: addressed.sort, surface: surface.id }
  const stored = useRows(run.kind === 'ready' ? run.value.id : null, (rows) => prepareWall(rows, shape))
  const own = run.kind === 'ready' ? run.value.view : null
  const beside = surfaces.find(({ id }) => id === addressed.beside && id !== surface.id) ?? null
  const since = useChangesSinceLaunch(run.kind === 'ready' ? run.value : null, addressed.symptoms.includes('changed'))
  const hasBaseline = since !== null
  // An address may name a place that this site has no more: then the first one is shown, and is what is chosen. Without
  // a baseline nothing is known to have changed, and nothing is narrowed to it.
  const view = useMemo(() => {
    const shown = addressed.symptoms.filter((symptom) => symptom !== 'changed' || hasBaseline)
    return { ...addressed, surface: surface.id, symptoms: shown }
  }, [addressed, surface, hasBaseline])
  const rows = useMemo(() => {
    const seen = stored && rowsAs(stored, view.as !== null && view.as !== own)
    return seen && withChanges(seen, since?.changes ?? null)
  }, [stored, view.as, own, since?.changes])
  const shown = useMemo(() => selectRows(rows ?? [], view), [rows, view])
  const [columns, setColumns] = useState(3)
  const selected = useSelection(run.kind === 'ready' ? run.value.id : null)
  const drafts = useDrafts(run.kind === 'ready' ? run.value.source.site : null)
  const drafted = useMemo(
    () => new Set([...(drafts?.values() ?? [])].filter(({ landedAt }) => landedAt === null).map(({ url }) => url)),
    [drafts],
  )
  const choose = useCallback((row: WallRow) => goTo({ page: row.path }, 'replace'), [goTo])
  const openPage = useCallback((row: WallRow) => goTo({ area: 'page', page: row.path }), [goTo])
  const searchField = useRef<HTMLInputElement>(null)
  const chosen = view.page === null ? null : (shown.find((row) => row.path === view.page) ?? null)
  useWallKeys({ shown, columns, goTo, searchField })
  if (run.kind === 'loading' || rows === undefined) return <Notice text="Reading the run …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  return (
    <div className="grid h-full grid-cols-[226px_minmax(0,1fr)_326px] max-lg:grid-cols-[180px_minmax(0,1fr)] max-md:block max-md:overflow-auto">
      <h1 className="sr-only">The Wall of {run.value.source.site}</h1>
      <SectionList rows={rows} section={view.section} page={view.page} goTo={goTo} />
      <section
        aria-label={`Cards on ${surface.name}`}
        className="flex min-h-0 min-w-0 flex-col max-md:h-[max(78vh,640px)] [@media(max-height:620px)]:overflow-auto"
      >
        <div className="px-4 pt-2">
          <SurfaceBar view={view} goTo={goTo} />
        </div>
        <div className="flex flex-wrap items-center gap-x-3 gap-y-2 px-4 pt-2">
          <StandingSwitch view={view} goTo={goTo} own={run.value.view} />
          <BesideChoice view={view} goTo={goTo} />
          <SearchAndOrder view={view} goTo={goTo} searchField={searchField} />
        </div>
        <SymptomBar rows={rows} view={view} goTo={goTo} shownCount={shown.length} changes={since?.state ?? null} />
        <CardGrid
          rows={shown}
          surface={surface}
          beside={beside}
          size={view.size}
          narrowing={JSON.stringify([view.section, view.symptoms, view.search, view.sort])}
          chosen={chosen?.url ?? null}
          selected={selected}
          drafted={drafted}
          placeholders={run.value.tried?.placeholders}
          onColumns={setColumns}
          onChoose={choose}
          onOpen={openPage}
          hasPages={rows.length > 0}
          onClear={() => goTo({ section: null, symptoms: [], search: '' })}
        />
        <SelectionBar run={run.value} rows={rows} shown={shown} selected={selected} goTo={goTo} bulkDraft={bulkDraft} />
      </section>
      <Inspector run={run.value} row={chosen} surface={surface} beside={beside} as={view.as} goTo={goTo} rows={rows} />
    </div>
  )
}
