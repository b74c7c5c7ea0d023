'use client'

import { clsx } from 'clsx'
import { useThumb } from './thumb-cache'

/** A picture that is not here yet, or was not fetched. */
const HATCHED = 'bg-[repeating-linear-gradient(135deg,transparent_0_6px,var(--line)_6px_7px)]'

/** A picture in the part that the place keeps of it. Crops are centred, so covering the box draws the very crop. */
export function CardPicture({
  run,
  url,
  ratio,
  className,
}: {
  run: string
  url: string
  ratio: number
  className?: string
}) {
  const src = useThumb(run, url)
  return (
    <div className={clsx('overflow-hidden bg-soft', !src && HATCHED, className)} style={{ aspectRatio: String(ratio) }}>
      {src && <img src={src} alt="" draggable={false} className="h-full w-full object-cover" decoding="async" />}
    </div>
  )
}
