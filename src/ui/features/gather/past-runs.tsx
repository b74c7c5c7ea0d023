'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useEffect, useState } from 'react'
import type { StoredRun } from '@/store/database'
import { deletePictureCopies, pictureCopies } from '@/store/picture-copies'
import { deleteRun, isRunWritten, MOST_OF_NAME, nameRun, runsKept, storageUse } from '@/store/runs'
import type { GatherSource } from '@/workers/protocol'
import { bytes, count, shortAddress } from '../../kit/words'
import { useAskFirst } from '../../parts/ask-first'
import { type RunName, runNames } from '../../parts/run-names'
import { askForLogin } from '../../state/run/session'
import { addressAsked, sourceToResume, wantsLogin } from '../../state/run/sources'
import { useRuns } from '../../state/run/use-run'
import type { GoTo } from '../../state/view/use-view'
import { OpenProject, SaveProject } from './project-archive'

type RunsProps = { goTo: GoTo; onResume: (source: GatherSource, run: string) => void }

/** Runs by site, newest first; each can be opened and deleted. */
export function PastRuns({ goTo, onResume }: RunsProps) {
  const runs = useRuns()
  if (!runs) return null
  return (
    <section aria-labelledby="past-runs">
      <h2 id="past-runs" className="mb-2 text-lead font-semibold">
        Sites and their runs <span className="font-normal text-quiet">– kept in this browser, and nowhere else</span>
      </h2>
      {runs.length === 0 ? (
        <p className="text-quiet">The first one will stand here.</p>
      ) : (
        <Sites runs={runs} goTo={goTo} onResume={onResume} />
      )}
      {runs.length > 0 && <Room />}
      <OpenProject onOpen={(run) => goTo(ofRun(run))} />
    </section>
  )
}

/** A run’s Wall, without what was narrowed in another. */
const ofRun = (run: string) => ({ area: 'wall' as const, run, page: null, section: null, symptoms: [], search: '' })

function Sites({ runs, goTo, onResume }: RunsProps & { runs: StoredRun[] }) {
  const sites = Map.groupBy(runs, (run) => run.source.site)
  const { askFirst, dialog } = useAskFirst()
  const names = runNames(runs)
  return (
    <div className="grid gap-4">
      {dialog}
      {[...sites].map(([site, ofSite]) => (
        <div key={site}>
          <div className="flex items-baseline gap-4">
            <h3 className="font-mono text-small font-semibold">{shortAddress(site)}</h3>
            <SaveProject site={site} />
          </div>
          <ul>
            {ofSite.map((run) => (
              <PastRun
                key={run.id}
                run={run}
                name={names.get(run.id)!}
                onResume={resumeOf(run, askFirst, onResume)}
                onOpen={() => goTo(ofRun(run.id))}
              />
            ))}
          </ul>
        </div>
      ))}
    </div>
  )
}

const STATES: Record<StoredRun['state'], string> = {
  running: 'still running',
  stopped: 'stopped early',
  done: '',
  failed: 'broke off',
}

/** Goes on with a run where it was broken off; null where that can't be done. */
function resumeOf(
  run: StoredRun,
  askFirst: ReturnType<typeof useAskFirst>['askFirst'],
  onResume: RunsProps['onResume'],
): (() => void) | null {
  const source = sourceToResume(run)
  if (!source) return null
  const goOn = () => (wantsLogin(run, source) ? askForLogin(source, run.id) : onResume(source, run.id))
  return () => askFirst(run, addressAsked(source), goOn)
}

/** Room that everything kept here takes, as the browser counts it, and what of it can be let go of besides runs. */
function Room() {
  const room = useLiveQuery(async () => {
    // Asked again whenever a run or a picture comes or goes. The browser is asked last: what is read from the database
    // after a promise of its own is not watched.
    await runsKept()
    const copies = await pictureCopies()
    return { copies, use: await storageUse() }
  })
  if (!room) return null
  const { use, copies } = room
  return (
    <p className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-1 text-quiet">
      {use && (
        <span>
          Together they take {bytes(use.usedBytes)} of the {bytes(use.quotaBytes)} that the browser gives.
        </span>
      )}
      {copies.count > 0 && (
        <>
          <span>
            {bytes(copies.bytes)} of it are copies of {count(copies.count, 'picture')}, which draw the cards of past
            runs.
          </span>
          <button type="button" className="button" onClick={() => void deletePictureCopies()}>
            Let go of the copies
          </button>
        </>
      )}
    </p>
  )
}

