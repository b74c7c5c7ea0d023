'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { pathOn } from '@/core/address'
import type { RefreshEntry } from '@/core/compare'
import { REASON_WORDS } from '@/core/report'
import type { Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { dayAndTime } from '../../kit/words'
import type { GoTo } from '../../state/view/use-view'
import { askingHref, readAskingPatterns } from './asking-pattern'
import { HeldAndNow } from './held-and-now'
import { useListKeys } from './use-list-keys'

const STATES = {
  open: { sign: '○', name: 'to ask for' },
  asked: { sign: '◐', name: 'asked, not yet renewed' },
  done: { sign: '●', name: 'asked and renewed' },
} as const

type Props = {
  entries: readonly RefreshEntry[]
  surface: Surface
  run: StoredRun
  goTo: GoTo
  onAsked: (address: string, renewed: boolean) => Promise<void>
  onTakeBack: (address: string) => Promise<void>
  /** The address that was ticked off last, whichever line it is of; null where none was. */
  lastAsked: string | null
}

/** The list to work through: O asks and ticks off, T ticks off what was asked by hand, N says that asking was in vain, U takes the last of it back. */
export function RefreshTable({ entries, surface, run, goTo, onAsked, onTakeBack, lastAsked }: Props) {
  const { site } = run.source
  const [chosen, setChosen] = useState<string | null>(null)
  const found = entries.findIndex(({ address }) => address === chosen)
  const at = found < 0 && entries.length > 0 ? 0 : found
  const entry = entries[at]
  const pane = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: entries.length,
    getScrollElement: () => pane.current,
    estimateSize: () => 52,
    overscan: 8,
  })
  const move = useCallback((index: number) => setChosen(entries[index]!.address), [entries])
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' })
  }, [at, virtual])
  const goOn = useCallback(
    async (renewed: boolean) => {
      if (!entry) return
      // The next row is chosen, so that the list can be worked through.
      setChosen(entries[at + 1]?.address ?? entry.address)
      await onAsked(entry.address, renewed)
    },
    [entry, entries, at, onAsked],
  )
  const [said, setSaid] = useState('')
  const acts = useMemo(() => {
    const tickOff = (renewed: boolean) => {
      setSaid('')
      void goOn(renewed)
    }
    const ask = () => {
      const href = entry && askingHref(readAskingPatterns()[surface.id] ?? '', entry.address)
      if (!href) {
        // No place was asked: nothing is ticked off.
        setSaid(
          `Where ${surface.name} is asked again is not known here: write its address at the right, or ask it by hand and press T.`,
        )
        return
      }
      window.open(href, '_blank', 'noopener,noreferrer')
      tickOff(true)
    }
    const takeBack = () => {
      // The line that was done last, wherever it is: after it, the next one is chosen.
      if (lastAsked === null) return
      setSaid('')
      setChosen(lastAsked)
      void onTakeBack(lastAsked)
    }
    return {
      ask,
      'asked-by-hand': () => tickOff(true),
      'asked-in-vain': () => tickOff(false),
      'take-back': takeBack,
    }
  }, [entry, surface, goOn, onTakeBack, lastAsked])
  useListKeys({ length: entries.length, at, onMove: move, goTo, acts })
  if (entries.length === 0) {
    return (
      <p className="flex-1 py-4 text-quiet">
        {surface.name} shows what the pages say, wherever it holds a copy that is known of.
      </p>
    )
  }
  return (
    <>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_236px] gap-4 max-md:grid-cols-1">
        <div ref={pane} className="-mx-2 min-h-0 overflow-auto px-2 pb-2 max-md:max-h-[60vh]">
          <ul className="relative" style={{ height: virtual.getTotalSize() }}>
            {virtual.getVirtualItems().map((row) => {
              const one = entries[row.index]!
              return (
                <li
                  key={one.address}
                  className="absolute inset-x-0"
                  style={{ transform: `translateY(${row.start}px)`, height: row.size }}
                >
                  <EntryLine
                    entry={one}
                    site={site}
                    isChosen={row.index === at}
                    onChoose={() => setChosen(one.address)}
                  />
                </li>
              )
            })}
          </ul>
        </div>
        {entry && <HeldAndNow key={entry.address} entry={entry} surface={surface} run={run} />}
      </div>
      {entry && (
        <div className="flex shrink-0 flex-wrap items-center gap-2 border-t border-line py-2">
          <button type="button" className="button button-main h-[28px]!" onClick={acts.ask}>
            Ask again, tick off <kbd className="key">O</kbd>
          </button>
          <button type="button" className="button h-[28px]!" onClick={acts['asked-by-hand']}>
            Asked by hand <kbd className="key">T</kbd>
          </button>
          <button type="button" className="button h-[28px]!" onClick={acts['asked-in-vain']}>
            Asked, not yet renewed <kbd className="key">N</kbd>
          </button>
          <button
            type="button"
            className="button h-[28px]!"
            disabled={lastAsked === null}
            onClick={() => acts['take-back']()}
          >
            Take back <kbd className="key">U</kbd>
          </button>
          <button
            type="button"
            className="text-pick hover:underline"
            onClick={() => void navigator.clipboard.writeText(entry.address)}
          >
            Copy the address
          </button>
          <p role="status" className="basis-full text-wrong empty:hidden">
            {said}
          </p>
        </div>
      )}
    </>
  )
}

type LineProps = { entry: RefreshEntry; site: string; isChosen: boolean; onChoose: () => void }

function EntryLine({ entry, site, isChosen, onChoose }: LineProps) {
  const { address, page, reason, movedTo, held, expiresAt, state, askedAt } = entry
  const isVariant = address !== page
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      onClick={onChoose}
      className={clsx(
        'grid h-[50px] w-full grid-cols-[20px_minmax(0,1fr)_auto] items-baseline gap-x-2 rounded-card border px-2 py-[6px] text-left',
        isChosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
      )}
    >
      <span className={clsx('text-lead leading-none', state === 'done' ? 'text-good' : 'text-ink')}>
        <span aria-hidden="true">{STATES[state].sign}</span>
        <span className="sr-only">{STATES[state].name}</span>
      </span>
      <span className={clsx('truncate font-mono text-small font-semibold', state === 'done' && 'text-quiet')}>
        {isVariant ? address : pathOn(address, site)}
      </span>
      <span className={clsx('text-small', state === 'done' && 'text-quiet')}>
        {movedTo ? `page moved to ${pathOn(movedTo, site)}` : REASON_WORDS[reason]}
      </span>
      <span />
      <span className="truncate text-fine text-quiet">
        {isVariant && 'held apart · '}
        {askedAt ? `${STATES[state].name}, ${dayAndTime(askedAt)}` : `copy of ${dayAndTime(held.at)}`}
      </span>
      <span className="text-right text-fine text-quiet">
        {state === 'done'
          ? ''
          : expiresAt === null
            ? 'stays until asked for'
            : `goes by itself ${dayAndTime(expiresAt)}`}
      </span>
    </button>
  )
}
