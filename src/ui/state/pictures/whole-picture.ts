'use client'

import { useEffect, useEffectEvent, useState } from 'react'
import type { ServedImage } from '@/core/crawl'
import { thumbAt } from '@/store/images'
import { keepOriginal, originalAt } from '@/store/kept-pictures'
import { thumbKey } from '@/store/thumb-key'

/** A picture to work on. `isWhole` is false for a small copy: all that is left of one that can't be read again. */
export type WholePicture = { blob: Blob; isWhole: boolean }

/** Longest side to which a drawing without pixels is drawn. */
const MAX_DRAWN = 4096

/** A drawing as pixels. Drawn as a picture, it can run nothing and fetch nothing. */
export async function asPixels(svg: Blob, width: number, height: number): Promise<Blob> {
  const url = URL.createObjectURL(svg)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    const scale = Math.min(1, MAX_DRAWN / Math.max(width, height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(width * scale))
    canvas.height = Math.max(1, Math.round(height * scale))
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The drawing can’t be drawn.'))), 'image/png'),
    )
  } finally {
    URL.revokeObjectURL(url)
  }
}

/** A run that has just ended is still putting its pictures away: so often and so long it is waited for. */
const TURNS = 8
const TURN_MS = 500

/**
 * A picture as it is kept here, asked for again, or its small copy; without waiting for it.
 *
 * @param keeps what is asked for again stays here, to be worked on
 */
export async function pictureAtHand(image: ServedImage, keeps = true): Promise<WholePicture | null> {
  const key = thumbKey(image)
  const kept = await originalAt(key)
  if (kept) return { blob: kept, isWhole: true }
  if (image.served) {
    // A token of a server that was started again is worth nothing: then the small copy must do.
    const response = await fetch(image.served).catch(() => null)
    if (response?.ok) {
      const blob = await response.blob()
      if (keeps) await keepOriginal(key, blob).catch(() => undefined)
      return { blob, isWhole: true }
    }
  }
  const thumb = await thumbAt(key)
  return thumb ? { blob: thumb, isWhole: false } : null
}

/** A picture as it can be worked on: kept here, asked for again, or its small copy; null when there is none at all. */
export async function wholePicture(image: ServedImage): Promise<WholePicture | null> {
  let found = await pictureAtHand(image)
  for (let turn = 0; found === null && turn < TURNS; turn++) {
    await new Promise((resolve) => setTimeout(resolve, TURN_MS))
    found = await pictureAtHand(image)
  }
  return found && drawnPicture(image, found)
}

/** The same, drawn where it is a drawing. */
export async function drawnPicture(image: ServedImage, found: WholePicture): Promise<WholePicture> {
  if (image.format !== 'svg') return found
  const { width, height } = image
  return { blob: await asPixels(found.blob, width ?? 1200, height ?? 630), isWhole: true }
}

/** The chosen picture; undefined while it is read. */
export function useWholePicture(image: ServedImage | undefined): WholePicture | null | undefined {
  const [found, setFound] = useState<{ of: string; picture: WholePicture | null }>()
  // The same picture is another object each time anything of the run's is written: its content is what counts.
  const key = image && image.errorCode === null ? thumbKey(image) : null
  const read = useEffectEvent(async () => (image ? wholePicture(image) : null))
  useEffect(() => {
    let isGone = false
    if (key === null) return
    void read()
      .catch(() => null)
      .then((picture) => !isGone && setFound({ of: key, picture }))
    return () => {
      isGone = true
    }
  }, [key])
  if (key === null) return null
  return found?.of === key ? found.picture : undefined
}

/** Address of a blob as long as it is shown. */
export function useObjectUrl(blob: Blob | null | undefined): string | null {
  const [url, setUrl] = useState<string | null>(null)
  useEffect(() => {
    if (!blob) {
      setUrl(null)
      return
    }
    const made = URL.createObjectURL(blob)
    setUrl(made)
    return () => URL.revokeObjectURL(made)
  }, [blob])
  return url
}
