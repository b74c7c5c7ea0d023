'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { Tabs } from 'radix-ui'
import { useState } from 'react'
import { noRequirements, type Requirements } from '@/core/requirements'
import { mainPlace } from '@/core/surface'
import type { StoredRun, WallRow } from '@/store/database'
import { keepRequirements, requirementsOf } from '@/store/requirements'
import { Notice } from '../../kit/notice'
import { count } from '../../kit/words'
import { MissingRun } from '../../parts/missing-run'
import { lacksOf } from '../../state/run/notes-to-know'
import { type Loaded, useRows } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import { Desk } from './desk'
import { Exports } from './exports'
import { PendingChange } from './pending-change'
import { Questions } from './questions'
import { recheckRun } from './recheck'
import { RequirementsFile } from './requirements-file'
import { SectionRules } from './section-rules'
import { SignOffDesk } from './sign-off'
import { SiteRules } from './site-rules'
import { Waivers } from './waivers'

/** What the site must have, whether it has it, and what is said of that to others. */
export function ClearanceArea({ goTo, run }: { goTo: GoTo; run: Loaded<StoredRun> }) {
  const rows = useRows(run.kind === 'ready' ? run.value.id : null)
  if (run.kind === 'loading' || rows === undefined) return <Notice text="Reading the run …" />
  if (run.kind === 'missing') return <MissingRun goTo={goTo} />
  if (run.value.tried)
    return <Notice text="What is only tried can’t be cleared. Go back to what is built to see whether that is." />
  return <Clearance run={run.value} rows={rows} goTo={goTo} />
}

const TAB =
  'h-[38px] whitespace-nowrap border-b-2 border-transparent font-semibold text-quiet data-[state=active]:border-ink data-[state=active]:text-ink'

/** The verdict in words. What was not read whole is never called clear. */
function headline(summary: StoredRun['summary']): string {
  if (summary === null) return 'Not judged yet'
  if (summary.verdict === 'not-clear') return `Not clear: ${count(summary.error, 'error')} in the way`
  return summary.verdict === 'clear'
    ? 'Clear for launch'
    : `Not known: not everything was ${summary.unseenCount ? 'seen' : 'read'}`
}

/** The change of a count, where there is one. */
const changed = (before: number | undefined, now: number | undefined) =>
  before === undefined || now === undefined || before === now ? '' : ` (before ${before})`

function Clearance({ run, rows, goTo }: { run: StoredRun; rows: WallRow[]; goTo: GoTo }) {
  const { site } = run.source
  const surfaces = useSurfaces()
  const stored = useLiveQuery(() => requirementsOf(site), [site])
  const [state, setState] = useState<'idle' | 'judging' | string>('idle')
  const [before, setBefore] = useState<StoredRun['summary']>(null)
  const [pending, setPending] = useState<Requirements | null>(null)
  const requirements = stored ?? noRequirements
  const change = async (next: Requirements, isJudged = true) => {
    setPending(null)
    await keepRequirements(site, next)
    if (!isJudged) return
    setState('judging')
    setBefore(run.summary)
    try {
      await recheckRun(run.id)
      setState('idle')
    } catch (error) {
      setState(error instanceof Error ? error.message : String(error))
    }
  }
  if (!stored) return <Notice text="Reading the requirements …" />
  const { summary } = run
  const causes = rows.filter(({ levels }) => levels.error > 0)
  return (
    <div className="h-full overflow-auto print:h-auto print:overflow-visible">
      <div className="mx-auto grid grid-cols-1 max-w-[1180px] gap-7 px-5 py-5">
        <header className="flex flex-wrap items-end gap-x-6 gap-y-2">
          <div>
            <h1 className="font-display text-big font-bold leading-tight">{headline(summary)}</h1>
            {summary && (
              <p className="text-quiet" aria-live="polite">
                {count(summary.error, 'error')}
                {changed(before?.error, summary.error)}, {count(summary.warning, 'warning')}
                {changed(before?.warning, summary.warning)}, {count(summary.note, 'note')}
                {changed(before?.note, summary.note)}, on {count(rows.length, 'page')}; {count(causes.length, 'page')}{' '}
                with errors. {state === 'judging' && 'Judging again …'}
              </p>
            )}
            {lacksOf(run).map((message) => (
              <p key={message} className="font-semibold text-wrong">
                {message}
              </p>
            ))}
            {state !== 'idle' && state !== 'judging' && (
              <p role="alert" className="text-wrong">
                {state}
              </p>
            )}
          </div>
          <div className="ml-auto flex flex-wrap gap-2 max-md:ml-0">
            {summary && summary.error > 0 && (
              <button
                type="button"
                className="button print:hidden"
                onClick={() => goTo({ area: 'causes', cause: null })}
              >
                What stands in the way
              </button>
            )}
            {run.incomplete.length > 0 ? (
              <button type="button" className="button" onClick={() => goTo({ area: 'gather', page: null })}>
                Gather the rest
              </button>
            ) : (
              <SignOffDesk run={run} />
            )}
          </div>
        </header>
        <Tabs.Root defaultValue="site">
          <Tabs.List
            aria-label="Clearance"
            className="mb-5 flex gap-5 overflow-x-auto border-b border-line print:hidden"
          >
            <Tabs.Trigger value="site" className={TAB}>
              The site
            </Tabs.Trigger>
            <Tabs.Trigger value="questions" className={TAB}>
              Questions
            </Tabs.Trigger>
            <Tabs.Trigger value="requirements" className={TAB}>
              What it must have
            </Tabs.Trigger>
            <Tabs.Trigger value="papers" className={TAB}>
              Papers
            </Tabs.Trigger>
          </Tabs.List>
          <Tabs.Content value="site">
            <Desk run={run} rows={rows} requirements={requirements} goTo={goTo} />
          </Tabs.Content>
          <Tabs.Content value="questions">
            <Questions
              key={run.id}
              run={run}
              rows={rows}
              requirements={requirements}
              onKeep={change}
              onOpen={(path) => goTo({ area: 'page', page: path, surface: mainPlace(surfaces).id })}
            />
          </Tabs.Content>
          <Tabs.Content value="requirements" className="grid gap-7">
            {pending && (
              <PendingChange
                run={run}
                pending={pending}
                onKeep={() => void change(pending)}
                onLeave={() => setPending(null)}
              />
            )}
            <SectionRules rows={rows} requirements={pending ?? requirements} onChange={setPending} onArrange={change} />
            <SiteRules requirements={pending ?? requirements} onChange={setPending} onArrange={change} />
            <Waivers rows={rows} site={run.source.site} requirements={requirements} onChange={change} />
            <RequirementsFile requirements={requirements} onChange={change} />
          </Tabs.Content>
          <Tabs.Content value="papers">
            <Exports run={run} goTo={goTo} />
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </div>
  )
}
