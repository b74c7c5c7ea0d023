import { clsx } from 'clsx'
import type { StoredRun } from '@/store/database'
import type { GatherSource } from '@/workers/protocol'
import { FileButton } from '../../kit/file-button'
import { useAskFirst } from '../../parts/ask-first'
import { folderPicker } from '../../state/run/build-folder'
import { chosenFiles } from '../../state/run/dropped-files'
import { folderAgain } from '../../state/run/folder-again'
import { askForLogin, startRun } from '../../state/run/session'
import { addressAsked, siteToKeep, sourceAgain, wantsLogin } from '../../state/run/sources'
import { useStartedWith } from '../../state/run/started-with'
import type { GoTo } from '../../state/view/use-view'

const MAIN = 'bg-[#4fcf8f] text-[#0b1a14] hover:bg-[#6bdca3]'

/** Gathers the source of a run again, taking from it what has not changed. Files that the browser doesn't keep are asked for. */
export function RunAgain({ run, goTo, className }: { run: StoredRun; goTo: GoTo; className: string }) {
  const { askFirst, dialog } = useAskFirst()
  const source = sourceAgain(run, useStartedWith())
  const { kind, location } = run.source
  const site = siteToKeep(run.source)
  const look = clsx(className, MAIN)
  const again = (found: GatherSource) => {
    if (wantsLogin(run, found)) {
      askForLogin(found, run.id)
      goTo({ area: 'gather', run: null, page: null })
      return
    }
    const runId = startRun({ ...found, since: run.id })
    goTo({ area: 'gather', run: runId, page: null })
  }
  if (source) {
    return (
      <>
        <button type="button" className={look} onClick={() => askFirst(run, addressAsked(source), () => again(source))}>
          Run again
        </button>
        {dialog}
      </>
    )
  }
  if (kind === 'folder' && folderPicker()) {
    return (
      <button
        type="button"
        className={look}
        title={`Reads “${location}” as it is now`}
        onClick={() => void folderAgain(run).then((found) => found && again(found))}
      >
        Run again
      </button>
    )
  }
  if (kind !== 'folder' && kind !== 'zip') return null
  return (
    <FileButton
      asks={kind === 'folder' ? 'folder' : 'one'}
      accept={kind === 'zip' ? '.zip,application/zip' : undefined}
      className={clsx(look, 'border-transparent')}
      label={`Run again with “${location}” as it is now`}
      onChosen={(files) => {
        if (kind === 'zip') again({ kind, name: files[0].name, site, file: files[0] })
        else void chosenFiles(files).then((chosen) => again({ kind, site, ...chosen }))
      }}
    >
      Run again
    </FileButton>
  )
}
