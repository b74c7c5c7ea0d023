'use client'

import { useCallback, useMemo, useState } from 'react'
import type { HeldScope } from '@/core/compare'
import { refreshAsAddresses, refreshAsCsv } from '@/core/report'
import type { StoredRun } from '@/store/database'
import { keepHeldEvents, takeBackHeldEvents } from '@/store/held-events'
import { Notice } from '../../kit/notice'
import { saveFile } from '../../kit/save-file'
import { Segments } from '../../kit/segments'
import { count } from '../../kit/words'
import { runInWords } from '../../parts/run-names'
import { useRuns } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { LaunchMark } from './launch-mark'
import { PlaceHabits } from './place-habits'
import { PlaceList } from './place-list'
import { RefreshTable } from './refresh-table'
import { SharedMarks } from './shared-marks'
import { type Held, type Place, useHeld } from './use-held'

type Props = { view: RouteState; goTo: GoTo; run: StoredRun }

const SCOPES: { id: HeldScope; name: string }[] = [
  { id: 'all', name: 'Every page since the launch' },
  { id: 'shared', name: 'What was marked' },
]

/** The copies that places hold: which of them are out of date, why, and the list to ask for again. */
export function HeldTab({ view, goTo, run }: Props) {
  const surfaces = useSurfaces()
  const [scope, setScope] = useState<HeldScope>('all')
  const held = useHeld(run, surfaces, scope)
  if (held === undefined || held.kind === 'working') return <Notice text="Working out who holds what …" />
  if (held.kind === 'failed') return <Notice text={held.message} />
  return <HeldCopies view={view} goTo={goTo} run={run} held={held.value} scope={scope} onScope={setScope} />
}

type HeldProps = Props & { held: Held; scope: HeldScope; onScope: (scope: HeldScope) => void }

function HeldCopies({ view, goTo, run, held, scope, onScope }: HeldProps) {
  const { site } = run.source
  const place = held.places.find(({ surface }) => surface.id === view.surface) ?? held.places[0]!
  const { surface, list } = place
  const record = useCallback(
    async (address: string, renewed: boolean) => {
      const at = new Date().toISOString()
      await keepHeldEvents(site, [{ kind: 'asked', surface: surface.id, address, run: run.id, at, renewed }])
    },
    [site, surface.id, run.id],
  )
  const lastAsked =
    held.said.findLast(({ event }) => event.kind === 'asked' && event.surface === surface.id)?.event.address ?? null
  const takeBack = useCallback(
    async (address: string) => {
      const last = held.said.findLast(
        ({ event }) => event.kind === 'asked' && event.surface === surface.id && event.address === address,
      )
      if (last?.id !== undefined) await takeBackHeldEvents([last.id])
    },
    [held.said, surface.id],
  )
  return (
    <div className="grid h-full grid-cols-[232px_minmax(0,1fr)_300px] max-lg:grid-cols-[200px_minmax(0,1fr)] max-md:block">
      <PlaceList places={held.places} chosen={surface.id} onChoose={(id) => goTo({ surface: id }, 'replace')} />
      <section aria-label={`Refresh list of ${surface.name}`} className="flex min-h-0 min-w-0 flex-col px-4 pt-3">
        <div className="flex flex-wrap items-start gap-x-4 gap-y-2 pb-2">
          <div className="min-w-0 flex-1 max-md:basis-full">
            <h2 className="font-display text-head font-semibold leading-tight">
              {headline(place, held.launches.length > 0 || scope === 'shared')}
            </h2>
            <p className="text-quiet">{standing(place, held.launches, run)}</p>
          </div>
          <Segments
            name="Which copies count"
            choices={SCOPES}
            chosen={scope}
            onChoose={onScope}
            className="w-[318px]"
          />
        </div>
        {held.launches.length === 0 && scope === 'all' ? (
          <NothingLive run={run} />
        ) : (
          <RefreshTable
            key={surface.id}
            entries={list.entries}
            surface={surface}
            run={run}
            goTo={goTo}
            onAsked={record}
            onTakeBack={takeBack}
            lastAsked={lastAsked}
          />
        )}
        <Saving places={held.places} place={place} site={site} />
      </section>
      <aside className="min-h-0 overflow-auto border-l border-line bg-sheet px-4 py-3 max-lg:col-span-2 max-lg:border-l-0 max-lg:border-t">
        <PlaceHabits key={surface.id} surface={surface} />
        <SharedMarks surface={surface} run={run} held={held} />
      </aside>
    </div>
  )
}

