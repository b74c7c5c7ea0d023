'use client'

import { useState } from 'react'
import { type RequirementFault, readRequirements } from '@/core/check'
import type { Requirements } from '@/core/requirements'
import { FileButton } from '../../kit/file-button'
import { saveFile } from '../../kit/save-file'
import { textOfFile } from '../../kit/text-of-file'

/** Without what was set back to nothing: a file holds only what somebody wants. */
function tidy(requirements: Requirements): Requirements {
  return Object.fromEntries(
    Object.entries(requirements).filter(
      ([, value]) => value !== undefined && !(typeof value === 'object' && Object.keys(value).length === 0),
    ),
  )
}

/** The same requirements as a file, for the command line and for the next browser. */
export function RequirementsFile({
  requirements,
  onChange,
}: {
  requirements: Requirements
  onChange: (next: Requirements) => void
}) {
  const [faults, setFaults] = useState<RequirementFault[]>([])
  const text = `${JSON.stringify(tidy(requirements), null, 2)}\n`
  const read = (given: string) => {
    const result = readRequirements(given)
    setFaults(result.ok ? [] : result.faults)
    if (result.ok) onChange(result.requirements)
  }
  return (
    <section aria-label="The requirements as a file">
      <h2 className="font-display text-head font-semibold">As a file</h2>
      <p className="mb-2 text-quiet">
        Put <code>nimble-parrot.json</code> beside the build: the command goes by it, and gives the same findings.
      </p>
      <div className="flex gap-2">
        <button
          type="button"
          className="button"
          onClick={() => saveFile('nimble-parrot.json', text, 'application/json')}
        >
          Save nimble-parrot.json
        </button>
        <FileButton
          accept=".json,application/json"
          label="Requirements file to open"
          onChosen={([file]) => void textOfFile(file).then(read)}
        >
          Open
        </FileButton>
      </div>
      {faults.length > 0 && (
        <ul role="alert" className="mt-2 text-wrong">
          {faults.map(({ path, message }) => (
            <li key={path + message}>
              <code>{path}</code>: {message}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
