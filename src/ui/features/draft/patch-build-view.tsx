'use client'

import { structuredPatch } from 'diff'
import { useState } from 'react'
import type { BuildFiles } from '@/core/crawl'
import { gitDiff, type PageToPatch, type PatchedFile, patchBuild } from '@/core/draft'
import { imageAt } from '@/store/images'
import { originalAt } from '@/store/kept-pictures'
import { openZipFile, partOfBlob } from '@/workers/blob-files'
import { FileButton } from '../../kit/file-button'
import { packZip } from '../../kit/pack-zip'
import { saveFile } from '../../kit/save-file'
import { bytes as bytesInWords, count } from '../../kit/words'
import { canWriteFolders, chooseFolder, type OpenFolder } from '../../state/run/build-folder'
import type { DraftsProps } from './drafts-props'

type Changed = Extract<PatchedFile, { kind: 'changed' }>
type Written = Extract<PatchedFile, { kind: 'changed' | 'picture' }>
type State =
  | { kind: 'idle' }
  | { kind: 'reading'; done: number }
  /** `inFolder`: what the zip's files lay in, with a slash. */
  | { kind: 'ready'; files: PatchedFile[]; folder: OpenFolder | null; inFolder: string }
  | { kind: 'written'; files: number }
  | { kind: 'failed'; message: string }

/** A picture that was made here, by refitting or composing; null for any other. */
async function madePicture(run: string, url: string): Promise<Uint8Array | null> {
  const image = await imageAt(run, url)
  const blob = image?.hash ? await originalAt(image.hash) : undefined
  return blob ? new Uint8Array(await blob.arrayBuffer()) : null
}

function filesFrom(list: readonly File[]): BuildFiles {
  const byPath = new Map<string, File>()
  for (const file of list) byPath.set(file.webkitRelativePath.split('/').slice(1).join('/') || file.name, file)
  return {
    paths: [...byPath.keys()].sort(),
    read: (path, maxBytes) => partOfBlob(byPath.get(path)!, maxBytes),
  }
}

/** The built folder with the tags replaced in place: seen as a difference first, then saved as a zip or written back. */
export function PatchBuild({ run, site, defaults, context, pages }: DraftsProps & { pages: PageToPatch[] }) {
  const [state, setState] = useState<State>({ kind: 'idle' })
  const patch = async (files: BuildFiles, folder: OpenFolder | null) => {
    const patched: PatchedFile[] = []
    setState({ kind: 'reading', done: 0 })
    const imageOf = (url: string) => context.images.get(url)
    for await (const file of patchBuild(files, site, pages, defaults, imageOf, (url) => madePicture(run.id, url))) {
      patched.push(file)
      if (patched.length % 20 === 0) setState({ kind: 'reading', done: patched.length })
    }
    setState({ kind: 'ready', files: patched, folder, inFolder: files.folder ?? '' })
  }
  const guarded = async (work: () => Promise<void>) => {
    try {
      await work()
    } catch (error) {
      if (error instanceof DOMException && error.name === 'AbortError') return
      setState({ kind: 'failed', message: error instanceof Error ? error.message : String(error) })
    }
  }
  const write = async (files: Written[], folder: OpenFolder) => {
    let written = 0
    try {
      for (const file of files) {
        await folder.write(file.path, file.bytes)
        written++
      }
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error)
      throw new Error(
        `${why} ${written === 0 ? 'Nothing was written.' : `${count(written, 'file')} before it written.`}`,
      )
    }
    setState({ kind: 'written', files: written })
  }
  return (
    <section aria-label="The built folder">
      <h2 className="font-display text-head font-semibold">As a patch of the built folder</h2>
      <p className="max-w-[680px] text-quiet">
        Choose the folder or zip that was built. Tags are replaced in place, every other byte stays as it is, and you
        see the difference before anything is saved. Nothing is uploaded. A patch holds until the next build: take the
        tags to the templates as well.
      </p>
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <FileButton
          asks="folder"
          label="Built folder to patch"
          disabled={pages.length === 0}
          onNothing={() =>
            setState({ kind: 'failed', message: 'No files were chosen. If you chose a folder, it is empty.' })
          }
          onChosen={(files) => void guarded(() => patch(filesFrom(files), null))}
        >
          Choose folder
        </FileButton>
        <FileButton
          accept=".zip"
          label="Zip of the build to patch"
          disabled={pages.length === 0}
          onChosen={([file]) => void guarded(async () => patch(await openZipFile(file), null))}
        >
          Choose zip
        </FileButton>
        {canWriteFolders() && (
          <button
            type="button"
            className="button"
            disabled={pages.length === 0}
            onClick={() =>
              void guarded(async () => {
                const folder = await chooseFolder()
                await patch(folder, folder)
              })
            }
          >
            Choose folder to write into
          </button>
        )}
        {state.kind === 'reading' && <span className="text-quiet">{count(state.done, 'file')} read …</span>}
        {state.kind === 'written' && (
          <span className="text-good">
            {count(state.files, 'file')} written. Gather the build again to see them land.
          </span>
        )}
        {state.kind === 'failed' && (
          <span role="alert" className="text-wrong">
            {state.message}
          </span>
        )}
      </div>
      {state.kind === 'ready' && (
        <Difference
          files={state.files}
          folder={state.folder}
          inFolder={state.inFolder}
          onWrite={(files, folder) => void guarded(() => write(files, folder))}
        />
      )}
    </section>
  )
}

