'use client'

import { clsx } from 'clsx'
import { type ReactNode, useEffect, useState } from 'react'
import { limits, parseUrl, pathOf } from '@/core/address'
import type { CrawlRequest } from '@/core/crawl'
import { mainPlace } from '@/core/surface'
import { addTo } from '@/core/text'
import type { WallRow } from '@/store/database'
import type { Trouble } from '@/workers/protocol'
import { count, dayAndTime, duration, shortAddress } from '../../kit/words'
import { WallCard } from '../../parts/card/wall-card'
import { notesToKnow } from '../../state/run/notes-to-know'
import { keepOwnPictureHost } from '../../state/run/own-picture-hosts'
import { type Session, stopRun } from '../../state/run/session'
import { sourceName } from '../../state/run/sources'
import { useNewestRows, useRun } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'
import type { GoTo } from '../../state/view/use-view'
import { LoginWanted } from './login-wanted'
import { SitePlace } from './site-place'

type Live = Extract<Session, { kind: 'running' | 'ended' }>

/** Cards shown while they come: the newest. */
const CARDS_SHOWN = 24

/** What can be done with a run: while it goes on, and once it has ended. */
type RunActs = {
  /** Gathers the same again; null where not all of it is known. */
  onStartOver: (() => void) | null
  /** Gathers the same again and takes nothing from an earlier run; null where nothing was taken. */
  onReadAnew: (() => void) | null
  onLeave: () => void
  /** Goes on where the run was stopped; null where that can't be done. */
  onGoOn: (() => void) | null
  /** Makes the run again for another production URL; null where the source is not known whole. */
  onSite: ((site: string) => void) | null
  /** Makes the run again with a login. */
  onLogin: (login: NonNullable<CrawlRequest['login']>) => void
}

/** A run as it goes on: its pages as they come, how far it is, and what there is to know. */
export function RunProgress({ session, goTo, ...acts }: { session: Live; goTo: GoTo } & RunActs) {
  const newest = useNewestRows(session.runId, CARDS_SHOWN)
  const nowMs = useNow(session.kind === 'running')
  const elapsedMs = (session.endedAtMs ?? nowMs) - session.startedAtMs
  const rate = session.done / Math.max(0.5, elapsedMs / 1000)
  return (
    <div className="grid h-full grid-cols-[1fr_320px] max-md:grid-cols-1 max-md:overflow-auto">
      <section aria-label="Pages as they come" className="flex min-h-0 flex-col">
        <div className="flex items-end gap-6 px-6 pb-4 pt-6 max-md:flex-wrap max-md:px-4">
          <HowFar session={session} rate={rate} onReadAnew={acts.onReadAnew} />
          <RunButtons session={session} goTo={goTo} {...acts} />
        </div>
        <div className="mx-6 h-[3px] shrink-0 overflow-hidden rounded bg-line max-md:mx-4" aria-hidden="true">
          <div
            className="h-full bg-ink transition-[width] duration-300"
            style={{ width: `${(100 * session.done) / Math.max(1, session.done + session.waiting)}%` }}
          />
        </div>
        <section className="min-h-0 flex-1 overflow-auto px-6 py-4 max-md:px-4" tabIndex={0} aria-label="Newest cards">
          <div className="columns-4 gap-3 max-lg:columns-3 max-md:columns-2">
            {newest.map((row) => (
              <SmallCard key={row.url} row={row} onOpen={() => goTo({ area: 'page', run: row.run, page: row.path })} />
            ))}
          </div>
        </section>
      </section>
      <aside className="flex min-h-0 flex-col gap-5 overflow-auto border-l border-line bg-sheet p-5 max-md:border-l-0 max-md:border-t">
        <Figures session={session} elapsedMs={elapsedMs} rate={rate} />
        <WhereItLives session={session} onSite={acts.onSite} />
        <AtALogin session={session} onLogin={acts.onLogin} />
        {session.kind === 'running' && <BeingFetched addresses={session.fetching} />}
        <SlowestAnswers session={session} />
        <SlowedHosts hosts={session.slowed} onStartOver={acts.onStartOver} />
        <ToKnow run={session.runId} />
        <Troubles troubles={session.troubles} />
      </aside>
    </div>
  )
}

/** Where the site lives, once that is known; to be corrected once the run has ended. */
function WhereItLives({ session, onSite }: { session: Live } & Pick<RunActs, 'onSite'>) {
  const run = useRun(session.runId)
  if (run.kind !== 'ready') return null
  return <SitePlace source={run.value.source} onChange={session.kind === 'ended' ? onSite : null} />
}

const LOGIN_TROUBLE = /^answered (?:401|403)$/

