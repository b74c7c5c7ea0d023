import type { ChosenFile } from '@/workers/protocol'
import { FileButton } from '../../kit/file-button'
import { chosenFiles } from '../../state/run/dropped-files'

/** The build that the URLs of a list are read out of. */
export type ChosenBuild =
  | { kind: 'folder'; name: string; files: ChosenFile[] }
  | { kind: 'zip'; name: string; file: File }

/** Lets production URLs be looked at before they are live: each is read out of a folder or a zip of the build. */
export function BuildOfList({
  build,
  onChange,
}: {
  build: ChosenBuild | null
  onChange: (build: ChosenBuild | null) => void
}) {
  if (build)
    return (
      <p className="flex flex-wrap items-center gap-3 text-quiet">
        <span className="min-w-0">
          Read from <span className="break-all font-mono text-small font-semibold text-ink">{build.name}</span>, not
          from the network.
        </span>
        <button type="button" className="button" onClick={() => onChange(null)}>
          Fetch them instead
        </button>
      </p>
    )
  return (
    <p className="flex flex-wrap items-center gap-2 text-quiet">
      Not live yet? Read them from the build:
      <FileButton
        asks="folder"
        label="Folder to read the URLs from"
        onChosen={(chosen) => void chosenFiles(chosen).then((files) => onChange({ kind: 'folder', ...files }))}
      >
        Folder
      </FileButton>
      <FileButton
        accept=".zip,application/zip"
        label="Zip to read the URLs from"
        onChosen={([file]) => onChange({ kind: 'zip', name: file.name, file })}
      >
        Zip
      </FileButton>
    </p>
  )
}
