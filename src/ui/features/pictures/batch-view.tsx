'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { Dialog } from 'radix-ui'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { PictureEntry } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import { enlargedBy, refitPlan } from '@/core/image'
import type { StoredRun } from '@/store/database'
import { focusesOf } from '@/store/focuses'
import { saveFile } from '../../kit/save-file'
import { StoppableProgress } from '../../kit/stoppable-progress'
import { bytes, count } from '../../kit/words'
import { PictureStage } from '../../parts/picture/picture-stage'
import { onPicture } from '../../state/pictures/picture-worker'
import { type PictureFocus, proposedFocus, useFocus } from '../../state/pictures/use-focus'
import { readWish, useWish } from '../../state/pictures/use-wish'
import { useObjectUrl, useWholePicture, wholePicture } from '../../state/pictures/whole-picture'
import { type BatchResult, batchFiles } from './batch-wish'
import { pathOfPicture } from './picture-facts'

const ROW_PX = 214
/** Height of a row whose picture was not read: it has a reason and nothing to see. */
const LEFT_PX = 40
/** Pause after the last move of a focus before the picture is made. */
const REST_MS = 120

type Props = { run: StoredRun; entries: PictureEntry[]; images: ReadonlyMap<string, ServedImage> }

const isSame = (a: PictureFocus, b: PictureFocus) => a.focus.x === b.focus.x && a.focus.y === b.focus.y
const noCopy = (image: ServedImage | undefined) =>
  image?.errorCode
    ? (image.error ?? image.errorCode)
    : image
      ? 'Only a small copy of it is left.'
      : 'It was not read in this run.'

const isReadable = (image: ServedImage | undefined) => image !== undefined && image.errorCode === null

const refit = (picture: Blob, focus: PictureFocus) =>
  onPicture('refit', { picture, wish: { ...readWish(), focus: focus.focus } })

/** Every picture of a batch as it will be saved, its focus to be moved in place, before anything is. */
export function BatchView({ run, entries, images }: Props) {
  const { site } = run.source
  const pane = useRef<HTMLDivElement>(null)
  const results = useRef(new Map<string, BatchResult>())
  const [done, setDone] = useState<number | null>(null)
  const [said, setSaid] = useState('')
  const isStopped = useRef(false)
  // What can be seen comes first.
  const ordered = [...entries].sort(
    (a, b) => Number(!isReadable(images.get(a.url))) - Number(!isReadable(images.get(b.url))),
  )
  const virtual = useVirtualizer({
    count: ordered.length,
    getScrollElement: () => pane.current,
    estimateSize: (index) => (isReadable(images.get(ordered[index]!.url)) ? ROW_PX : LEFT_PX),
    overscan: 1,
  })
  const keep = useCallback((url: string, result: BatchResult) => void results.current.set(url, result), [])
  /** What no eye has been on yet is made now. */
  const resultOf = async (url: string): Promise<BatchResult> => {
    const known = results.current.get(url)
    const set = (await focusesOf(site)).get(url)
    if (known?.kind === 'left') return known
    // One that was set and let go of again is proposed again.
    const isAsKnown = set
      ? known !== undefined && isSame(known.focus, { focus: set, origin: 'set' })
      : known?.focus.origin !== 'set'
    if (known && isAsKnown) return known
    const image = images.get(url)
    try {
      const whole = image && image.errorCode === null ? await wholePicture(image) : null
      if (!whole?.isWhole) return { kind: 'left', why: noCopy(image) }
      const focus = set ? { focus: set, origin: 'set' as const } : await proposedFocus(whole.blob)
      return { kind: 'made', focus, refitted: await refit(whole.blob, focus) }
    } catch (error) {
      return { kind: 'left', why: error instanceof Error ? error.message : String(error) }
    }
  }
  const save = async () => {
    isStopped.current = false
    setSaid('')
    const made: { url: string; result: BatchResult }[] = []
    for (const [index, { url }] of entries.entries()) {
      if (isStopped.current) break
      setDone(index)
      made.push({ url, result: await resultOf(url) })
    }
    setDone(null)
    const madeCount = made.filter(({ result }) => result.kind === 'made').length
    const [first] = made.flatMap(({ result }) => (result.kind === 'left' ? [result.why] : []))
    if (madeCount === 0) return setSaid(`Nothing was refitted: ${first ?? 'it was stopped'}`)
    const files = await batchFiles(made, { site, run: run.startedAt, wish: readWish() })
    saveFile('refitted-pictures.zip', await onPicture('pack', { files }), 'application/zip')
    const left = made.length - madeCount
    setSaid(`${count(madeCount, 'picture')} refitted${left > 0 ? `, ${left} left out: the manifest says why` : ''}.`)
  }
  return (
    <>
      <p className="border-b border-line px-5 py-2 text-quiet">
        Drag a ring, or move it by the arrow keys, to where the subject is. A focus that no one set is a proposal, found
        from edges, colours and skin.
      </p>
      <div ref={pane} className="min-h-0 flex-1 overflow-auto">
        <ul className="relative" style={{ height: virtual.getTotalSize() }}>
          {virtual.getVirtualItems().map((row) => {
            const { url } = ordered[row.index]!
            return (
              <li
                key={url}
                aria-label={pathOfPicture(url, site)}
                className="absolute inset-x-0 border-b border-line px-5 py-2"
                style={{ transform: `translateY(${row.start}px)`, height: row.size }}
              >
                <BatchRow site={site} url={url} image={images.get(url)} known={results.current} onResult={keep} />
              </li>
            )
          })}
        </ul>
      </div>
      <div className="flex items-center gap-3 border-t border-line px-5 py-3">
        <p aria-live="polite" className="min-w-0 flex-1">
          {said || 'The zip has the folders of the build, and a manifest with focus, crop and weight of each.'}
        </p>
        {done === null ? (
          <>
            <Dialog.Close className="button">Close</Dialog.Close>
            <button type="button" className="button button-main" onClick={() => void save()}>
              Save {count(entries.length, 'picture')} as a zip
            </button>
          </>
        ) : (
          <StoppableProgress
            done={done}
            of={entries.length}
            onStop={() => {
              isStopped.current = true
            }}
          />
        )}
      </div>
    </>
  )
}

