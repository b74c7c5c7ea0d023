'use client'

import { useCallback, useState } from 'react'
import type { StoredRun } from '@/store/database'
import { FileButton } from '../../kit/file-button'
import { useAskFirst } from '../../parts/ask-first'
import { useKeys } from '../../state/keys/use-keys'
import { folderPicker } from '../../state/run/build-folder'
import { chosenFiles } from '../../state/run/dropped-files'
import { chooseKeptFolder, type Given, lookAddress, lookPlace, requestLook } from '../../state/run/look-again'
import { filesOf } from '../../state/run/sources'
import { useStartedWith } from '../../state/run/started-with'
import { replaceRun } from '../../state/view/newer-runs'
import type { GoTo } from '../../state/view/use-view'

/** `asking`: the files of the run's folder or zip have to be given first. */
type State = { kind: 'idle' } | { kind: 'looking' } | { kind: 'asking' } | { kind: 'failed'; message: string }

/** Reads this page alone once more, and opens the run that holds it. */
export function LookAgainButton({ run, url, goTo }: { run: StoredRun; url: string; goTo: GoTo }) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const { askFirst, dialog } = useAskFirst()
  const startedWith = useStartedWith()
  const look = useCallback(
    async (given: Given | null = null) => {
      setState({ kind: 'looking' })
      try {
        const at = await lookPlace(run, url, given, startedWith)
        if (!at) {
          setState({ kind: 'asking' })
          return
        }
        const next = await requestLook(run, url, at, given?.kind === 'folder' ? given.files : [])
        setState({ kind: 'idle' })
        replaceRun(run.id, next)
        goTo({ run: next }, 'replace')
      } catch (error) {
        setState({ kind: 'failed', message: error instanceof Error ? error.message : String(error) })
      }
    },
    [run, url, goTo, startedWith],
  )
  const isOfFiles = filesOf(run.source) !== null
  const start = useCallback(
    () => askFirst(run, isOfFiles ? null : lookAddress(run, url), () => void look()),
    [askFirst, run, isOfFiles, url, look],
  )
  useKeys((action) => {
    if (action !== 'look-again') return false
    start()
    return true
  })
  return (
    <span className="flex items-center gap-2 max-md:flex-wrap">
      {dialog}
      {state.kind === 'failed' && (
        <span role="alert" className="max-w-[340px] text-small leading-tight text-wrong">
          {state.message}
        </span>
      )}
      {(state.kind === 'asking' || (state.kind === 'failed' && isOfFiles)) && <GiveFiles run={run} onGiven={look} />}
      {state.kind !== 'asking' && (
        <button type="button" className="button" disabled={state.kind === 'looking'} onClick={start}>
          {state.kind === 'looking' ? 'Looking …' : 'Look again'} <kbd className="key">R</kbd>
        </button>
      )}
    </span>
  )
}

/** Asks for the folder or the zip that the run was made from. Of it, this page and its pictures alone are read. */
function GiveFiles({ run, onGiven }: { run: StoredRun; onGiven: (given: Given | null) => void }) {
  const { site } = run.source
  const { kind, name } = filesOf(run.source) ?? { kind: 'folder' as const, name: run.source.location }
  if (kind === 'folder' && folderPicker()) {
    return (
      <>
        <span className="max-w-[260px] text-small leading-tight text-quiet">
          Choose “{name}” once; from then on this browser reads it again.
        </span>
        <button
          type="button"
          className="button button-main"
          onClick={async () => {
            if (await chooseKeptFolder(site)) onGiven(null)
          }}
        >
          Choose the folder
        </button>
      </>
    )
  }
  return (
    <>
      <span className="max-w-[260px] text-small leading-tight text-quiet">
        A browser doesn’t keep files: give it “{name}” as it is now.
      </span>
      <FileButton
        className="button-main"
        asks={kind === 'folder' ? 'folder' : 'one'}
        accept={kind === 'zip' ? '.zip,application/zip' : undefined}
        onChosen={(files) => {
          if (kind === 'zip') onGiven({ kind, file: files[0] })
          else void chosenFiles(files).then((chosen) => onGiven({ kind: 'folder', ...chosen }))
        }}
      >
        Choose the {kind}
      </FileButton>
    </>
  )
}
