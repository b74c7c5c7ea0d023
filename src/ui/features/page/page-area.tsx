'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { sameTitleElsewhere } from '@/core/draft'
import { cardOf, offeredPictures, withPictureChosen } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { requirementsOf } from '@/store/requirements'
import { Notice } from '../../kit/notice'
import { bytes, clockTime } from '../../kit/words'
import { MissingRun } from '../../parts/missing-run'
import { PlaceholdersSaid } from '../../parts/placeholders-said'
import { StandingSwitch } from '../../parts/standing-switch'
import type { DraftPaneSlot } from '../../state/draft/slots'
import { usePageDraft } from '../../state/draft/use-page-draft'
import { draftField, typeInto } from '../../state/keys/type-ahead'
import { useKeys } from '../../state/keys/use-keys'
import type { Spot } from '../../state/page/lit'
import { useEditor } from '../../state/page/use-editor'
import { useCardContext } from '../../state/run/use-card-context'
import { type Loaded, useRows, useStoredPage } from '../../state/run/use-run'
import { surfaceOfKey } from '../../state/surface/surface-keys'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { Pane, RouteState } from '../../state/view/view'
import { selectRows } from '../../state/wall/select-rows'
import { BuiltSwitch } from './built-switch'
import { CardsPane } from './cards-pane'
import { LookAgainButton } from './look-again-button'
import { LookAgainView } from './look-again-view'
import { ReasonsPane } from './reasons-pane'
import { SaveCards } from './save-cards'
import { SourcePane } from './source-pane'

/** One page: its source, its cards, its reasons. */
export function PageArea({
  view,
  goTo,
  run,
  draftPane,
}: {
  view: RouteState
  goTo: GoTo
  run: Loaded<StoredRun>
  draftPane: DraftPaneSlot
}) {
  const rows = useRows(run.kind === 'ready' ? run.value.id : null)
  const row = rows?.find(({ path }) => path === view.page) ?? null
  const neighbours = useMemo(() => selectRows(rows ?? [], view), [rows, view])
  usePageKeys({ row, neighbours, goTo })
  useDraftKey(goTo)
  if (run.kind === 'loading' || rows === undefined) return <Notice text="Reading the run …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  if (!row) {
    return (
      <Notice
        text={
          view.page
            ? `The run has no page ${view.page}. It may have been renamed, or the address is mistyped.`
            : 'No page is chosen.'
        }
      >
        <button type="button" className="button" onClick={() => goTo({ area: 'wall', page: null })}>
          Back to the Wall
        </button>
      </Notice>
    )
  }
  return (
    <OnePage
      key={row.url}
      view={view}
      goTo={goTo}
      run={run.value}
      row={row}
      rows={rows}
      neighbours={neighbours}
      draftPane={draftPane}
    />
  )
}

type Props = {
  view: RouteState
  goTo: GoTo
  run: StoredRun
  row: WallRow
  rows: WallRow[]
  neighbours: WallRow[]
  draftPane: DraftPaneSlot
}

function OnePage({ view, goTo, run, row, rows, neighbours, draftPane: DraftPane }: Props) {
  const stored = useStoredPage(run.id, row.url)
  const context = useCardContext(run, view.as)
  const surfaces = useSurfaces()
  const [lit, setLit] = useState<Spot | null>(null)
  /** Which of the page's pictures somebody chose; null: the place chooses. */
  const [picture, setPicture] = useState<number | null>(null)
  const page = stored.kind === 'ready' ? stored.value.page : null
  const draft = usePageDraft(run, page, row.section, context)
  const setTab = useCallback((pane: Pane) => goTo({ pane }, 'replace'), [goTo])
  const { pane } = view
  useEffect(() => {
    // Who comes by J, K or an address may press the next key at once: letters are held only after E.
    if (pane === 'draft') requestAnimationFrame(() => draftField()?.focus())
  }, [pane])
  const built = useMemo(() => {
    if (!page || !context) return null
    const seen = picture === null ? page : withPictureChosen(page, picture)
    return surfaces.map((surface) => ({ surface, card: cardOf(seen, surface, context) }))
  }, [page, context, surfaces, picture])
  const offered = page ? offeredPictures(page) : 0
  const requirements = useLiveQuery(() => requirementsOf(run.source.site), [run.source.site])
  const editor = useEditor(page, requirements?.source)
  const hasDraft = draft.effective.edits.size > 0
  const cards = hasDraft && !view.isBuilt && draft.effect ? draft.effect.cards : built
  const title = draft.effect?.cards[0]?.card.title
  const sameTitles = useMemo(() => {
    if (!hasDraft || !title || title.text === built?.[0]?.card.title.text) return []
    const id = surfaces[0]!.id
    const shown = rows.map(({ url, path, faces }) => ({ url, path, title: faces[id]?.title ?? '' }))
    return sameTitleElsewhere(title.cut ? `${title.shown}…` : title.shown, row.url, shown)
  }, [hasDraft, title, built, rows, row.url, surfaces])
  // Both panes hold still while a field is typed into, until the cards answer.
  const cardsAlone = useMemo(() => cards?.map(({ card }) => card) ?? [], [cards])
  const chooseSurface = useCallback((id: string) => goTo({ surface: id }, 'replace'), [goTo])
  if (!page || !cards || !context) return <Notice text="Reading the page …" />
  const chosen = cards.find(({ surface }) => surface.id === view.surface) ?? cards[0]!
  return (
    <div className="flex h-full flex-col">
      <PageHeader
        view={view}
        goTo={goTo}
        row={row}
        neighbours={neighbours}
        own={run.view}
        lookAgain={
          <>
            {hasDraft && <BuiltSwitch view={view} goTo={goTo} />}
            <SaveCards run={run} path={row.path} cards={cards} isDrafted={cards !== built} />
            <LookAgainButton run={run} url={row.url} goTo={goTo} />
          </>
        }
      >
        {page.fetch.status ?? 'no answer'} · {bytes(page.fetch.bytes)} · fetched {clockTime(page.fetch.fetchedAt)}
        {editor.source && <WrittenIn source={editor.source} />}
      </PageHeader>
      <LookAgainView run={run} page={page} />
      {run.tried?.placeholders?.[row.url] && (
        <div className="shrink-0 border-b border-line bg-sheet px-4 py-[6px]">
          <PlaceholdersSaid run={run} url={row.url} />
        </div>
      )}
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(280px,370px)_minmax(0,1fr)_326px] max-lg:grid-cols-[minmax(0,1fr)_300px] max-md:flex max-md:flex-col max-md:overflow-auto">
        <SourcePane page={page} cards={cardsAlone} findings={row.findings} editor={editor} lit={lit} onLit={setLit} />
        <CardsPane
          run={run.id}
          cards={cards}
          chosen={chosen.surface.id}
          lit={lit}
          onLit={setLit}
          onChoose={chooseSurface}
          offered={cards === built ? offered : 0}
          picture={picture}
          onPicture={setPicture}
        />
        <ReasonsPane
          surface={chosen.surface}
          card={chosen.card}
          findings={row.findings}
          facts={page.facts}
          placeOf={editor.ofFinding}
          tab={view.pane}
          onTab={setTab}
          draft={
            <DraftPane
              run={run.id}
              site={run.source.site}
              page={page}
              draft={draft}
              context={context}
              sameTitles={sameTitles}
              goTo={goTo}
            />
          }
          lit={lit}
          onLit={setLit}
        />
      </div>
    </div>
  )
}

