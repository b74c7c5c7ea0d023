'use client'

import { useEffect, useMemo, useState } from 'react'
import type { Focus, RefitWish } from '@/core/image'
import type { Refitted } from '@/workers/draw-refit'
import { onPicture } from './picture-worker'
import type { Wish } from './use-wish'

export type RefitState = {
  wish: RefitWish
  set: (change: Partial<Omit<RefitWish, 'focus'>>) => void
  /** The latest that was made; null before the first. It stays while the next one is made. */
  made: Refitted | null
  isMaking: boolean
  fault: string
}

/** Pause after the last change before a refit is made. */
const REST_MS = 120

/** Refits the picture in a worker as the wish changes. Shape, fill and budget are of the wish, the focus of the picture. */
export function useRefit(picture: Blob | null, focus: Focus, asked: Wish): Omit<RefitState, 'set'> {
  const wish = useMemo((): RefitWish => ({ ...asked, focus: { x: focus.x, y: focus.y } }), [asked, focus.x, focus.y])
  const [made, setMade] = useState<{ of: Blob; refitted: Refitted } | null>(null)
  const [isMaking, setIsMaking] = useState(false)
  const [fault, setFault] = useState('')
  useEffect(() => {
    let isGone = false
    setFault('')
    if (!picture) return
    setIsMaking(true)
    const timer = setTimeout(() => {
      onPicture('refit', { picture, wish })
        .then(
          (refitted) => !isGone && setMade({ of: picture, refitted }),
          (error: Error) => !isGone && setFault(error.message),
        )
        .finally(() => !isGone && setIsMaking(false))
    }, REST_MS)
    return () => {
      isGone = true
      clearTimeout(timer)
    }
  }, [picture, wish])
  return {
    wish,
    made: made && made.of === picture ? made.refitted : null,
    isMaking,
    fault,
  }
}

/** `12,34`-like focus in words: `47 % from the left, 52 % from the top`. */
export const focusInWords = ({ x, y }: Focus): string =>
  `${Math.round(x * 100)} % from the left, ${Math.round(y * 100)} % from the top`