const focusAtOnce = (input: HTMLInputElement | null) => input?.focus()

/** What a run is called. A click lets it be called something else. */
function RunTitle({ run, title, when }: { run: StoredRun; title: string; when: string }) {
  const [draft, setDraft] = useState<string | null>(null)
  const keep = () => {
    if (draft !== null && draft.trim() !== (run.name ?? '')) void nameRun(run.id, draft)
    setDraft(null)
  }
  if (draft !== null)
    return (
      <input
        ref={focusAtOnce}
        aria-label={`Name of the run of ${when}`}
        className="field h-[28px]! w-[180px]!"
        maxLength={MOST_OF_NAME}
        placeholder={when}
        value={draft}
        onChange={({ target }) => setDraft(target.value)}
        onBlur={keep}
        onKeyDown={({ key }) => {
          if (key === 'Enter') keep()
          if (key === 'Escape') setDraft(null)
        }}
      />
    )
  return (
    <button
      type="button"
      title="Rename"
      aria-label={`Rename the run of ${when}`}
      className="w-[130px] text-left hover:underline"
      onClick={() => setDraft(run.name ?? '')}
    >
      {title}
      {title !== when && <span className="block text-fine text-quiet">{when}</span>}
    </button>
  )
}

/** Does a worker of some tab still write to the run? What lost its end only says so. */
function useIsWritten({ id, state }: StoredRun): boolean {
  const [isWritten, setIsWritten] = useState(state === 'running')
  useEffect(() => {
    if (state !== 'running') return setIsWritten(false)
    const ask = () => void isRunWritten(id).then(setIsWritten)
    ask()
    const timer = setInterval(ask, 2000)
    return () => clearInterval(timer)
  }, [id, state])
  return isWritten
}

function PastRun({
  run,
  name: { title, when, made },
  onOpen,
  onResume,
}: {
  run: StoredRun
  name: RunName
  onOpen: () => void
  onResume: (() => void) | null
}) {
  const isWritten = useIsWritten(run)
  const state = run.state === 'running' && !isWritten ? 'stopped' : run.state
  const [isAsking, setIsAsking] = useState(false)
  return (
    <li className="flex items-center gap-4 border-b border-line py-[6px] max-md:flex-wrap max-md:gap-x-3">
      <RunTitle run={run} title={title} when={when} />
      <span className="w-[80px]">{count(run.pages, 'page')}</span>
      <span className="w-[70px] text-right tabular-nums text-quiet">{run.size !== undefined && bytes(run.size)}</span>
      <span className="flex-1 text-quiet">
        {run.summary && `${count(run.summary.error, 'error')}, ${count(run.summary.warning, 'warning')}`}
        {STATES[state] && ` · ${STATES[state]}`}
        {made && ` · ${made}`}
      </span>
      {isAsking ? (
        <>
          <span>
            Delete this run for good?
            {run.launchedAt && ' Without it, which copies of it are out of date can’t be told.'}
          </span>
          <button type="button" className="button text-wrong" onClick={() => void deleteRun(run.id)}>
            Delete
          </button>
          <button type="button" className="button" onClick={() => setIsAsking(false)}>
            Keep
          </button>
        </>
      ) : (
        <>
          {onResume && (
            <button type="button" className="button" onClick={onResume} aria-label={`Go on with the run of ${when}`}>
              Go on
            </button>
          )}
          <button type="button" className="button" onClick={onOpen} aria-label={`Open the run of ${when}`}>
            Open
          </button>
          <button
            type="button"
            className="button"
            onClick={() => setIsAsking(true)}
            aria-label={`Delete the run of ${when}`}
            disabled={isWritten}
          >
            Delete …
          </button>
        </>
      )}
    </li>
  )
}
