'use client'

import { useId, useState } from 'react'
import { readList, readSitemap } from '@/core/crawl/sitemap'
import type { GatherSource } from '@/workers/protocol'
import { completeAddress } from './sources'

/** Addresses as a person pastes them: one a line, or the text of a sitemap. */
export function pastedAddresses(text: string): string[] {
  if (text.trimStart().startsWith('<')) return readSitemap(text).pages
  return readList(text).flatMap((line) => completeAddress(line) ?? [])
}

/** A pasted list, a sitemap's text, or a sitemap's address. */
export function ListForm({ onStart }: { onStart: (source: GatherSource) => void }) {
  const id = useId()
  const [text, setText] = useState('')
  const [site, setSite] = useState('')
  const [follow, setFollow] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const addresses = pastedAddresses(text)
  const only = addresses.length === 1 ? addresses[0] : undefined
  const sitemap = only && /\.xml(?:\.gz)?$/i.test(new URL(only).pathname) ? only : null
  const submit = (event: React.FormEvent) => {
    event.preventDefault()
    if (addresses.length === 0) {
      setFault('There is no http or https address in it. Paste one a line, or the address of a sitemap.')
      return
    }
    const production = completeAddress(site)
    if (site.trim() !== '' && production === null) {
      setFault(`“${site.trim()}” is no http address. Try https://example.org`)
      return
    }
    const from = sitemap
      ? ({ kind: 'sitemap', address: sitemap, follow } as const)
      : ({ kind: 'list', addresses, follow } as const)
    onStart({ kind: 'crawl', request: { from, site: production } })
  }
  return (
    <form onSubmit={submit} className="grid gap-3">
      <label htmlFor={`${id}-list`} className="sr-only">
        Addresses
      </label>
      <textarea
        id={`${id}-list`}
        className="field h-[92px]! py-2 font-mono text-[12.5px]"
        placeholder={'https://example.org/\nhttps://example.org/about\n\nor https://example.org/sitemap.xml'}
        spellCheck={false}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <input
        aria-label="Production address of the list"
        className="field font-mono text-[12.5px]"
        placeholder="production address, if it is another"
        inputMode="url"
        spellCheck={false}
        value={site}
        onChange={(event) => setSite(event.target.value)}
      />
      <div className="flex flex-wrap items-center gap-4">
        <button type="submit" className="button">
          {sitemap ? 'Gather the sitemap' : `Gather ${addresses.length || 'these'} addresses`}
        </button>
        <label className="flex items-center gap-2 text-quiet">
          <input type="checkbox" checked={follow} onChange={(event) => setFollow(event.target.checked)} />
          Follow links from there
        </label>
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </form>
  )
}
