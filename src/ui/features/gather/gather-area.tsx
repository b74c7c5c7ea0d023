'use client'

import type { ReactNode } from 'react'
import type { CrawlRequest } from '@/core/crawl'
import type { GatherSource } from '@/workers/protocol'
import { leaveSession, type Session, startRun, useSession } from '../../state/run/session'
import { crawlFrom, isWhole } from '../../state/run/sources'
import type { GoTo } from '../../state/view/use-view'
import { AddressForm } from './address-form'
import { FilesForm } from './files-form'
import { ListForm } from './list-form'
import { PastRuns } from './past-runs'
import { RunProgress } from './run-progress'
import { StartedWithWay } from './started-with-way'

/** A crawl that was stopped knows what it had not asked for yet. Files would have to be given again. */
const canGoOn = (session: Session) =>
  session.kind === 'ended' && session.stopped && session.waiting > 0 && session.source.kind === 'crawl'

/** The same source with nothing taken from an earlier run. */
const withoutSince = ({ since: _since, ...source }: GatherSource): GatherSource => source

/** The same source, for another production URL: what has not changed is taken from the run before. */
const withSite = (source: GatherSource, site: string, since: string): GatherSource =>
  source.kind === 'crawl' ? { ...source, since, request: { ...source.request, site } } : { ...source, since, site }

/** The same source with a login. */
const withLogin = (source: GatherSource, login: CrawlRequest['login']): GatherSource =>
  source.kind === 'crawl' ? { ...source, request: { ...source.request, login } } : source

/** Ways in, the run that goes on, and the runs that are kept. */
export function GatherArea({
  demo,
  editedDemo,
  goTo,
}: {
  demo: string | null
  /** The demo as it is a week after its launch. */
  editedDemo: string | null
  goTo: GoTo
}) {
  const session = useSession()
  const start = (source: GatherSource, resumed: string | null = null) =>
    goTo(
      { area: 'gather', run: startRun(source, resumed), page: null, section: null, symptoms: [], search: '' },
      'replace',
    )
  if (session.kind === 'running' || session.kind === 'ended') {
    return (
      <RunProgress
        session={session}
        goTo={goTo}
        onStartOver={isWhole(session.source) ? () => start({ ...session.source, since: session.runId }) : null}
        onReadAnew={session.kind === 'ended' && session.taken ? () => start(withoutSince(session.source)) : null}
        onLeave={leaveSession}
        onGoOn={canGoOn(session) ? () => start(session.source, session.runId) : null}
        onSite={isWhole(session.source) ? (site) => start(withSite(session.source, site, session.runId)) : null}
        onLogin={(login) => start(withLogin(session.source, login))}
      />
    )
  }
  return (
    <div className="h-full overflow-auto">
      <div className="mx-auto grid max-w-[1160px] gap-6 px-6 py-7 max-md:px-4 max-md:py-5">
        <h1 className="max-w-[26em] font-display text-hero font-semibold leading-[1.15] tracking-[-.015em] max-md:text-big">
          See the card that every kind of place would show for a link to each of your pages, before launch.
        </h1>
        {session.kind === 'failed' && (
          <Failure
            title={session.wantsLogin ? 'This run needs its login' : 'The run could not go on'}
            message={session.message}
            kept={session.kept}
            onSeen={leaveSession}
            onOpen={() => goTo({ area: 'wall', run: session.runId })}
          />
        )}
        <StartedWithWay onStart={start} />
        <div className="grid grid-cols-[1.35fr_1fr_.8fr] items-start gap-4 max-lg:grid-cols-2 max-md:grid-cols-1">
          <Way
            name="A running address"
            text="Your own machine, a staging host, a public site. Links are followed from there."
          >
            <AddressForm
              onStart={start}
              given={session.kind === 'failed' ? session.source : null}
              isLoginWanted={session.kind === 'failed' && session.wantsLogin === true}
            />
          </Way>
          <Way
            name="A folder or a zip"
            text="The HTML that your build writes. It is read here and never leaves the browser."
          >
            <FilesForm onStart={start} />
          </Way>
          {demo && (
            <Way
              name="The demo"
              text="Brasswick Mending Hall: 48 pages of a repair hall, about half of them with something wrong."
            >
              <button type="button" className="button justify-self-start" onClick={() => start(crawlFrom(demo))}>
                Gather the demo
              </button>
              {editedDemo && (
                <p className="text-quiet">
                  A week later some of it is mended and edited:{' '}
                  <button
                    type="button"
                    className="text-pick hover:underline"
                    onClick={() => start(crawlFrom(editedDemo))}
                  >
                    gather it again, edited
                  </button>
                  , and see the two in Drift.
                </p>
              )}
            </Way>
          )}
        </div>
        <div className="grid grid-cols-[1fr_1.35fr] items-start gap-6 max-md:grid-cols-1">
          <section aria-labelledby="way-list">
            <h2 id="way-list" className="mb-2 text-lead font-semibold">
              A list of addresses, or a sitemap
            </h2>
            <ListForm onStart={start} />
          </section>
          <PastRuns goTo={goTo} onResume={(source, run) => start(source, run)} />
        </div>
      </div>
    </div>
  )
}

function Way({ name, text, children }: { name: string; text: string; children: ReactNode }) {
  const id = `way-${name.replaceAll(' ', '-').toLowerCase()}`
  return (
    <section aria-labelledby={id} className="grid gap-3 rounded-card border border-line bg-sheet p-5">
      <div>
        <h2 id={id} className="text-lead font-semibold">
          {name}
        </h2>
        <p className="text-quiet">{text}</p>
      </div>
      {children}
    </section>
  )
}

function Failure({
  title,
  message,
  kept,
  onSeen,
  onOpen,
}: {
  title: string
  message: string
  kept: number
  onSeen: () => void
  onOpen: () => void
}) {
  return (
    <div role="alert" className="flex items-start gap-4 rounded-card border border-wrong bg-wrong-soft p-4">
      <div className="flex-1">
        <p className="font-semibold">{title}</p>
        <p className="[overflow-wrap:anywhere]">{message}</p>
        {kept > 0 && <p>{kept} pages were gathered before and are kept.</p>}
      </div>
      {kept > 0 && (
        <button type="button" className="button" onClick={onOpen}>
          Open what was gathered
        </button>
      )}
      <button type="button" className="button" onClick={onSeen}>
        Close
      </button>
    </div>
  )
}
