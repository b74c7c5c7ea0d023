'use client'

import type { CrawlRequest } from '@/core/crawl/wire'
import { clearFailure, startRun, useSession } from '../run/session'
import type { GoTo } from '../view/use-view'
import { AddressForm } from './address-form'
import { PastRuns } from './past-runs'
import { RunProgress } from './run-progress'

/** Ways in, the run that goes on, and the runs that are kept. */
export function GatherArea({ demo, goTo }: { demo: string | null; goTo: GoTo }) {
  const session = useSession()
  const start = (request: CrawlRequest) =>
    goTo({ area: 'gather', run: startRun(request), page: null, section: null, symptoms: [], search: '' }, 'replace')
  if (session.kind === 'running' || session.kind === 'ended') {
    return <RunProgress session={session} goTo={goTo} onStartOver={() => start(session.request)} />
  }
  return (
    <div className="h-full overflow-auto">
      <div className="mx-auto grid max-w-[1120px] gap-8 px-6 py-9 max-md:px-4 max-md:py-5">
        <h1 className="max-w-[22em] font-display text-[34px] font-semibold leading-[1.12] tracking-[-.015em] max-md:text-[26px]">
          See the card that every kind of place would show for a link to each of your pages, before launch.
        </h1>
        {session.kind === 'failed' && (
          <Failure
            message={session.message}
            kept={session.kept}
            onSeen={clearFailure}
            onOpen={() => goTo({ area: 'wall', run: session.runId })}
          />
        )}
        <div className="grid grid-cols-[1.6fr_1fr] gap-4 max-md:grid-cols-1">
          <section aria-labelledby="way-address" className="rounded-card border border-line bg-sheet p-5">
            <h2 id="way-address" className="text-[15px] font-semibold">
              A running address
            </h2>
            <p className="mb-4 text-quiet">
              Your own machine, a staging host, or a site that is public. Links are followed from there.
            </p>
            <AddressForm onStart={start} given={session.kind === 'failed' ? session.request : null} />
          </section>
          {demo && (
            <section aria-labelledby="way-demo" className="flex flex-col rounded-card border border-line bg-sheet p-5">
              <h2 id="way-demo" className="text-[15px] font-semibold">
                The demo
              </h2>
              <p className="mb-4 text-quiet">
                Brasswick Mending Hall: 48 pages of a repair hall, about half of them with something wrong.
              </p>
              <button
                type="button"
                className="button mt-auto self-start"
                onClick={() => start({ start: demo, site: null })}
              >
                Gather the demo
              </button>
            </section>
          )}
        </div>
        <PastRuns goTo={goTo} />
      </div>
    </div>
  )
}

function Failure({
  message,
  kept,
  onSeen,
  onOpen,
}: {
  message: string
  kept: number
  onSeen: () => void
  onOpen: () => void
}) {
  return (
    <div role="alert" className="flex items-start gap-4 rounded-card border border-wrong bg-wrong-soft p-4">
      <div className="flex-1">
        <p className="font-semibold">The run could not go on</p>
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
