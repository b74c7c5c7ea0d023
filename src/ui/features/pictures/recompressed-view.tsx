'use client'

import { useEffect, useState } from 'react'
import { BASIS_WORDS, type CropResult, drawnWidth, weakestBasis } from '@/core/surface'
import { bytes } from '../../kit/words'
import { onPicture } from '../../state/pictures/picture-worker'
import { useObjectUrl } from '../../state/pictures/whole-picture'
import { CroppedPicture } from './kept-strip'

type Props = {
  /** Where the picture has most detail, 0 to 1 both ways. */
  centre: { x: number; y: number }
  picture: Blob
  src: string
  size: { width: number; height: number }
  kept: Extract<CropResult, { kind: 'kept' }> | null
}

/** The part that a place keeps beside what is left of it once the place has scaled and recompressed it. */
export function RecompressedView({ centre, picture, src, size, kept }: Props) {
  const [made, setMade] = useState<{ blob: Blob; width: number; height: number }>()
  const [fault, setFault] = useState('')
  const [isDouble, setIsDouble] = useState(false)
  const recompression = kept?.surface.recompression ?? null
  useEffect(() => {
    let isGone = false
    setMade(undefined)
    setFault('')
    if (!kept || !recompression) return
    onPicture('recompress', { picture, crop: kept.crop, recompression }).then(
      (given) => !isGone && setMade(given),
      (error: Error) => !isGone && setFault(error.message),
    )
    return () => {
      isGone = true
    }
  }, [picture, kept, recompression])
  const url = useObjectUrl(made?.blob)
  if (!kept || !recompression)
    return (
      <p className="p-4 text-quiet">
        No place is chosen that shows this picture, or only a small copy of it is left here: gather its pages again.
      </p>
    )
  const widthPx = drawnWidth(kept.surface, kept.layout) * (isDouble ? 2 : 1)
  const { crop } = kept
  // The busiest part may be what the place cuts away: then the nearest that it keeps.
  const within = (point: number, from: number, length: number) => Math.min(from + length, Math.max(from, point))
  const busy = {
    x: within(centre.x * size.width, crop.x, crop.width),
    y: within(centre.y * size.height, crop.y, crop.height),
  }
  const heightPx = Math.round((widthPx * kept.crop.height) / kept.crop.width)
  return (
    <div className="flex h-full min-h-0 flex-col">
      <p className="mb-2 flex items-center gap-3 text-quiet">
        <span>
          {kept.surface.name}: longest side {recompression.longestSide.value} px, JPEG at quality{' '}
          {recompression.quality.value} ({BASIS_WORDS[weakestBasis([recompression.longestSide, recompression.quality])]}
          ). Drawn about {widthPx} px wide.
        </span>
        <button
          type="button"
          className="button ml-auto h-[26px]! shrink-0 px-2!"
          aria-pressed={isDouble}
          onClick={() => setIsDouble(!isDouble)}
        >
          {isDouble ? 'As large as there' : 'Twice as large'}
        </button>
      </p>
      <div className="flex min-h-0 flex-1 flex-wrap content-start gap-4 overflow-auto rounded-[9px] bg-soft p-3">
        <figure>
          <CroppedPicture src={src} size={size} crop={kept.crop} heightPx={heightPx} />
          <figcaption className="mt-1 text-small text-quiet">
            as it is: {kept.crop.width} × {kept.crop.height}
          </figcaption>
        </figure>
        <figure>
          {url && made ? (
            <>
              <img src={url} alt="" className="block rounded-[4px]" style={{ width: widthPx, height: heightPx }} />
              <figcaption className="mt-1 text-small text-quiet">
                as the place makes it, about: {made.width} × {made.height}, {bytes(made.blob.size)}
              </figcaption>
            </>
          ) : (
            <p className="text-quiet">{fault || 'Recompressing …'}</p>
          )}
        </figure>
        {url && (
          <div className="flex w-full flex-wrap gap-4">
            <Magnified
              name="its busiest part, three times as large"
              src={src}
              widthPx={(3 * widthPx * size.width) / kept.crop.width}
              at={{ x: busy.x / size.width, y: busy.y / size.height }}
              ratio={size.width / size.height}
            />
            <Magnified
              name="the same, as the place makes it"
              src={url}
              widthPx={3 * widthPx}
              at={{ x: (busy.x - kept.crop.x) / kept.crop.width, y: (busy.y - kept.crop.y) / kept.crop.height }}
              ratio={kept.crop.width / kept.crop.height}
            />
          </div>
        )}
      </div>
    </div>
  )
}

const BOX = { width: 290, height: 150 }

/** A point of a picture, much enlarged. */
function Magnified({
  name,
  src,
  widthPx,
  at,
  ratio,
}: {
  name: string
  src: string
  widthPx: number
  at: { x: number; y: number }
  ratio: number
}) {
  const heightPx = widthPx / ratio
  const offset = (whole: number, box: number, point: number) =>
    Math.min(0, Math.max(box - whole, box / 2 - point * whole))
  return (
    <figure>
      <span className="relative block overflow-hidden rounded-[4px]" style={BOX}>
        <img
          src={src}
          alt=""
          className="absolute max-w-none"
          style={{
            width: widthPx,
            height: heightPx,
            left: offset(widthPx, BOX.width, at.x),
            top: offset(heightPx, BOX.height, at.y),
          }}
        />
      </span>
      <figcaption className="mt-1 text-small text-quiet">{name}</figcaption>
    </figure>
  )
}
