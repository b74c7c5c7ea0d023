'use client'

import { clsx } from 'clsx'
import { useEffect, useId, useState } from 'react'
import type { PictureEntry } from '@/core/check'
import { CENTER, enlargedBy, type Fill, type RefitType, type Shape } from '@/core/image'
import type { StoredRun } from '@/store/database'
import { NumberField } from '../../kit/number-field'
import { saveFile } from '../../kit/save-file'
import { Segments } from '../../kit/segments'
import { bytes, count } from '../../kit/words'
import { draftPicture } from '../../state/draft/draft-picture'
import { refitAddress, refitName } from '../../state/pictures/refit-name'
import type { useFocus } from '../../state/pictures/use-focus'
import { focusInWords, type RefitState } from '../../state/pictures/use-refit'
import { FILLS } from '../../state/pictures/use-wish'
import { useObjectUrl } from '../../state/pictures/whole-picture'
import type { GoTo } from '../../state/view/use-view'

export const SHAPES: { id: string; name: string; shape: Shape }[] = [
  { id: 'wide', name: '1200 × 630', shape: { width: 1200, height: 630 } },
  { id: 'tall', name: '2 : 3', shape: { width: 1000, height: 1500 } },
  { id: 'square', name: '1 : 1', shape: { width: 1200, height: 1200 } },
]
export const TYPES: { name: string; type: RefitType }[] = [
  { name: 'JPEG', type: 'jpeg' },
  { name: 'WebP', type: 'webp' },
  { name: 'PNG', type: 'png' },
]
const MAX_SIDE = 4096

const isSame = (a: Shape, b: Shape) => a.width === b.width && a.height === b.height

/** Makes the picture fit a shape and a weight. What comes of it is made and weighed at once, in this browser. */
export function RefitPane({
  run,
  entry,
  refit,
  focus,
  weight,
  isWhole,
  goTo,
}: {
  run: StoredRun
  entry: PictureEntry
  refit: RefitState
  focus: ReturnType<typeof useFocus>
  /** Bytes of the picture as it is. */
  weight: number | null
  isWhole: boolean
  goTo: GoTo
}) {
  const { wish, set, made, isMaking, fault } = refit
  const url = useObjectUrl(made?.blob)
  const enlarged = made ? enlargedBy(made.plan) : null
  return (
    <section aria-label="Refit" className="grid grid-cols-[minmax(0,1fr)] gap-[10px]">
      <h2 className="font-display text-title font-semibold">Refit</h2>
      {!isWhole && (
        <p className="rounded-[5px] bg-warn-soft px-2 py-1 text-small">
          Only a small copy is left of this picture. Gather its pages again to refit it in full.
        </p>
      )}
      <Segments
        name="Shape"
        choices={SHAPES}
        chosen={SHAPES.find(({ shape }) => isSame(shape, wish.shape))?.id ?? null}
        onChoose={(id) => set({ shape: SHAPES.find((one) => one.id === id)!.shape })}
      />
      <div className="grid grid-cols-[52px_minmax(0,1fr)] items-center gap-x-2 gap-y-[6px]">
        <span className="text-quiet">Shape</span>
        <span className="flex items-center gap-1">
          <Side name="Width" value={wish.shape.width} onChange={(width) => set({ shape: { ...wish.shape, width } })} />×
          <Side
            name="Height"
            value={wish.shape.height}
            onChange={(height) => set({ shape: { ...wish.shape, height } })}
          />
        </span>
        <span className="text-quiet">Focus</span>
        <span className="flex flex-wrap items-baseline gap-x-2 text-small">
          {focusInWords(focus.focus)}
          {focus.origin === 'proposed' && (
            <span
              className="text-quiet"
              title="Found from edges, colours and skin in the picture. Drag the ring to where its subject is."
            >
              proposed
            </span>
          )}
          {focus.origin === 'set' && (
            <button type="button" className="text-pick hover:underline" onClick={() => focus.set(null)}>
              As proposed
            </button>
          )}
          {focus.origin === 'proposed' && (
            <button type="button" className="text-pick hover:underline" onClick={() => focus.set(CENTER)}>
              Middle
            </button>
          )}
        </span>
        <label htmlFor="refit-fill" className="text-quiet">
          Fill
        </label>
        <span className="flex gap-1">
          <select
            id="refit-fill"
            className="field h-[28px]! min-w-0 flex-1"
            value={wish.fill.kind}
            onChange={({ target }) => {
              const kind = target.value as Fill['kind']
              set({ fill: kind === 'color' ? { kind, color: '#14231e' } : { kind } })
            }}
          >
            {FILLS.map(({ name, kind }) => (
              <option key={kind} value={kind}>
                {name}
              </option>
            ))}
          </select>
          {wish.fill.kind === 'color' && (
            <input
              type="color"
              aria-label="Colour that fills"
              className="h-[28px] w-[34px] shrink-0"
              value={wish.fill.color}
              onChange={({ target }) => set({ fill: { kind: 'color', color: target.value } })}
            />
          )}
        </span>
        <label htmlFor="refit-type" className="text-quiet">
          Format
        </label>
        <select
          id="refit-type"
          className="field h-[28px]!"
          value={wish.type}
          onChange={({ target }) => set({ type: target.value as RefitType })}
        >
          {TYPES.map(({ name, type }) => (
            <option key={type} value={type}>
              {name}
            </option>
          ))}
        </select>
        <label htmlFor="refit-budget" className="text-quiet">
          Weight
        </label>
        <span className="flex items-center gap-2">
          <input
            id="refit-budget"
            type="range"
            min={20}
            max={600}
            step={10}
            className="min-w-0 flex-1 accent-(--ink)"
            value={(wish.budget ?? 600_000) / 1000}
            onChange={({ target }) => set({ budget: Number(target.value) * 1000 })}
          />
          <span className="w-[74px] text-right text-small tabular-nums">to {bytes(wish.budget ?? 600_000)}</span>
        </span>
      </div>
      <figure>
        {url && made ? (
          <img
            src={url}
            alt="As refitted"
            className={clsx('max-h-[190px] w-full rounded-[5px] bg-soft object-contain', isMaking && 'opacity-60')}
          />
        ) : (
          <div className="grid h-[130px] place-items-center rounded-[5px] bg-soft text-quiet">
            {fault ? '' : 'Refitting …'}
          </div>
        )}
        <figcaption aria-live="polite" className="mt-1 text-small">
          {fault && <span className="text-wrong">{fault}</span>}
          {made && (
            <>
              <b className="font-semibold">{bytes(made.blob.size)}</b>
              {made.quality !== null && `, quality ${made.quality}`}
              {weight !== null && <span className="text-quiet">, was {bytes(weight)}</span>}
              {made.next && made.blob.size < 0.98 * (wish.budget ?? 0) && (
                <span className="block text-quiet">
                  Quality {made.next.quality} would weigh {bytes(made.next.bytes)}.
                </span>
              )}
              {!made.fits && (
                <span className="block text-wrong">
                  That weight can’t be met. Try a smaller shape{wish.type === 'png' ? ', JPEG or WebP' : ''}.
                </span>
              )}
              {enlarged !== null && (
                <span className="block text-warn">Stretched to {enlarged} times its size: it will look soft.</span>
              )}
            </>
          )}
        </figcaption>
      </figure>
      {made && <Take run={run} entry={entry} refit={refit} goTo={goTo} />}
    </section>
  )
}

