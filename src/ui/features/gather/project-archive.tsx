'use client'

import { useState } from 'react'
import type { Level, Summary } from '@/core/model'
import type { Choices, Prefer, ProjectPreview } from '@/workers/open-project'
import type { OpenedRun } from '@/workers/open-run'
import { FileButton } from '../../kit/file-button'
import { saveFile } from '../../kit/save-file'
import { count, shortAddress } from '../../kit/words'
import { askArchive } from './ask-archive'
import { MergeDialog } from './merge-dialog'

/** A zip by its first bytes, however it is named. */
const isZip = async (file: File) =>
  (await file
    .slice(0, 2)
    .text()
    .catch(() => '')) === 'PK'

/** What came of opening a run document. Where it was judged by other requirements, both sums are said. */
function wordsOfOpened(opened: OpenedRun): string {
  const site = shortAddress(opened.site)
  if (opened.known) return `${site}: this run is here already.`
  const { summary, said, pages } = opened
  const taken = `${site}: a run of ${count(pages, 'page')} taken over. No document holds the pictures themselves: cards leave their room empty until it is run again.`
  if (KINDS.every((kind) => said[kind] === summary[kind])) return taken
  return `${taken} By the requirements here it has ${levels(summary)}; the document, which was judged by its own, says ${levels(said)}.`
}
const KINDS = ['error', 'warning', 'note'] as const
const levels = (sum: Pick<Summary, Level>) =>
  `${count(sum.error, 'error')}, ${count(sum.warning, 'warning')} and ${count(sum.note, 'note')}`

function OpenRun({ run, onOpen }: { run: string; onOpen: (run: string) => void }) {
  return (
    <button type="button" className="button" onClick={() => onOpen(run)}>
      Open it
    </button>
  )
}

const words = (error: unknown) => (error instanceof Error ? error.message : String(error))

/** All that this browser holds of a site, as one file. */
export function SaveProject({ site }: { site: string }) {
  const [said, setSaid] = useState<{ text: string; isFault: boolean } | null>(null)
  const save = async () => {
    setSaid({ text: 'Writing …', isFault: false })
    try {
      const { archive } = await askArchive<'saved'>({ kind: 'save', site })
      saveFile(`${new URL(site).host}.nimble-parrot.zip`, archive, 'application/zip')
      setSaid({ text: 'Saved.', isFault: false })
    } catch (error) {
      setSaid({ text: words(error), isFault: true })
    }
  }
  return (
    <span className="flex items-baseline gap-2 font-sans text-small font-normal">
      <button type="button" className="text-pick hover:underline" onClick={() => void save()}>
        Save the project<span className="sr-only"> of {shortAddress(site)}</span>
      </button>
      <span role="status" className={said?.isFault ? 'text-wrong' : 'text-quiet'}>
        {said?.text}
      </span>
    </span>
  )
}

type State =
  | { kind: 'idle' }
  | { kind: 'working'; text: string }
  | { kind: 'asking'; archive: File; preview: ProjectPreview }
  | { kind: 'said'; text: string; isFault: boolean; conflicts?: string[]; run?: string }

/** Takes a project archive or a run document over. Where this browser has something of the site, what would change is shown first. */
export function OpenProject({ onOpen }: { onOpen: (run: string) => void }) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const open = async (archive: File, prefer: Prefer, choices: Choices = {}) => {
    setState({ kind: 'working', text: 'Taking it over …' })
    try {
      const { opened } = await askArchive<'opened'>({ kind: 'open', archive, prefer, choices })
      const known = opened.known > 0 ? `, ${count(opened.known, 'run was', 'runs were')} here already` : ''
      const text = `${shortAddress(opened.site)}: ${count(opened.runs, 'run')} and ${count(opened.drafts, 'draft')} taken over${known}.`
      setState({ kind: 'said', text, isFault: false, conflicts: opened.conflicts })
    } catch (error) {
      setState({ kind: 'said', text: words(error), isFault: true })
    }
  }
  const openRun = async (document: File) => {
    const reading = (pages: number) => setState({ kind: 'working', text: `${count(pages, 'page')} taken over …` })
    setState({ kind: 'working', text: 'Reading …' })
    try {
      const { opened } = await askArchive<'opened-run'>({ kind: 'open-run', document }, reading)
      setState({ kind: 'said', text: wordsOfOpened(opened), isFault: false, run: opened.run })
    } catch (error) {
      setState({ kind: 'said', text: words(error), isFault: true })
    }
  }
  const look = async (archive: File) => {
    setState({ kind: 'working', text: 'Reading …' })
    try {
      const { preview } = await askArchive<'looked'>({ kind: 'look', archive })
      if (preview.hasSomething) setState({ kind: 'asking', archive, preview })
      else await open(archive, 'archive')
    } catch (error) {
      setState({ kind: 'said', text: words(error), isFault: true })
    }
  }
  if (state.kind === 'asking') {
    const { archive, preview } = state
    return (
      <MergeDialog
        preview={preview}
        onMerge={(choices) => void open(archive, 'later', choices)}
        onCancel={() => setState({ kind: 'idle' })}
      />
    )
  }
  return (
    <p className="mt-3 flex flex-wrap items-center gap-3">
      <FileButton
        accept=".zip,.json,.jsonl,.gz"
        disabled={state.kind === 'working'}
        label="Open a project archive or a run document"
        onChosen={([file]) => void isZip(file).then((isArchive) => (isArchive ? look(file) : openRun(file)))}
      >
        Open a project or a run …
      </FileButton>
      <span
        role={state.kind === 'said' && state.isFault ? 'alert' : 'status'}
        className={state.kind === 'said' && state.isFault ? 'text-wrong' : 'text-quiet'}
      >
        {state.kind === 'idle'
          ? 'What “Save the project” wrote, or a run document of the command: .json, .jsonl, packed or not.'
          : state.text}
      </span>
      {state.kind === 'said' && state.run && <OpenRun run={state.run} onOpen={onOpen} />}
      {state.kind === 'said' && state.conflicts && state.conflicts.length > 0 && (
        <span className="w-full">
          {state.conflicts.map((sentence) => (
            <span key={sentence} className="block">
              {sentence}
            </span>
          ))}
        </span>
      )}
    </p>
  )
}