/** What is still to be asked for. */
const openOf = ({ list }: Place) => list.entries.filter(({ state }) => state !== 'done').length

function headline(place: Place, isKnown: boolean): string {
  const open = openOf(place)
  const asked = place.list.entries.filter(({ state }) => state === 'asked').length
  if (open > 0) return `${count(open, 'copy', 'copies')} out of date${asked > 0 ? `, ${asked} of them asked for` : ''}`
  if (place.list.entries.length > 0) return 'All asked for and renewed'
  return isKnown ? 'No copy is out of date' : 'Which copies are out of date is not known yet'
}

function standing({ surface, list, held }: Place, launches: readonly StoredRun[], run: StoredRun): string {
  if (held === 0 && launches.length === 0) return 'It hangs on what went live: no run is marked as that.'
  if (held === 0) return `As far as is known, ${surface.name} holds no copy of this site.`
  const live = launches[0]
  const words = [`${surface.name} may hold ${count(held, 'copy', 'copies')}.`]
  if (live && live.id !== run.id)
    words.push('This run is not marked as live: the list says what it outdates once it is.')
  if (list.lapsed > 0) {
    const more = list.entries.length > 0 ? ' more' : ''
    words.push(`${list.lapsed}${more} would be out of date, and are too old by now: the next post reads the page.`)
  }
  if (list.unknown > 0) words.push(`Of ${list.unknown} it is not known: the run that they are of was deleted.`)
  return words.join(' ')
}

/** Runs offered as the one that went live; any other can be opened and marked. */
const MAX_OFFERED = 8

function NothingLive({ run }: { run: StoredRun }) {
  const runs = useRuns() ?? []
  const ofSite = runs.filter((one) => one.source.site === run.source.site && one.state !== 'running')
  return (
    <div className="min-h-0 max-w-[600px] flex-1 overflow-auto py-3">
      <p>
        No run of this site is marked as live. Places hold what a page said when it was first shared: which of these
        runs is it that was launched?
      </p>
      <ul className="mt-2">
        {ofSite.slice(0, MAX_OFFERED).map((one) => (
          <li key={one.id} className="flex items-center gap-4 border-b border-line py-[6px]">
            <span className="min-w-[110px]">{runInWords(one, ofSite)}</span>
            <span className="flex-1 text-quiet">
              {count(one.pages, 'page')}
              {one.id === run.id && ', open here'}
            </span>
            <LaunchMark run={one} />
          </li>
        ))}
      </ul>
      <p className="mt-2 text-quiet">Or mark single links as shared, at the right, and count those alone.</p>
    </div>
  )
}

function Saving({ places, place, site }: { places: readonly Place[]; place: Place; site: string }) {
  const host = useMemo(() => new URL(site).host, [site])
  const all = places.map(({ surface, list }) => ({ surface: surface.id, name: surface.name, entries: list.entries }))
  const entries = all.flatMap((one) => one.entries)
  if (entries.length === 0) return null
  return (
    <p className="flex shrink-0 flex-wrap gap-4 border-t border-line py-2 text-small">
      <button
        type="button"
        className="text-pick hover:underline"
        disabled={openOf(place) === 0}
        onClick={() =>
          saveFile(`refresh-${place.surface.id}-${host}.txt`, refreshAsAddresses(place.list.entries), 'text/plain')
        }
      >
        Save its addresses
      </button>
      <button
        type="button"
        className="text-pick hover:underline"
        onClick={() => saveFile(`refresh-${host}.csv`, refreshAsCsv(all), 'text/csv')}
      >
        Save the list of all places as CSV
      </button>
    </p>
  )
}
