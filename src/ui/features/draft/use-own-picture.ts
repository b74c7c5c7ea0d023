'use client'

import { type ClipboardEvent, type DragEvent, useState } from 'react'
import type { GatheredImage } from '@/core/model'
import { takeOwnPicture } from '../../state/draft/own-picture'

/** Takes a picture of one's own: a file that is chosen, dropped or pasted. */
export function useOwnPicture(
  run: string,
  site: string,
  images: ReadonlyMap<string, GatheredImage>,
  onTaken: (url: string) => void,
) {
  const [fault, setFault] = useState('')
  const [isOver, setIsOver] = useState(false)
  const take = async (file: File) => {
    setFault('')
    try {
      onTaken((await takeOwnPicture(run, site, file, images)).url)
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  const hasFiles = (event: DragEvent) => event.dataTransfer.types.includes('Files')
  const handlers = {
    onPaste: (event: ClipboardEvent) => {
      const [file] = event.clipboardData.files
      // Text that is pasted into a field stays text.
      if (!file) return
      event.preventDefault()
      void take(file)
    },
    onDragOver: (event: DragEvent) => {
      if (!hasFiles(event)) return
      event.preventDefault()
      setIsOver(true)
    },
    onDragLeave: () => setIsOver(false),
    onDrop: (event: DragEvent) => {
      setIsOver(false)
      const [file] = event.dataTransfer.files
      if (!file) return
      event.preventDefault()
      void take(file)
    },
  }
  return { take, fault, isOver, handlers }
}
