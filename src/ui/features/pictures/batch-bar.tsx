'use client'

import { useRef, useState } from 'react'
import type { PictureEntry } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import { CENTER, enlargedBy, type RefitWish } from '@/core/image'
import type { StoredRun } from '@/store/database'
import { saveFile } from '../../kit/save-file'
import { StoppableProgress } from '../../kit/stoppable-progress'
import { bytes, count } from '../../kit/words'
import { onPicture } from '../../state/pictures/picture-worker'
import { wholePicture } from '../../state/pictures/whole-picture'
import { refitName } from './refit-name'

/** One line of the manifest beside the pictures. */
type Made = {
  from: string
  file: string | null
  width?: number
  height?: number
  bytes?: number
  quality?: number | null
  enlarged?: number | null
  withinBudget?: boolean
  /** Why nothing was made of it. */
  left?: string
}

/** The shape that all places with a large card keep whole, under the weight that no place calls heavy. */
const WISH: RefitWish = {
  shape: { width: 1200, height: 630 },
  focus: CENTER,
  fill: { kind: 'crop' },
  budget: 100_000,
  type: 'jpeg',
}

/** A file's name that is not taken yet. */
function freeName(name: string, taken: Record<string, unknown>): string {
  const [, stem, ending] = /^(.*)(\.\w+)$/.exec(name) ?? [null, name, '']
  let free = name
  for (let number = 2; free in taken; number++) free = `${stem}-${number}${ending}`
  return free
}

/** What can be done with several pictures at once. */
export function BatchBar({
  run,
  entries,
  images,
  onAll,
  onNone,
}: {
  run: StoredRun
  entries: PictureEntry[]
  images: ReadonlyMap<string, ServedImage>
  onAll: () => void
  onNone: () => void
}) {
  const [done, setDone] = useState<number | null>(null)
  const [said, setSaid] = useState('')
  const isStopped = useRef(false)
  const refitAll = async () => {
    isStopped.current = false
    const files: Record<string, Uint8Array> = {}
    const manifest: Made[] = []
    setSaid('')
    for (const [index, { url }] of entries.entries()) {
      setDone(index)
      if (isStopped.current) break
      manifest.push(await refitOne(url, images.get(url), files))
    }
    setDone(null)
    const made = manifest.filter(({ file }) => file !== null)
    if (made.length > 0) {
      files['manifest.json'] = new TextEncoder().encode(
        `${JSON.stringify({ site: run.source.site, run: run.startedAt, pictures: manifest }, null, 2)}\n`,
      )
      saveFile('refitted-pictures.zip', await onPicture('pack', { files }), 'application/zip')
    }
    const left = manifest.length - made.length
    if (made.length === 0) setSaid(`Nothing was refitted: ${manifest[0]?.left ?? 'it was stopped'}.`)
    else
      setSaid(
        `${count(made.length, 'picture')} refitted${left > 0 ? `, ${left} left out: the manifest says why` : ''}.`,
      )
  }
  return (
    <div className="border-y border-line bg-pick-soft px-3 py-2 text-small">
      <p className="flex items-baseline gap-3">
        <b className="font-semibold">{count(entries.length, 'picture')} selected</b>
        <button type="button" className="text-pick hover:underline" onClick={onAll}>
          All
        </button>
        <button type="button" className="text-pick hover:underline" onClick={onNone}>
          None
        </button>
      </p>
      <p className="mt-1 flex items-center gap-2">
        {done === null ? (
          <button type="button" className="button h-[28px]!" onClick={() => void refitAll()}>
            Refit to 1200 × 630, {bytes(WISH.budget!)}
          </button>
        ) : (
          <StoppableProgress
            done={done}
            of={entries.length}
            onStop={() => {
              isStopped.current = true
            }}
          />
        )}
      </p>
      {said && <p aria-live="polite">{said}</p>}
    </div>
  )
}

async function refitOne(url: string, image: ServedImage | undefined, files: Record<string, Uint8Array>): Promise<Made> {
  if (!image || image.errorCode !== null)
    return { from: url, file: null, left: image?.error ?? 'it was not read in this run' }
  try {
    const whole = await wholePicture(image)
    if (!whole?.isWhole) return { from: url, file: null, left: 'only a small copy of it is left' }
    const { blob, quality, fits, plan } = await onPicture('refit', { picture: whole.blob, wish: WISH })
    const file = freeName(refitName(url, WISH.shape, WISH.type), files)
    files[file] = new Uint8Array(await blob.arrayBuffer())
    const { width, height } = plan.shape
    return { from: url, file, width, height, bytes: blob.size, quality, enlarged: enlargedBy(plan), withinBudget: fits }
  } catch (error) {
    return { from: url, file: null, left: error instanceof Error ? error.message : String(error) }
  }
}
