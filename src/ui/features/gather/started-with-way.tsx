'use client'

import type { StartedWith } from '@/core/crawl'
import type { GatherSource } from '@/workers/protocol'
import { completeAddress, crawlFrom } from '../../state/run/sources'
import { useStartedWith } from '../../state/run/started-with'

const sourceOf = (given: StartedWith): GatherSource =>
  given.kind === 'address'
    ? crawlFrom(completeAddress(given.address) ?? given.address)
    : { kind: 'served', of: given.kind, name: given.name, site: null }

/** What the app was started with, one click away. Nothing is read before that click: an address alone starts nothing. */
export function StartedWithWay({ onStart }: { onStart: (source: GatherSource) => void }) {
  const given = useStartedWith()
  if (!given) return null
  const isAddress = given.kind === 'address'
  return (
    <section
      aria-labelledby="way-started-with"
      className="flex flex-wrap items-center gap-x-4 gap-y-3 rounded-card border border-line bg-sheet px-5 py-4"
    >
      <div className="min-w-0 flex-1">
        <h2 id="way-started-with" className="font-mono text-body font-semibold [overflow-wrap:anywhere]">
          {isAddress ? given.address : given.name}
        </h2>
        <p className="text-quiet">
          {isAddress
            ? 'The address that this app was started with.'
            : `The ${given.kind} that this app was started with. Its files are read where they lie, each time they are asked for.`}
        </p>
      </div>
      <button type="button" className="button button-main" onClick={() => onStart(sourceOf(given))}>
        Gather it
      </button>
    </section>
  )
}