/** A run that came to a login leads to the fields for one. */
function AtALogin({ session, onLogin }: { session: Live } & Pick<RunActs, 'onLogin'>) {
  const run = useRun(session.runId)
  if (session.kind !== 'ended' || session.source.kind !== 'crawl' || run.kind !== 'ready') return null
  const behind = session.troubles.filter(({ message }) => LOGIN_TROUBLE.test(message)).length
  const signIn = run.value.notes.find(({ kind }) => kind === 'login-wanted')
  if (behind === 0 && !signIn) return null
  const words = signIn?.message ?? `${count(behind, 'page')} ${behind === 1 ? 'is' : 'are'} behind a login.`
  return <LoginWanted words={words} onLogin={onLogin} />
}

function HowFar({ session, rate, onReadAnew }: { session: Live; rate: number } & Pick<RunActs, 'onReadAnew'>) {
  const isEstimated = session.kind === 'running' && session.waiting > 0 && rate > 0
  return (
    <div aria-live="polite">
      <h1 className="font-display text-hero font-semibold leading-none tracking-[-.015em]">
        {count(session.done, 'page')}
        <span className="text-quiet"> of about {(session.done + session.waiting).toLocaleString('en')}</span>
      </h1>
      <p className="mt-2 text-quiet">
        {headline(session)} {isEstimated && `About ${duration((session.waiting / rate) * 1000)} left.`}
      </p>
      {session.taken && (
        <p className="text-quiet">
          {takenWords(session.taken)}{' '}
          {onReadAnew && (
            <button type="button" className="text-pick hover:underline" onClick={onReadAnew}>
              Read everything again
            </button>
          )}
        </p>
      )}
    </div>
  )
}

/** What a run took from the one before it. */
function takenWords({ pages, pictures, sinceMs }: NonNullable<Live['taken']>): string {
  const parts = [pages > 0 && count(pages, 'page'), pictures > 0 && count(pictures, 'picture')].filter(Boolean)
  const isOne = pages + pictures === 1
  const since = dayAndTime(new Date(sinceMs).toISOString())
  return `${parts.join(' and ')} ${isOne ? 'has' : 'have'} not changed since the run of ${since}, and ${isOne ? 'was' : 'were'} taken from it.`
}

function RunButtons({
  session,
  goTo,
  onLeave,
  onGoOn,
  onStartOver,
}: { session: Live; goTo: GoTo } & Pick<RunActs, 'onLeave' | 'onGoOn' | 'onStartOver'>) {
  const isRunning = session.kind === 'running'
  return (
    <div className="ml-auto flex gap-2">
      {isRunning && (
        <button type="button" className="button" onClick={stopRun}>
          Stop
        </button>
      )}
      {!isRunning && (
        <button type="button" className="button" onClick={onLeave}>
          Gather something else
        </button>
      )}
      {!isRunning && onGoOn && (
        <button type="button" className="button" onClick={onGoOn}>
          Go on
        </button>
      )}
      {!isRunning && onStartOver && (
        <button type="button" className="button" onClick={onStartOver}>
          Run again
        </button>
      )}
      {session.done > 0 && (
        <button
          type="button"
          className={clsx('button', !isRunning && 'button-main')}
          onClick={() => goTo({ area: 'wall', run: session.runId })}
        >
          Open the Wall
        </button>
      )}
    </div>
  )
}

function Figures({ session, elapsedMs, rate }: { session: Live; elapsedMs: number; rate: number }) {
  const run = useRun(session.runId)
  const summary = run.kind === 'ready' ? run.value.summary : null
  return (
    <dl className="grid grid-cols-2 gap-x-4 gap-y-3">
      <Figure name="Pictures" value={session.images.toLocaleString('en')} />
      <Figure name="Waiting" value={session.waiting.toLocaleString('en')} />
      <Figure name="Time" value={duration(elapsedMs)} />
      <Figure name="Pages a second" value={rate.toFixed(rate < 10 ? 1 : 0)} />
      {summary && <Figure name="Errors" value={String(summary.error)} />}
      {summary && <Figure name="Warnings" value={String(summary.warning)} />}
    </dl>
  )
}

function Told({ name, children }: { name: string; children: ReactNode }) {
  return (
    <div>
      <h2 className="mb-1 font-semibold">{name}</h2>
      {children}
    </div>
  )
}

function BeingFetched({ addresses }: { addresses: readonly string[] }) {
  return (
    <Told name="Being fetched">
      <ul className="font-mono text-fine text-quiet">
        {addresses.slice(0, 8).map((url) => (
          <li key={url} className="truncate">
            {shortAddress(url)}
          </li>
        ))}
      </ul>
    </Told>
  )
}

