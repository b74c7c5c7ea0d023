'use client'

import { clsx } from 'clsx'
import { WIDE_RATIO } from '@/core/image'
import { useThumb } from './thumb-cache'

/** A picture that is not here yet, or was not fetched. */
const HATCHED = 'bg-[repeating-linear-gradient(135deg,transparent_0_6px,var(--line)_6px_7px)]'

/** A picture in the part that the place keeps of it. Crops are centred, so covering the box draws the very crop. */
export function CardPicture({
  run,
  url,
  ratio = WIDE_RATIO,
  isUnseen = false,
  className,
}: {
  run: string
  url: string
  /** Width divided by height; that of the large image without it. */
  ratio?: number
  /** It could not be looked at: what a place would show is not known. */
  isUnseen?: boolean
  className?: string
}) {
  const src = useThumb(run, url)
  return (
    <div
      className={clsx('overflow-hidden bg-soft', !src && HATCHED, isUnseen && 'grid place-items-center', className)}
      style={{ aspectRatio: String(ratio) }}
    >
      {isUnseen && !src && (
        <span className="rounded-[4px] border border-dashed border-line bg-card px-2 py-[2px] font-sans text-fine font-semibold text-quiet">
          Not seen
        </span>
      )}
      {src && <img src={src} alt="" draggable={false} className="h-full w-full object-cover" decoding="async" />}
    </div>
  )
}
