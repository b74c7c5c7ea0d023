'use client'

import { clsx } from 'clsx'
import { useId, useState } from 'react'
import { countPageFiles } from '@/core/crawl'
import { storageUse } from '@/store/runs'
import type { GatherSource } from '@/workers/protocol'
import { FileButton } from '../../kit/file-button'
import { useDrop } from '../../kit/use-drop'
import { chosenFiles, readDropped } from '../../state/run/dropped-files'
import { completeAddress } from '../../state/run/sources'
import { askArchive } from './ask-archive'
import { type LargeSource, largeSource, SAMPLE } from './large-source'
import { LargeSourceNotice } from './large-source-notice'

type Chosen = Extract<GatherSource, { kind: 'folder' | 'zip' }>

/** Pages of what was chosen. A zip that can’t be read is begun all the same: the run says what is wrong with it. */
async function pagesOf(source: Chosen): Promise<number> {
  if (source.kind === 'folder') return countPageFiles(source.files.map(({ path }) => path))
  return askArchive<'counted'>({ kind: 'count', zip: source.file }).then(
    ({ pages }) => pages,
    () => 0,
  )
}

const NOTHING_CHOSEN = 'No files were chosen. If you chose a folder, it is empty: build the site first.'

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
  const [large, setLarge] = useState<{ source: Chosen; large: LargeSource } | null>(null)
  /** What asks much of the browser is not begun without a word. */
  const startChosen = async (source: Chosen) => {
    const found = largeSource(await pagesOf(source), await storageUse().catch(() => null))
    if (found) setLarge({ source, large: found })
    else start(source)
  }
  const drop = async (transfer: DataTransfer) => {
    const dropped = await readDropped(transfer)
    if (dropped.kind === 'other')
      setFault(`“${dropped.name}” is neither a folder nor a zip. A sitemap, a list or a run document belongs below.`)
    else if (dropped.kind === 'folder' && dropped.files.length === 0)
      setFault(`“${dropped.name}” is empty: build the site first.`)
    else void startChosen({ ...dropped, site: null })
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
          onNothing={() => setFault(NOTHING_CHOSEN)}
          onChosen={(chosen) =>
            void chosenFiles(chosen).then((files) => startChosen({ kind: 'folder', site: null, ...files }))
          }
        >
          Choose a folder
        </FileButton>
        <FileButton
          accept=".zip,application/zip"
          onChosen={([file]) => void startChosen({ kind: 'zip', site: null, name: file.name, file })}
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
      {large && (
        <LargeSourceNotice
          name={large.source.name}
          large={large.large}
          onAll={() => start(large.source)}
          onSample={() => start({ ...large.source, perSection: SAMPLE })}
          onCancel={() => setLarge(null)}
        />
      )}
      {fault && (
        <p role="alert" className="font-semibold text-wrong">
          {fault}
        </p>
      )}
    </div>
  )
}
