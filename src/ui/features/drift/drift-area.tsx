'use client'

import { Tabs } from 'radix-ui'
import { useMemo } from 'react'
import type { StoredRun } from '@/store/database'
import { Notice } from '../../kit/notice'
import { count, shortAddress } from '../../kit/words'
import { MissingRun } from '../../parts/missing-run'
import { runInWords } from '../../parts/run-names'
import { type Loaded, useRuns } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import { type DriftPart, driftParts, type RouteState } from '../../state/view/view'
import { BoxTab } from './box-tab'
import { DriftExports } from './drift-exports'
import { earlierRun } from './earlier-run'
import { HeldTab } from './held-tab'
import { LaunchMark } from './launch-mark'
import { RunsTab } from './runs-tab'

/** Runs against each other, the copies that places hold, and a place to practise on. */
export function DriftArea({ view, goTo, run }: { view: RouteState; goTo: GoTo; run: Loaded<StoredRun> }) {
  const runs = useRuns()
  if (run.kind === 'loading' || runs === undefined) return <Notice text="Reading the runs …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  if (run.value.state === 'running') return <Notice text="This run is still going on. Drift is seen once it is done." />
  if (run.value.tried)
    return <Notice text="What is only tried never went live. Go back to what is built to see its drift." />
  return <Drift view={view} goTo={goTo} run={run.value} runs={runs} />
}

const TABS: Record<DriftPart, string> = { runs: 'Two runs', held: 'Held copies', box: 'Share box' }

const TAB =
  'h-[38px] whitespace-nowrap border-b-2 border-transparent font-semibold text-quiet data-[state=active]:border-ink data-[state=active]:text-ink'

type Props = { view: RouteState; goTo: GoTo; run: StoredRun; runs: StoredRun[] }

function Drift({ view, goTo, run, runs }: Props) {
  const others = useMemo(
    () => runs.filter((one) => one.source.site === run.source.site && one.id !== run.id && one.state !== 'running'),
    [runs, run],
  )
  const before = earlierRun(run, others, view.against)
  return (
    <Tabs.Root
      value={view.drift}
      onValueChange={(drift) => goTo({ drift: drift as DriftPart }, 'replace')}
      className="flex h-full flex-col max-md:overflow-auto"
    >
      <h1 className="sr-only">Drift of {run.source.site}</h1>
      <header className="flex shrink-0 flex-wrap items-center gap-x-5 border-b border-line bg-sheet px-4">
        <Tabs.List aria-label="Drift" className="flex gap-5">
          {driftParts.map((part) => (
            <Tabs.Trigger key={part} value={part} className={TAB}>
              {TABS[part]}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {before && view.drift !== 'held' && (
          <label className="flex items-center gap-2 py-1">
            <span className="text-quiet">Earlier run</span>
            <select
              className="field h-[28px]! w-auto! max-w-[250px] py-0!"
              value={before.id}
              onChange={(event) => goTo({ against: event.target.value }, 'replace')}
            >
              {others.map((one) => (
                <option key={one.id} value={one.id}>
                  {runInWords(one, [run, ...others])}
                </option>
              ))}
            </select>
          </label>
        )}
        <span className="text-quiet">
          Now <b className="font-semibold text-ink">{runInWords(run, [run, ...others])}</b>, {count(run.pages, 'page')}
        </span>
        <span className="ml-auto flex items-center gap-2 py-1">
          <LaunchMark run={run} />
          {before && view.drift === 'runs' && <DriftExports before={before} after={run} surface={view.surface} />}
        </span>
      </header>
      <Tabs.Content tabIndex={-1} value="runs" className="min-h-0 flex-1 outline-none max-md:min-h-max">
        {before ? <RunsTab view={view} goTo={goTo} before={before} after={run} /> : <OnlyRun run={run} goTo={goTo} />}
      </Tabs.Content>
      <Tabs.Content tabIndex={-1} value="held" className="min-h-0 flex-1 outline-none max-md:min-h-max">
        <HeldTab view={view} goTo={goTo} run={run} />
      </Tabs.Content>
      <Tabs.Content tabIndex={-1} value="box" className="min-h-0 flex-1 outline-none max-md:min-h-max">
        {before ? <BoxTab view={view} goTo={goTo} before={before} after={run} /> : <OnlyRun run={run} goTo={goTo} />}
      </Tabs.Content>
    </Tabs.Root>
  )
}

function OnlyRun({ run, goTo }: { run: StoredRun; goTo: GoTo }) {
  return (
    <Notice
      text={`This is the only run of ${shortAddress(run.source.site)} kept in this browser. If it is the one that you launch, say so above. Then change something, build, and gather the pages again: the two are held against each other here.`}
    >
      <button type="button" className="button" onClick={() => goTo({ area: 'gather', page: null })}>
        Gather pages
      </button>
    </Notice>
  )
}
