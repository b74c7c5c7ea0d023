'use client'

import { clsx } from 'clsx'
import { useId, useState } from 'react'
import type { GatherSource } from '@/workers/protocol'
import { chosenFiles, readDropped } from './dropped-files'
import { completeAddress } from './sources'

/** A folder or a zip, chosen or dropped. It is read in the browser and never leaves it. */
export function FilesForm({ onStart }: { onStart: (source: GatherSource) => void }) {
  const id = useId()
  const [site, setSite] = useState('')
  const [isOver, setIsOver] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const start = (source: GatherSource) => {
    const production = completeAddress(site)
    if (site.trim() !== '' && production === null) {
      setFault(`“${site.trim()}” is no http address. Try https://example.org`)
      return
    }
    setFault(null)
    onStart({ ...source, site: production } as GatherSource)
  }
  const drop = async (transfer: DataTransfer) => {
    const dropped = await readDropped(transfer)
    if (dropped.kind === 'other') setFault(`“${dropped.name}” is neither a folder nor a zip.`)
    else start({ ...dropped, site: null })
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: a place to drop files on; the two buttons in it do the same
    <div
      onDragOver={(event) => {
        event.preventDefault()
        setIsOver(true)
      }}
      onDragLeave={() => setIsOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setIsOver(false)
        void drop(event.dataTransfer)
      }}
      className={clsx(
        'grid gap-3 rounded-card border border-dashed p-3',
        isOver ? 'border-pick bg-pick-soft' : 'border-line',
      )}
    >
      <div className="flex flex-wrap gap-2">
        <label className="button cursor-pointer focus-within:outline-2 focus-within:outline-pick">
          Choose a folder
          <input
            type="file"
            className="sr-only"
            // @ts-expect-error: React's types don't know the attribute that makes the picker ask for a folder
            webkitdirectory=""
            onChange={({ currentTarget: input }) => {
              if (input.files?.length) {
                void chosenFiles(input.files).then((chosen) => start({ kind: 'folder', site: null, ...chosen }))
              }
              input.value = ''
            }}
          />
        </label>
        <label className="button cursor-pointer focus-within:outline-2 focus-within:outline-pick">
          Choose a zip
          <input
            type="file"
            accept=".zip,application/zip"
            className="sr-only"
            onChange={({ currentTarget: input }) => {
              const file = input.files?.[0]
              if (file) start({ kind: 'zip', site: null, name: file.name, file })
              input.value = ''
            }}
          />
        </label>
        <span className="self-center text-quiet">or drop one here</span>
      </div>
      <div className="grid gap-1">
        <label htmlFor={`${id}-site`} className="font-semibold">
          Production address
        </label>
        <input
          id={`${id}-site`}
          className="field font-mono text-[12.5px]"
          placeholder="from the pages’ own tags"
          inputMode="url"
          spellCheck={false}
          value={site}
          onChange={(event) => setSite(event.target.value)}
        />
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </div>
  )
}