/** One picture of the batch: what is kept of it, what comes of that. */
function BatchRow({
  site,
  url,
  image,
  known,
  onResult,
}: {
  site: string
  url: string
  image: ServedImage | undefined
  known: ReadonlyMap<string, BatchResult>
  onResult: (url: string, result: BatchResult) => void
}) {
  const wish = useWish()
  const whole = useWholePicture(image)
  const picture = whole?.isWhole ? whole.blob : null
  const src = useObjectUrl(picture)
  const focus = useFocus(site, url, picture)
  const [result, setResult] = useState<BatchResult | null>(known.get(url) ?? null)
  const { x, y } = focus.focus
  const { origin } = focus
  useEffect(() => {
    let isGone = false
    const take = (next: BatchResult) => {
      if (isGone) return
      onResult(url, next)
      setResult(next)
    }
    if (whole === undefined) return
    if (!picture) return take({ kind: 'left', why: noCopy(image) })
    const at: PictureFocus = { focus: { x, y }, origin }
    const before = known.get(url)
    if (before?.kind === 'made' && isSame(before.focus, at)) return take({ ...before, focus: at })
    const timer = setTimeout(() => {
      refit(picture, at).then(
        (refitted) => take({ kind: 'made', focus: at, refitted }),
        (error: Error) => take({ kind: 'left', why: error.message }),
      )
    }, REST_MS)
    return () => {
      isGone = true
      clearTimeout(timer)
    }
  }, [whole, picture, image, url, x, y, origin, known, onResult])
  const size = image?.width && image.height ? { width: image.width, height: image.height } : null
  if (!isReadable(image))
    return (
      <p className="flex gap-3 text-small">
        <b className="truncate font-mono text-fine font-semibold">{pathOfPicture(url, site)}</b>
        <span className="min-w-0 truncate text-quiet">Left out: {noCopy(image)}</span>
      </p>
    )
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)_minmax(0,1fr)_200px] grid-rows-[minmax(0,1fr)] gap-4 max-md:grid-cols-2">
      {src && size ? (
        <PictureStage
          src={src}
          size={size}
          groups={[]}
          chosen={null}
          zone={null}
          look="crops"
          refit={refitPlan(size, wish.shape, focus.focus, wish.fill).crop}
          focus={focus.focus}
          onFocus={focus.set}
        />
      ) : (
        <div className="rounded-[9px] bg-soft" />
      )}
      <MadePicture result={result} />
      <div className="min-w-0 text-small max-md:hidden">
        <b className="block truncate font-mono text-fine font-semibold" title={url}>
          {pathOfPicture(url, site)}
        </b>
        {origin === 'proposed' && <span className="block text-quiet">focus: proposed</span>}
        {origin === 'set' && (
          <span className="block">
            focus: set{' '}
            <button type="button" className="text-pick hover:underline" onClick={() => focus.set(null)}>
              As proposed
            </button>
          </span>
        )}
        {result?.kind === 'made' && <Figures result={result} weight={image?.bytes ?? null} />}
      </div>
    </div>
  )
}

function MadePicture({ result }: { result: BatchResult | null }) {
  const src = useObjectUrl(result?.kind === 'made' ? result.refitted.blob : null)
  if (src) return <img src={src} alt="As it will be saved" className="size-full min-h-0 rounded-[5px] object-contain" />
  const text = result?.kind === 'left' ? `Left out: ${result.why}` : 'Refitting …'
  return <p className="grid place-items-center rounded-[5px] bg-soft p-3 text-center text-small text-quiet">{text}</p>
}

function Figures({ result, weight }: { result: BatchResult & { kind: 'made' }; weight: number | null }) {
  const { blob, quality, fits, plan } = result.refitted
  const enlarged = enlargedBy(plan)
  return (
    <>
      <span className="block">
        <b className="font-semibold">{bytes(blob.size)}</b>
        {quality !== null && `, quality ${quality}`}
        {weight !== null && <span className="text-quiet">, was {bytes(weight)}</span>}
      </span>
      {!fits && <span className="block text-wrong">That weight can’t be met.</span>}
      {enlarged !== null && <span className="block text-warn">Stretched to {enlarged} times its size.</span>}
    </>
  )
}
