'use client'

import { Dialog } from 'radix-ui'
import { useState } from 'react'
import type { PictureEntry } from '@/core/check'
import type { ServedImage } from '@/core/crawl'
import type { StoredRun } from '@/store/database'
import { DialogPanel } from '../../kit/dialog-panel'
import { bytes, count } from '../../kit/words'
import { fillName, useWish } from '../../state/pictures/use-wish'
import { BatchView } from './batch-view'

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
  const [isOpen, setOpen] = useState(false)
  const { shape, fill, budget } = useWish()
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
      <Dialog.Root open={isOpen} onOpenChange={setOpen}>
        <Dialog.Trigger asChild>
          <button type="button" className="button mt-1 h-[28px]!">
            Refit to {shape.width} × {shape.height}
            {budget !== null && `, ${bytes(budget)}`}
            {fill.kind !== 'crop' && `: ${fillName(fill).toLowerCase()}`}
          </button>
        </Dialog.Trigger>
        <DialogPanel
          title={`${count(entries.length, 'picture')}, as they will be saved`}
          titleClassName="border-b border-line px-5 py-3 font-display text-title font-semibold"
          className="flex h-[min(760px,92vh)] w-[min(1120px,96vw)] flex-col"
        >
          {isOpen && <BatchView run={run} entries={entries} images={images} />}
        </DialogPanel>
      </Dialog.Root>
    </div>
  )
}
