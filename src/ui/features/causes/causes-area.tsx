'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { Tabs } from 'radix-ui'
import { type Cause, tallyOf } from '@/core/cause'
import { fixesWords } from '@/core/report'
import type { StoredOverview, StoredRun, WallRow } from '@/store/database'
import { overviewOf } from '@/store/overviews'
import { Notice } from '../../kit/notice'
import { count } from '../../kit/words'
import { MissingRun } from '../../parts/missing-run'
import { type Loaded, useRows } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import type { RouteState } from '../../state/view/view'
import { CauseDetail } from './cause-detail'
import { CauseList } from './cause-list'
import { HeatMap } from './heat-map'
import { LengthsChart } from './lengths-chart'
import { PicturesChart } from './pictures-chart'

/** Findings by the change that clears them, and the run from afar. */
export function CausesArea({ view, goTo, run }: { view: RouteState; goTo: GoTo; run: Loaded<StoredRun> }) {
  const id = run.kind === 'ready' ? run.value.id : null
  const rows = useRows(id)
  const stored = useLiveQuery(async () => ({ found: id === null ? undefined : await overviewOf(id) }), [id])
  if (run.kind === 'loading' || rows === undefined || stored === undefined) return <Notice text="Reading the run …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  if (!stored.found) {
    const { state, incomplete } = run.value
    const [lack] = incomplete
    const text =
      state === 'running'
        ? 'Causes are found once the run is done.'
        : lack
          ? `Causes are found once the run is done. ${lack.message}`
          : 'This run was gathered before causes were looked for. Run it again to see them.'
    return <Notice text={text} />
  }
  return <Causes run={run.value} rows={rows} stored={stored.found} view={view} goTo={goTo} />
}

const TAB =
  'h-[38px] whitespace-nowrap border-b-2 border-transparent font-semibold text-quiet data-[state=active]:border-ink data-[state=active]:text-ink'

type Props = {
  run: StoredRun
  rows: WallRow[]
  stored: StoredOverview
  view: RouteState
  goTo: GoTo
}

/** Of a run that did not read everything it is not known what is left to change. */
function headline(causes: readonly Cause[], { incomplete, summary }: StoredRun): string {
  const isWhole = incomplete.length === 0 && !summary?.unseenCount
  if (causes.length === 0) return isWhole ? 'Nothing to change' : 'Nothing to change in what was read'
  const soFar = isWhole ? '' : ' so far'
  return `${count(causes.length, 'change')}${soFar}, ${tallyOf(causes).ready.causes} of them ready`
}

function Causes({ run, rows, stored, view, goTo }: Props) {
  const { causes, overview } = stored
  const chosen = causes.find(({ id }) => id === view.cause) ?? causes[0] ?? null
  const { summary } = run
  return (
    <div className="grid h-full grid-cols-[minmax(360px,5fr)_minmax(0,6fr)] max-md:block max-md:overflow-auto">
      <section aria-label="Causes" className="flex min-h-0 flex-col border-r border-line">
        <header className="px-5 pb-2 pt-4">
          <h1 className="font-display text-head font-semibold leading-tight">{headline(causes, run)}</h1>
          {summary && (
            <p className="text-quiet">
              {count(summary.error, 'error')}, {count(summary.warning, 'warning')}, {count(summary.note, 'note')}.{' '}
              {fixesWords(causes)}
            </p>
          )}
        </header>
        <CauseList
          causes={causes}
          rows={rows}
          chosen={chosen?.id ?? null}
          onChoose={(cause) => goTo({ cause }, 'replace')}
        />
      </section>
      <div className="flex min-h-0 flex-col">
        <Tabs.Root defaultValue="cause" className="flex min-h-0 flex-1 flex-col">
          <Tabs.List
            aria-label="The cause, and the run from afar"
            className="flex shrink-0 gap-5 overflow-x-auto border-b border-line bg-sheet px-5"
          >
            <Tabs.Trigger value="cause" className={TAB}>
              This change
            </Tabs.Trigger>
            <Tabs.Trigger value="heat" className={TAB}>
              Sections and fields
            </Tabs.Trigger>
            <Tabs.Trigger value="lengths" className={TAB}>
              Lengths
            </Tabs.Trigger>
            <Tabs.Trigger value="pictures" className={TAB}>
              Pictures
            </Tabs.Trigger>
          </Tabs.List>
          <Tabs.Content value="cause" className="min-h-0 flex-1 overflow-auto px-5 py-4">
            {chosen ? (
              <CauseDetail run={run} cause={chosen} causes={causes} rows={rows} goTo={goTo} />
            ) : (
              <p className="text-quiet">There is no finding in this run.</p>
            )}
          </Tabs.Content>
          <Tabs.Content value="heat" className="min-h-0 flex-1 overflow-auto px-5 py-4">
            <HeatMap
              coverage={overview.coverage}
              onSection={(section) => goTo({ area: 'wall', section, page: null })}
            />
          </Tabs.Content>
          <Tabs.Content value="lengths" className="min-h-0 flex-1 overflow-auto px-5 py-4">
            <LengthsChart lengths={overview.lengths} rows={rows} goTo={goTo} />
          </Tabs.Content>
          <Tabs.Content value="pictures" className="min-h-0 flex-1 overflow-auto px-5 py-4">
            <PicturesChart pictures={overview.pictures} rows={rows} goTo={goTo} />
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </div>
  )
}
