'use client'

import { useId, useState } from 'react'
import type { StartedWith } from '@/core/crawl'
import type { GatherSource } from '@/workers/protocol'
import { completeAddress, crawlFrom } from '../../state/run/sources'
import { useStartedWith } from '../../state/run/started-with'

const sourceOf = (given: StartedWith, site: string | null): GatherSource =>
  given.kind === 'address'
    ? crawlFrom(completeAddress(given.address) ?? given.address, { site })
    : { kind: 'served', of: given.kind, name: given.name, site }

/** What the app was started with, one click away. Nothing is read before that click: an address alone starts nothing. */
export function StartedWithWay({ onStart }: { onStart: (source: GatherSource) => void }) {
  const id = useId()
  const [site, setSite] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const given = useStartedWith()
  if (!given) return null
  const isAddress = given.kind === 'address'
  const start = () => {
    const production = completeAddress(site)
    if (site.trim() !== '' && production === null)
      setFault(`“${site.trim()}” is no http address. Try https://example.org`)
    else onStart(sourceOf(given, production))
  }
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
      <label className="grid gap-1" htmlFor={`${id}-site`}>
        <span className="sr-only">Production address of {isAddress ? given.address : given.name}</span>
        <input
          id={`${id}-site`}
          className="field w-[230px] font-mono text-small"
          placeholder="production URL: from the pages"
          inputMode="url"
          spellCheck={false}
          value={site}
          onChange={(event) => setSite(event.target.value)}
        />
      </label>
      <button type="button" className="button button-main" onClick={start}>
        Gather it
      </button>
      {fault && (
        <p role="alert" className="w-full font-semibold text-wrong">
          {fault}
        </p>
      )}
    </section>
  )
}