function SlowestAnswers({ session }: { session: Live }) {
  if (session.slow.length === 0) return null
  return (
    <Told name="Slowest answers">
      <ul className="grid grid-cols-[minmax(0,1fr)] gap-[2px] text-small">
        {session.slow.map(({ url, ms }) => (
          <li key={url} className="flex items-baseline gap-3">
            <span className="shrink-0 tabular-nums">{(ms / 1000).toFixed(1)} s</span>
            <span className="min-w-0 truncate font-mono text-fine text-quiet" title={url}>
              {pathOf(url)}
            </span>
          </li>
        ))}
      </ul>
    </Told>
  )
}

/** Hosts whose pictures are asked for slowly, and the way to say that one is the reader's own. */
function SlowedHosts({ hosts, onStartOver }: { hosts: readonly string[]; onStartOver: (() => void) | null }) {
  if (hosts.length === 0) return null
  return (
    <Told name="Hosts that are not the site’s">
      <p className="text-quiet">
        Their pictures are asked for at most twice a second each, {limits.foreignPictures} times in all.
      </p>
      <ul className="mt-1 grid gap-1">
        {hosts.map((host) => (
          <li key={host} className="flex flex-wrap items-baseline justify-between gap-x-3">
            <span className="font-mono text-fine [overflow-wrap:anywhere]">{host}</span>
            {onStartOver && (
              <button
                type="button"
                className="shrink-0 text-pick hover:underline"
                onClick={() => {
                  keepOwnPictureHost(host)
                  onStartOver()
                }}
              >
                It is ours: gather again<span className="sr-only"> with {host}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
    </Told>
  )
}

function ToKnow({ run: id }: { run: string }) {
  const run = useRun(id)
  const messages = run.kind === 'ready' ? notesToKnow(run.value) : []
  if (messages.length === 0) return null
  return (
    <Told name="To know">
      <ul className="grid gap-1 text-quiet">
        {messages.map((message) => (
          <li key={message}>{message}</li>
        ))}
      </ul>
    </Told>
  )
}

function Troubles({ troubles }: { troubles: readonly Trouble[] }) {
  return (
    <Told name="Troubles on the way">
      {troubles.length === 0 && <p className="text-quiet">None so far.</p>}
      <ul className="grid gap-2">
        {groupTroubles(troubles).map(({ kind, addresses }) => (
          <li key={kind}>
            <div>
              {kind} {addresses.length > 1 && <span className="text-quiet">{addresses.length} times</span>}
            </div>
            {addresses.slice(0, ADDRESSES_NAMED).map((url) => (
              <div key={url} className="truncate font-mono text-fine text-quiet" title={url}>
                {shortAddress(url)}
              </div>
            ))}
          </li>
        ))}
      </ul>
    </Told>
  )
}

/** Addresses named under one kind of trouble. */
const ADDRESSES_NAMED = 4

/** Troubles of one kind together, the kind with most of them first. Hosts aside, the words are the kind. */
export function groupTroubles(troubles: readonly Trouble[]): { kind: string; addresses: string[] }[] {
  const groups = new Map<string, string[]>()
  for (const { url, message } of troubles) {
    const host = parseUrl(url)?.host ?? ''
    const words = message
      .replace(`${host} `, 'The host ')
      .replace(/^answered/, 'It answered')
      .replace(/([^.])$/, '$1.')
    addTo(groups, words, url)
  }
  return [...groups]
    .map(([kind, addresses]) => ({ kind, addresses }))
    .sort((a, b) => b.addresses.length - a.addresses.length)
}

function headline(session: Live): string {
  const place = session.site ? shortAddress(session.site) : shortAddress(sourceName(session.source))
  if (session.kind === 'running' && session.isStoring) return `Keeping the pictures of ${place}.`
  if (session.kind === 'running') return session.site ? `Gathering ${place}.` : `Asking ${place} …`
  return session.stopped ? `Stopped. What ${place} gave so far is kept.` : `${place} is gathered.`
}

function Figure({ name, value }: { name: string; value: string }) {
  return (
    <div>
      <dt className="text-fine text-quiet">{name}</dt>
      <dd className="font-display text-head font-semibold leading-tight tabular-nums">{value}</dd>
    </div>
  )
}

function SmallCard({ row, onOpen }: { row: WallRow; onOpen: () => void }) {
  const surface = mainPlace(useSurfaces())
  const face = row.faces[surface.id]
  if (!face) return null
  return (
    <button type="button" onClick={onOpen} className="mb-3 block w-full break-inside-avoid text-left">
      <WallCard run={row.run} surface={surface} face={face} />
      <span className="mt-1 block truncate font-mono text-fine text-quiet">{row.path}</span>
    </button>
  )
}

/** The time, once a second, while somebody needs it. */
function useNow(isTicking: boolean): number {
  const [now, setNow] = useState(() => Date.now())
  useEffect(() => {
    if (!isTicking) return
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [isTicking])
  return now
}
