'use client'

import { clsx } from 'clsx'
import { useId, useState } from 'react'
import { originOf } from '@/core/address'
import { readList, readSitemap } from '@/core/crawl'
import { storageUse } from '@/store/runs'
import type { GatherSource } from '@/workers/protocol'
import { FileButton } from '../../kit/file-button'
import { useDrop } from '../../kit/use-drop'
import { count } from '../../kit/words'
import { completeAddress, listedAddress } from '../../state/run/sources'
import { BuildOfList, type ChosenBuild } from './build-of-list'
import { type LargeSource, largeSource, SAMPLE } from './large-source'
import { LargeSourceNotice } from './large-source-notice'
import { type ChosenList, readAddressFile } from './read-address-file'

/** Addresses as a person pastes them: one a line, or the text of a sitemap. */
export function pastedAddresses(text: string): string[] {
  if (text.trimStart().startsWith('<')) return readSitemap(text).pages
  return readList(text).flatMap((line) => listedAddress(line) ?? [])
}

/** The address of a sitemap, where a list is that and nothing else. */
function sitemapOf(addresses: readonly string[]): string | null {
  const only = addresses.length === 1 ? addresses[0]! : null
  return only !== null && /\.xml(?:\.gz)?$/i.test(new URL(only).pathname) ? only : null
}

/** What a long text is called that was pasted. */
const PASTED = 'What was pasted'

/** Characters from which a text that is pasted is taken like a file: a field takes seconds to hold thousands of lines. */
const LONG_PASTE = 30_000

type ListSource = Exclude<GatherSource, { kind: 'served' }>

const sampleOf = (source: ListSource): ListSource =>
  source.kind === 'crawl'
    ? { ...source, request: { ...source.request, perSection: SAMPLE } }
    : { ...source, perSection: SAMPLE }

/** Is it the name of a sitemap's file, or its text? */
const isSitemapText = (text: string) => /\.xml(?:\.gz)?$/i.test(text) || text.trimStart().startsWith('<')

type ListFile = Exclude<ChosenList, { fault: string }>

/** A pasted list, a sitemap's text or address, or a file of either, chosen or dropped. */
export function ListForm({ onStart }: { onStart: (source: GatherSource) => void }) {
  const id = useId()
  const [text, setText] = useState('')
  const [file, setFile] = useState<ListFile | null>(null)
  const [site, setSite] = useState('')
  const [follow, setFollow] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const addresses = file?.addresses ?? pastedAddresses(text)
  const sitemap = file ? null : sitemapOf(addresses)
  const said = count(addresses.length, 'address', 'addresses')
  const take = async (chosen: File | undefined) => {
    if (!chosen) return
    const read = await readAddressFile(chosen)
    setFault('fault' in read ? read.fault : null)
    if (!('fault' in read)) setFile(read)
  }
  const { isOver, place } = useDrop(({ files }) => void take(files[0]))
  const [large, setLarge] = useState<{ source: ListSource; large: LargeSource } | null>(null)
  const [build, setBuild] = useState<ChosenBuild | null>(null)
  const submit = async (event: React.FormEvent) => {
    event.preventDefault()
    setLarge(null)
    if (addresses.length === 0) {
      setFault('There is no http or https address in it. Paste one a line, or the address of a sitemap.')
      return
    }
    const production = completeAddress(site)
    if (site.trim() !== '' && production === null) {
      setFault(`“${site.trim()}” is no http address. Try https://example.org`)
      return
    }
    if (build && sitemap) {
      setFault('A sitemap’s URL is fetched, and can’t be read out of a build. Give the sitemap’s file, or its text.')
      return
    }
    if (build && production === null && new Set(addresses.map(originOf)).size > 1) {
      setFault('The URLs are of several sites. Give the production URL of the one that the build is of.')
      return
    }
    const from = sitemap
      ? ({ kind: 'sitemap', address: sitemap, follow } as const)
      : ({
          kind: 'list',
          addresses,
          follow,
          ...(file ? { name: file.name.slice(0, 200), isCut: file.isCut } : {}),
        } as const)
    const source: ListSource = build
      ? {
          ...build,
          site: production,
          only: {
            kind: isSitemapText(file?.name ?? text) ? 'sitemap' : 'list',
            name: file?.name ?? `${addresses.length} URLs`,
            addresses,
            follow,
            isCut: file?.isCut ?? false,
          },
        }
      : { kind: 'crawl', request: { from, site: production } }
    const found = largeSource(addresses.length, await storageUse().catch(() => null))
    if (found) setLarge({ source, large: found })
    else onStart(source)
  }
  return (
    <form onSubmit={(event) => void submit(event)} {...place} className="grid gap-3">
      {file ? (
        <ListFileSaid file={file} onLeave={() => setFile(null)} />
      ) : (
        <div className="grid gap-1">
          <label htmlFor={`${id}-list`} className="sr-only">
            Addresses
          </label>
          <textarea
            id={`${id}-list`}
            className={clsx('field h-[92px]! py-2 font-mono text-small', isOver && 'border-pick! bg-pick-soft!')}
            placeholder={'https://example.org/\nhttps://example.org/about\n\nor https://example.org/sitemap.xml'}
            spellCheck={false}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onPaste={(event) => {
              const pasted = event.clipboardData.getData('text/plain')
              if (pasted.length < LONG_PASTE) return
              event.preventDefault()
              void take(new File([pasted], PASTED))
            }}
          />
        </div>
      )}
      <input
        aria-label="Production address of the list"
        className="field font-mono text-small"
        placeholder="production address, if it is another"
        inputMode="url"
        spellCheck={false}
        value={site}
        onChange={(event) => setSite(event.target.value)}
      />
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <button type="submit" className="button">
          {sitemap ? 'Gather the sitemap' : `Gather ${addresses.length > 0 ? said : 'these addresses'}`}
          {build && ` from ${build.name}`}
        </button>
        <FileButton
          accept=".xml,.gz,.txt,text/plain,application/xml,application/gzip"
          onChosen={([chosen]) => void take(chosen)}
        >
          Choose a file
        </FileButton>
        <label className="flex items-center gap-2 text-quiet">
          <input type="checkbox" checked={follow} onChange={(event) => setFollow(event.target.checked)} />
          Follow links from there
        </label>
      </div>
      <BuildOfList build={build} onChange={setBuild} />
      {large && (
        <LargeSourceNotice
          name={file?.name ?? 'The list'}
          given={file && file.name !== PASTED ? file.name : 'addresses.txt'}
          large={large.large}
          isAsked
          onAll={() => onStart(large.source)}
          onSample={() => onStart(sampleOf(large.source))}
          onCancel={() => setLarge(null)}
        />
      )}
      {fault && (
        <p role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </form>
  )
}

/** The file in place of the field that addresses are pasted into. */
function ListFileSaid({ file, onLeave }: { file: ListFile; onLeave: () => void }) {
  const { name, addresses, left, isCut } = file
  return (
    <div className="flex items-start gap-3 rounded-card border border-line bg-sheet p-3">
      <div className="min-w-0 flex-1">
        <p className="truncate font-mono text-small font-semibold">{name}</p>
        <p className="text-quiet">
          {count(addresses.length, 'address', 'addresses')}, the first{' '}
          <span className="break-all font-mono text-small">{addresses[0]}</span>
          {left > 0 && `. ${count(left, 'line is no address', 'lines are no addresses')}, and left out`}
          {isCut && '. The file goes on, and is not read further.'}
        </p>
      </div>
      <button type="button" className="button" onClick={onLeave}>
        Leave it
      </button>
    </div>
  )
}