/** Files whose difference is drawn; the rest is counted, and in the zip all the same. */
const DRAWN = 30

const intoView = (place: HTMLElement | null) => place?.scrollIntoView({ block: 'nearest' })

function Difference({
  files,
  folder,
  inFolder,
  onWrite,
}: {
  files: PatchedFile[]
  folder: OpenFolder | null
  inFolder: string
  onWrite: (files: Written[], folder: OpenFolder) => void
}) {
  const changed = files.filter((file) => file.kind === 'changed')
  const refused = files.filter((file) => file.kind === 'refused')
  const missing = files.filter((file) => file.kind === 'not-found')
  const pictures = files.filter((file) => file.kind === 'picture')
  const written: Written[] = [...changed, ...pictures]
  const save = () => {
    const zip = packZip(written.map(({ path, bytes }) => [inFolder + path, bytes]))
    saveFile('patched-build.zip', zip, 'application/zip')
  }
  // Bytes of other encodings are no text that a difference could hold.
  const asText = changed.filter(({ bytes, after }) => new TextDecoder().decode(bytes) === after)
  const saveDiff = () => saveFile('cards.patch', asText.map(gitDiff).join(''), 'text/x-diff')
  return (
    // What a choice led to is seen, wherever the page was scrolled to.
    <div ref={intoView} className="mt-4 grid gap-3">
      <div className="flex flex-wrap items-center gap-3">
        <b className="font-semibold">
          {changed.length === 0 ? 'No file changes.' : `${count(changed.length, 'file')} would change`}
          {pictures.length > 0 && `, ${count(pictures.length, 'picture')} would be added`}
          {changed.length > 0 && '.'}
        </b>
        {missing.length > 0 && (
          <span className="text-warn">
            {count(missing.length, 'page')} not in this build:{' '}
            {missing
              .slice(0, 3)
              .map(({ url }) => new URL(url).pathname)
              .join(', ')}
            {missing.length > 3 && ' …'}
          </span>
        )}
        {changed.length > 0 && (
          <span className="ml-auto flex gap-2">
            <button type="button" className="button button-main" onClick={save}>
              Save a zip of {count(written.length, 'file')}
            </button>
            {asText.length > 0 && (
              <button
                type="button"
                className="button"
                title="For git apply, in the folder of the build"
                onClick={saveDiff}
              >
                Save as a diff
              </button>
            )}
            {folder && (
              <button type="button" className="button" onClick={() => onWrite(written, folder)}>
                Write {count(written.length, 'file')} into {folder.name}
              </button>
            )}
          </span>
        )}
      </div>
      {refused.map(({ path, why }) => (
        <p key={path} className="text-wrong">
          <span className="font-mono">{path}</span>: {why}
        </p>
      ))}
      <div className="grid gap-3">
        {changed.slice(0, DRAWN).map((file) => (
          <FileDifference key={file.path} file={file} />
        ))}
        {pictures.length > 0 && <NamesOf title={`${count(pictures.length, 'image')} added`} files={pictures} />}
        {changed.length > DRAWN && (
          <NamesOf title={`${count(changed.length - DRAWN, 'more file')} changed`} files={changed.slice(DRAWN)} />
        )}
      </div>
    </div>
  )
}

/** Files that are written and not drawn, each by its name and size: nothing is saved that is not said. */
function NamesOf({ title, files }: { title: string; files: readonly Written[] }) {
  return (
    <section aria-label={title} className="rounded-card border border-line bg-sheet px-3 py-2">
      <h3 className="text-small font-semibold">{title}</h3>
      <ul className="max-h-[220px] overflow-y-auto font-mono text-small">
        {files.map(({ path, bytes: { length: size } }) => (
          <li key={path}>
            {path} <span className="text-quiet">{bytesInWords(size)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** Lines of the file as it was that stand before a line of the difference. */
const oldLinesBefore = (lines: readonly string[], index: number) =>
  lines.slice(0, index).filter((line) => line[0] !== '+').length

const LOOK = { '+': 'bg-good-soft', '-': 'bg-wrong-soft', ' ': 'text-quiet' } as const

function FileDifference({ file }: { file: Changed }) {
  const { hunks } = structuredPatch(file.path, file.path, file.before, file.after, '', '', { context: 1 })
  return (
    <figure className="overflow-hidden rounded-card border border-line bg-sheet">
      <figcaption className="border-b border-line bg-soft px-3 py-1 font-mono text-small font-semibold">
        {file.path}
      </figcaption>
      <section
        className="overflow-x-auto py-1 font-mono text-fine leading-[18px]"
        tabIndex={0}
        aria-label={`Difference of ${file.path}`}
      >
        {hunks.map((hunk) => (
          <div key={hunk.oldStart} className="border-dashed border-line not-first:border-t">
            {hunk.lines.map((line, index) => (
              <div key={index} className={`grid grid-cols-[46px_1fr] whitespace-pre ${LOOK[line[0] as '+'] ?? ''}`}>
                <span className="pr-3 text-right text-quiet select-none">
                  {line[0] === '+' ? '+' : line[0] === '-' ? '−' : hunk.oldStart + oldLinesBefore(hunk.lines, index)}
                </span>
                <span>{line.slice(1)}</span>
              </div>
            ))}
          </div>
        ))}
      </section>
    </figure>
  )
}
