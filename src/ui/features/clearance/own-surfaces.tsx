'use client'

import { useState } from 'react'
import type { FileFault } from '@/core/model'
import type { Requirements } from '@/core/requirements'
import { readSurfaces, surfaceAsFile, surfacesWith, withSurfaces } from '@/core/surface'
import { FileButton } from '../../kit/file-button'
import { saveFile } from '../../kit/save-file'
import { textOfFile } from '../../kit/text-of-file'

/** Places of somebody's own, and ours with other figures: files in the form of our profiles. */
export function OwnSurfaces({
  requirements,
  onChange,
}: {
  requirements: Requirements
  onChange: (next: Requirements) => void
}) {
  const ours = surfacesWith([])
  const [faults, setFaults] = useState<FileFault[]>([])
  const own = requirements.ownSurfaces ?? []
  const set = (next: typeof own) => {
    const { ownSurfaces: _old, ...rest } = requirements
    // A place that is gone counts no longer.
    const left = new Set([...ours, ...next].map(({ id }) => id))
    const counted = rest.surfaces?.filter((id) => left.has(id))
    onChange({ ...rest, ...(counted && { surfaces: counted }), ...(next.length > 0 && { ownSurfaces: next }) })
  }
  const open = (text: string) => {
    const read = readSurfaces(text)
    setFaults(read.ok ? [] : read.faults)
    if (read.ok) set(withSurfaces(own, read.surfaces))
  }
  return (
    <div className="mt-3 text-small">
      <p className="flex flex-wrap items-center gap-2">
        <span className="text-quiet">Another place</span>
        <FileButton
          className="h-[26px]! px-2!"
          accept=".json,application/json"
          label="Places to open"
          onChosen={([file]) => void textOfFile(file).then(open)}
        >
          Open JSON
        </FileButton>
        <select
          aria-label="Save one of ours as a pattern"
          className="h-[26px] rounded-[5px] border border-dashed border-line bg-transparent px-1 text-quiet"
          value=""
          onChange={({ target }) => {
            const surface = ours.find(({ id }) => id === target.value)
            if (surface) saveFile(`${surface.id}.json`, surfaceAsFile(surface), 'application/json')
          }}
        >
          <option value="">save one as a pattern …</option>
          {ours.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </p>
      {own.map(({ id, name }) => (
        <p key={id} className="mt-1">
          {name}{' '}
          <span className="text-quiet">{ours.some((one) => one.id === id) ? 'instead of ours' : 'your own'}</span>{' '}
          <button
            type="button"
            aria-label={`${name}: let go`}
            className="text-pick hover:underline"
            onClick={() => set(own.filter((one) => one.id !== id))}
          >
            let go
          </button>
        </p>
      ))}
      {faults.length > 0 && (
        <ul role="alert" className="text-wrong">
          {faults.slice(0, 5).map(({ path, message }) => (
            <li key={path + message}>
              <code>{path}</code>: {message}
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