function PageHeader({
  view,
  goTo,
  row,
  neighbours,
  own,
  lookAgain,
  children,
}: {
  view: RouteState
  goTo: GoTo
  row: WallRow
  neighbours: WallRow[]
  own: StoredRun['view']
  lookAgain: React.ReactNode
  children: React.ReactNode
}) {
  const at = neighbours.findIndex(({ url }) => url === row.url)
  const step = (by: number) => {
    const next = neighbours[at + by]
    if (next) goTo({ page: next.path }, 'replace')
  }
  return (
    <div className="flex shrink-0 items-center gap-4 border-b border-line bg-sheet px-4 py-[8px] max-md:flex-wrap max-md:gap-2">
      <button type="button" className="text-quiet hover:text-ink" onClick={() => goTo({ area: 'wall' })}>
        ← Wall{view.section ? `, ${view.section}` : ''}
      </button>
      <h1 className="truncate font-mono text-lead font-semibold">{row.path}</h1>
      <span className="truncate text-quiet">{children}</span>
      <span className="ml-auto flex shrink-0 items-center gap-2 max-md:ml-0 max-md:shrink max-md:flex-wrap">
        {lookAgain}
        <StandingSwitch view={view} goTo={goTo} own={own} />
      </span>
      {at >= 0 && neighbours.length > 1 && (
        <span className="flex items-center gap-1">
          <button
            type="button"
            className="button px-2!"
            aria-label="Previous page"
            disabled={at === 0}
            onClick={() => step(-1)}
          >
            ‹
          </button>
          <span className="px-1 tabular-nums text-quiet">
            {at + 1} of {neighbours.length}
          </span>
          <button
            type="button"
            className="button px-2!"
            aria-label="Next page"
            disabled={at === neighbours.length - 1}
            onClick={() => step(1)}
          >
            ›
          </button>
        </span>
      )}
    </div>
  )
}

/** J and K to the neighbours, digits for surfaces. */
function usePageKeys({ row, neighbours, goTo }: { row: WallRow | null; neighbours: WallRow[]; goTo: GoTo }): void {
  const surfaces = useSurfaces()
  useKeys((_action, event) => {
    const at = neighbours.findIndex(({ url }) => url === row?.url)
    const surface = surfaceOfKey(event.key, surfaces)
    const next = event.key === 'j' ? neighbours[at + 1] : event.key === 'k' ? neighbours[at - 1] : undefined
    if (next) goTo({ page: next.path }, 'replace')
    else if (surface) goTo({ surface: surface.id }, 'replace')
    else return false
    return true
  })
}

/** E opens the draft, and puts the cursor into its title: also while the page is still being read. */
function useDraftKey(goTo: GoTo): void {
  useKeys((action) => {
    if (action !== 'draft') return false
    goTo({ pane: 'draft' }, 'replace')
    typeInto(draftField)
    return true
  })
}

/** The file in which the page is written, opened in the reader's editor where that is set. */
function WrittenIn({ source: { file, href } }: { source: { file: string; href: string | null } }) {
  return (
    <>
      {' · written in '}
      {href === null ? (
        <span className="font-mono">{file}</span>
      ) : (
        <a href={href} className="font-mono text-pick hover:underline" title="Open in your editor">
          {file}
        </a>
      )}
    </>
  )
}
