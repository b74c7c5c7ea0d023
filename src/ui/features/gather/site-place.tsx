'use client'

import { useId, useState } from 'react'
import { isNamedSite, pathnameOf } from '@/core/address'
import type { RunSource } from '@/core/model'
import { completeAddress } from '../../state/run/sources'

/** Where the site of a run lives, in words: `https://example.org/bench/`, or its path alone. */
function siteWords({ site }: Pick<RunSource, 'site'>): string {
  if (isNamedSite(site)) return site
  const path = pathnameOf(site)
  return path === '/' ? 'No production URL yet' : `No production URL yet, under ${path}`
}

/** What says so, as a sentence. */
function evidenceWords({ site, siteFrom }: RunSource): string {
  if (!isNamedSite(site)) return 'Its pages name none, so their URLs are given as paths.'
  return siteFrom === undefined ? 'As you said.' : `From ${siteFrom}.`
}

/**
 * Where the site of a run lives, with what says so. It can be corrected: the run is made again for the other URL, and
 * only what that changes is read.
 *
 * @param onChange absent where the source can't be read again without asking for it
 */
export function SitePlace({ source, onChange }: { source: RunSource; onChange: ((site: string) => void) | null }) {
  const id = useId()
  const { site, siteOther } = source
  const [typed, setTyped] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const submit = (event: React.FormEvent) => {
    event.preventDefault()
    const wanted = completeAddress(typed)
    if (wanted === null) setFault(`“${typed.trim()}” is no http URL. Try https://example.org/docs/`)
    else onChange?.(wanted)
  }
  return (
    <section aria-labelledby={`${id}-name`}>
      <h2 id={`${id}-name`} className="mb-1 font-semibold">
        Production URL
      </h2>
      <p className="font-mono text-small [overflow-wrap:anywhere]">{siteWords(source)}</p>
      <p className="text-quiet">{evidenceWords(source)}</p>
      {siteOther && (
        <p className="mt-1">
          Other signs say <span className="font-mono text-small">{siteOther.site}</span> ({siteOther.evidence}). Which
          is right?{' '}
          {onChange && (
            <button type="button" className="text-pick hover:underline" onClick={() => onChange(siteOther.site)}>
              Use {siteOther.site}
            </button>
          )}
        </p>
      )}
      {onChange && (
        <form onSubmit={submit} noValidate className="mt-2 flex gap-2">
          <input
            aria-label="Another production URL"
            aria-describedby={fault ? `${id}-fault` : undefined}
            aria-invalid={fault !== null}
            className="field min-w-0 flex-1 font-mono text-small"
            placeholder={isNamedSite(site) ? site : 'https://example.org'}
            inputMode="url"
            spellCheck={false}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <button type="submit" className="button" disabled={typed.trim() === ''}>
            Change
          </button>
        </form>
      )}
      {fault && (
        <p id={`${id}-fault`} role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </section>
  )
}