function Side({ name, value, onChange }: { name: string; value: number; onChange: (side: number) => void }) {
  return <NumberField name={name} value={value} least={16} most={MAX_SIDE} onChange={onChange} />
}

/** The file, and drafts that name it. */
function Take({ run, entry, refit, goTo }: { run: StoredRun; entry: PictureEntry; refit: RefitState; goTo: GoTo }) {
  const { wish, made } = refit
  const proposed = refitAddress(entry.url, run.source.site, wish.shape, wish.type)
  const [typed, setTyped] = useState<string | null>(null)
  const [said, setSaid] = useState('')
  const id = useId()
  // biome-ignore lint/correctness/useExhaustiveDependencies: another picture or shape has another name
  useEffect(() => {
    setTyped(null)
    setSaid('')
  }, [proposed])
  const address = typed ?? proposed
  const isAddress = URL.canParse(address) && /^https?:/.test(address)
  const save = async () => {
    if (!made) return
    saveFile(refitName(entry.url, wish.shape, wish.type), new Uint8Array(await made.blob.arrayBuffer()), made.blob.type)
  }
  const draft = async () => {
    if (!made) return
    const pages = await draftPicture(run, entry, made, wish.type, address)
    setSaid(`${count(pages, 'page')} drafted. Save the picture too, and put it into the build at that address.`)
  }
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <span className="flex gap-2">
        <button type="button" className="button button-main" onClick={() => void save()}>
          Save picture
        </button>
        <button type="button" className="button" disabled={!isAddress} onClick={() => void draft()}>
          Use in drafts
        </button>
      </span>
      <label htmlFor={id} className="text-small text-quiet">
        Its address in the build
      </label>
      <input
        id={id}
        className="field font-mono text-fine"
        value={address}
        onChange={({ target }) => setTyped(target.value)}
      />
      <p aria-live="polite" className="text-small">
        {said}{' '}
        {said && (
          <button type="button" className="text-pick hover:underline" onClick={() => goTo({ area: 'drafts' })}>
            See the drafts
          </button>
        )}
      </p>
    </div>
  )
}
