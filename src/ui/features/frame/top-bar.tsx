'use client'

import { clsx } from 'clsx'
import { DropdownMenu } from 'radix-ui'
import { useEffect, useRef } from 'react'
import type { StoredRun } from '@/store/database'
import { clockTime, count, shortAddress } from '../../kit/words'
import { runNames } from '../../parts/run-names'
import { stopRun, useSession } from '../../state/run/session'
import { useRuns } from '../../state/run/use-run'
import { type Area, stops } from '../../state/view/areas'
import type { GoTo } from '../../state/view/use-view'
import { type RouteState, viewHref } from '../../state/view/view'
import { JumpBox } from './jump-box'
import { Mark } from './mark'
import { RunAgain } from './run-again'

type Props = { view: RouteState; goTo: GoTo; run: StoredRun | null; demo: string | null }

export function TopBar({ view, goTo, run, demo }: Props) {
  return (
    <header className="flex h-[50px] shrink-0 print:hidden items-center gap-3 bg-bar px-4 text-bar-ink max-md:gap-2 max-md:px-2">
      <a
        href="/"
        onClick={(event) => follow(event, () => goTo({ area: 'gather', page: null }))}
        className="flex items-center gap-2 rounded"
        aria-label="Nimble Parrot, Gather"
      >
        <Mark />
        <span className="font-display whitespace-nowrap text-title font-bold tracking-[-.01em] max-lg:hidden">
          Nimble Parrot
        </span>
      </a>
      <RunChip run={run} goTo={goTo} />
      <nav
        aria-label="Areas"
        className="mx-auto flex shrink-0 items-center max-lg:mx-0 max-lg:min-w-0 max-lg:flex-1 max-lg:overflow-x-auto"
      >
        {stops.map(({ id, name }, index) => (
          <TrackStop key={id} area={id} name={name} isFirst={index === 0} view={view} run={run} goTo={goTo} />
        ))}
      </nav>
      <JumpBox view={view} goTo={goTo} run={run} demo={demo} />
      <MainAction run={run} goTo={goTo} />
    </header>
  )
}

/** Links stay links: only a plain click is ours. */
function follow(event: React.MouseEvent, go: () => void): void {
  if (event.metaKey || event.ctrlKey || event.shiftKey || event.button !== 0) return
  event.preventDefault()
  go()
}

function TrackStop({
  area,
  name,
  isFirst,
  view,
  run,
  goTo,
}: {
  area: Area
  name: string
  isFirst: boolean
  view: RouteState
  run: StoredRun | null
  goTo: GoTo
}) {
  const link = useRef<HTMLAnchorElement>(null)
  const isHere = view.area === area || (area === 'wall' && view.area === 'page')
  const isOff = area !== 'gather' && !view.run
  const hasRun = run !== null
  // Where the track is longer than its room, the open area is in it. A run makes the room smaller.
  useEffect(() => {
    if (isHere && hasRun) link.current?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [isHere, hasRun])
  const errors = area === 'wall' ? (run?.summary?.error ?? 0) : 0
  return (
    <>
      {!isFirst && (
        <span className="mx-[3px] h-px w-[10px] shrink-0 bg-bar-quiet/50 max-md:hidden" aria-hidden="true" />
      )}
      <a
        href={viewHref({ ...view, area })}
        onClick={(event) => follow(event, () => !isOff && goTo({ area }))}
        aria-current={isHere ? 'page' : undefined}
        aria-disabled={isOff || undefined}
        ref={link}
        className={clsx(
          'flex h-8 shrink-0 items-center gap-[6px] rounded-card px-[9px] text-body font-medium max-md:px-2',
          isHere ? 'bg-bar-ink font-semibold text-bar' : 'text-bar-ink hover:bg-white/10',
          isOff && 'opacity-50',
        )}
      >
        {name}
        {area === 'gather' && run?.state === 'done' && !isHere && (
          <span aria-hidden="true" className="text-[#4fcf8f]">
            ✓
          </span>
        )}
        {errors > 0 && (
          <span
            className="text-fine font-semibold tabular-nums opacity-80"
            title={`${count(errors, 'error')} in the way of the launch`}
          >
            {errors}
            <span className="sr-only"> errors in the way</span>
          </span>
        )}
      </a>
    </>
  )
}

/** The site and its run; opens the list of runs. */
function RunChip({ run, goTo }: { run: StoredRun | null; goTo: GoTo }) {
  const runs = useRuns() ?? []
  const names = runNames(runs)
  if (!run) return null
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="flex h-8 min-w-0 items-center gap-2 rounded-card bg-white/8 px-3 text-small hover:bg-white/15 max-sm:hidden">
        <b className="truncate font-semibold">{shortAddress(run.source.site)}</b>
        <span className="truncate text-bar-quiet max-lg:hidden">
          {run.source.location !== run.source.site && `from ${shortAddress(run.source.location)}, `}
          {run.name ?? clockTime(names.get(run.id)?.readAt ?? run.startedAt)}
        </span>
        <span aria-hidden="true" className="text-bar-quiet">
          ▾
        </span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={6}
          className="z-30 max-h-[70vh] w-[420px] overflow-auto rounded-card border border-line bg-sheet p-1 text-ink shadow-xl"
        >
          <DropdownMenu.Label className="px-2 py-1 text-fine text-quiet">Runs kept in this browser</DropdownMenu.Label>
          {runs.map((one) => (
            <DropdownMenu.Item
              key={one.id}
              onSelect={() => goTo({ area: 'wall', run: one.id, page: null, section: null })}
              className={clsx(
                'flex cursor-pointer items-baseline gap-2 rounded px-2 py-[6px] outline-none data-highlighted:bg-soft',
                one.id === run.id && 'font-semibold',
              )}
            >
              <span className="flex-1 truncate">{shortAddress(one.source.site)}</span>
              <span className="max-w-[46%] text-right text-fine text-quiet">
                {names.get(one.id)!.title}
                {names.get(one.id)!.made && <span className="block truncate">{names.get(one.id)!.made}</span>}
              </span>
              <span className="w-16 text-right text-fine text-quiet">{count(one.pages, 'page')}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** What is most likely wanted now: stop what runs, else run again what is open. */
function MainAction({ run, goTo }: { run: StoredRun | null; goTo: GoTo }) {
  const session = useSession()
  const look = 'h-8 whitespace-nowrap rounded-card px-4 font-semibold max-md:px-2'
  if (session.kind === 'running') {
    return (
      <button type="button" className={clsx(look, 'bg-bar-ink text-bar')} onClick={stopRun}>
        Stop
      </button>
    )
  }
  return run && <RunAgain run={run} goTo={goTo} className={look} />
}
