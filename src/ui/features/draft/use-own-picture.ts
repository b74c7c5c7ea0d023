'use client'

import { type ClipboardEvent, useState } from 'react'
import type { GatheredImage } from '@/core/model'
import { useDrop } from '../../kit/use-drop'
import { takeOwnPicture } from '../../state/draft/own-picture'

/** Takes a picture of one's own: a file that is chosen, dropped or pasted. */
export function useOwnPicture(
  run: string,
  site: string,
  images: ReadonlyMap<string, GatheredImage>,
  onTaken: (url: string) => void,
) {
  const [fault, setFault] = useState('')
  const take = async (file: File | undefined) => {
    if (!file) return
    setFault('')
    try {
      onTaken((await takeOwnPicture(run, site, file, images)).url)
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  const { isOver, place } = useDrop((transfer) => void take(transfer.files[0]))
  const onPaste = (event: ClipboardEvent) => {
    const [file] = event.clipboardData.files
    // Text that is pasted into a field stays text.
    if (!file) return
    event.preventDefault()
    void take(file)
  }
  return { take, fault, isOver, handlers: { ...place, onPaste } }
}
