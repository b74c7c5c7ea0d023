'use client'

import { useEffect, useMemo, useState } from 'react'
import { pathOn, resolveAddress } from '@/core/address'
import { pageOfAddress } from '@/core/compare'
import type { Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { keepHeldEvents, takeBackHeldEvents } from '@/store/held-events'
import { dayAndTime } from '../../kit/words'
import { firstPages } from './drift-items'
import { fromLocalInput, toLocalInput } from './local-time'
import { PageField } from './page-field'
import type { Held } from './use-held'

/** Marks shown at once; all count. */
const MAX_SHOWN = 30

/** The run that was live at a moment; the given one where none was marked so. */
export function liveAt(
  launches: readonly Pick<StoredRun, 'id' | 'launchedAt'>[],
  at: string,
  otherwise: string,
): string {
  const before = launches.filter(({ launchedAt }) => launchedAt !== undefined && launchedAt <= at)
  return before.sort((a, b) => (a.launchedAt! < b.launchedAt! ? 1 : -1))[0]?.id ?? otherwise
}

type Props = { surface: Surface; run: StoredRun; held: Held }

/** Links that were posted in this place, as far as somebody says so. */
export function SharedMarks({ surface, run, held }: Props) {
  const { site } = run.source
  const [typed, setTyped] = useState('')
  const [at, setAt] = useState('')
  useEffect(() => setAt(toLocalInput(new Date().toISOString())), [])
  const address = typed.trim() === '' ? null : resolveAddress(typed.trim().replace(/^\//, ''), site)
  const isKnown = address !== null && pageOfAddress(address, held.pages()) !== null
  const moment = fromLocalInput(at)
  const offered = useMemo(() => firstPages(held.pages()).map((url) => pathOn(url, site)), [held, site])
  const marks = held.said.filter(({ event }) => event.kind === 'shared' && event.surface === surface.id)
  const mark = async () => {
    if (address === null || moment === null) return
    const live = liveAt(held.launches, moment, run.id)
    await keepHeldEvents(site, [{ kind: 'shared', surface: surface.id, address, run: live, at: moment }])
    setTyped('')
  }
  return (
    <section aria-label={`Shared on ${surface.name}`} className="mt-4 border-t border-line pt-3">
      <h3 className="font-semibold">Shared there</h3>
      <form
        className="mt-1 grid gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void mark()
        }}
      >
        <PageField
          label="Address or path, as it was posted"
          value={typed}
          onChange={setTyped}
          offered={offered}
          placeholder="/guides/…"
        />
        <span className="flex gap-2">
          <input
            type="datetime-local"
            aria-label="When it was posted"
            className="field text-small"
            value={at}
            onChange={(event) => setAt(event.target.value)}
          />
          <button type="submit" className="button" disabled={!isKnown || moment === null}>
            Mark
          </button>
        </span>
        {typed.trim() !== '' && !isKnown && (
          <p className="text-small text-quiet">No page of this site is known under that address.</p>
        )}
      </form>
      <ul className="mt-2 grid gap-[3px] text-small">
        {marks
          .slice(-MAX_SHOWN)
          .reverse()
          .map(({ id, event }) => (
            <li key={id} className="flex items-baseline gap-2">
              <span className="min-w-0 flex-1 truncate font-mono text-fine">{pathOn(event.address, site)}</span>
              <span className="text-quiet">{dayAndTime(event.at)}</span>
              <button
                type="button"
                className="text-pick hover:underline"
                aria-label={`Take back that ${pathOn(event.address, site)} was shared`}
                onClick={() => void takeBackHeldEvents([id!])}
              >
                Take back
              </button>
            </li>
          ))}
      </ul>
    </section>
  )
}
