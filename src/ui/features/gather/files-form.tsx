'use client'

import { clsx } from 'clsx'
import { useId, useState } from 'react'
import type { GatherSource } from '@/workers/protocol'
import { FileButton } from '../../kit/file-button'
import { chosenFiles, readDropped } from '../../state/run/dropped-files'
import { completeAddress } from '../../state/run/sources'
import { useDrop } from './use-drop'

/** A folder or a zip, chosen or dropped. It is read in the browser and never leaves it. */
export function FilesForm({ onStart }: { onStart: (source: GatherSource) => void }) {
  const id = useId()
  const [site, setSite] = useState('')
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
    if (dropped.kind === 'other')
      setFault(`“${dropped.name}” is neither a folder nor a zip. A sitemap or a list belongs below.`)
    else start({ ...dropped, site: null })
  }
  const { isOver, place } = useDrop((transfer) => void drop(transfer))
  return (
    <div
      {...place}
      className={clsx(
        'grid gap-3 rounded-card border border-dashed p-3',
        isOver ? 'border-pick bg-pick-soft' : 'border-line',
      )}
    >
      <div className="flex flex-wrap gap-2">
        <FileButton
          asks="folder"
          onChosen={(chosen) =>
            void chosenFiles(chosen).then((files) => start({ kind: 'folder', site: null, ...files }))
          }
        >
          Choose a folder
        </FileButton>
        <FileButton
          accept=".zip,application/zip"
          onChosen={([file]) => start({ kind: 'zip', site: null, name: file.name, file })}
        >
          Choose a zip
        </FileButton>
        <span className="self-center text-quiet">or drop one here</span>
      </div>
      <div className="grid gap-1">
        <label htmlFor={`${id}-site`} className="font-semibold">
          Production address
        </label>
        <input
          id={`${id}-site`}
          className="field font-mono text-small"
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
