'use client'

import { useId, useState } from 'react'
import type { CrawlRequest } from '@/core/crawl/wire'

/** `localhost:3000` is meant as http; anything else without a scheme as https. */
export function completeAddress(typed: string): string | null {
  const text = typed.trim()
  if (text === '') return null
  const isLocal = /^(?:localhost|127\.|10\.|192\.168\.|\[::1\])/i.test(text)
  const whole = /^[a-z][a-z0-9+.-]*:\/\//i.test(text) ? text : `${isLocal ? 'http' : 'https'}://${text}`
  return URL.canParse(whole) && /^https?:$/.test(new URL(whole).protocol) ? new URL(whole).href : null
}

export function AddressForm({
  onStart,
  given,
}: {
  onStart: (request: CrawlRequest) => void
  given: CrawlRequest | null
}) {
  const id = useId()
  const [address, setAddress] = useState(given?.start ?? '')
  const [site, setSite] = useState(given?.site ?? '')
  const [ignoreRobots, setIgnoreRobots] = useState(given?.ignoreRobots ?? false)
  const [fault, setFault] = useState<string | null>(null)
  const submit = (event: React.FormEvent) => {
    event.preventDefault()
    const start = completeAddress(address)
    const production = site.trim() === '' ? null : completeAddress(site)
    if (start === null) return setFault(`“${address.trim()}” is no http address. Try http://localhost:3000`)
    if (production === null && site.trim() !== '')
      return setFault(`“${site.trim()}” is no http address. Try https://example.org`)
    setFault(null)
    onStart({ start, site: production, ignoreRobots })
  }
  return (
    <form onSubmit={submit} className="grid gap-3" noValidate>
      <div className="grid gap-1">
        <label htmlFor={`${id}-address`} className="font-semibold">
          Address
        </label>
        <input
          id={`${id}-address`}
          className="field font-mono text-[12.5px]"
          placeholder="http://localhost:3000"
          inputMode="url"
          autoComplete="url"
          spellCheck={false}
          value={address}
          onChange={(event) => setAddress(event.target.value)}
          aria-describedby={fault ? `${id}-fault` : undefined}
          aria-invalid={fault !== null}
        />
      </div>
      <div className="grid gap-1">
        <label htmlFor={`${id}-site`} className="font-semibold">
          Production address{' '}
          <span className="font-normal text-quiet">
            – where the pages will live. Left empty, it is taken from the start page’s own tags.
          </span>
        </label>
        <input
          id={`${id}-site`}
          className="field font-mono text-[12.5px]"
          placeholder="https://example.org"
          inputMode="url"
          spellCheck={false}
          value={site}
          onChange={(event) => setSite(event.target.value)}
        />
      </div>
      <div className="flex items-center gap-4">
        <button type="submit" className="button button-main">
          Gather pages
        </button>
        <label className="flex items-center gap-2 text-quiet">
          <input type="checkbox" checked={ignoreRobots} onChange={(event) => setIgnoreRobots(event.target.checked)} />
          Pass over robots.txt (your own staging)
        </label>
      </div>
      {fault && (
        <p id={`${id}-fault`} role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </form>
  )
}
