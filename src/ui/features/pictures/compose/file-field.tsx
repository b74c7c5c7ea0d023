'use client'

import { useState } from 'react'
import { keepTemplateFile } from '@/store/templates'
import { FileButton } from '../../../kit/file-button'

/** A font or a mark heavier than this is a mistake. */
const MAX_BYTES = 8_000_000

/** A file that a template names: chosen here, kept in this browser, saved beside the template. */
export function FileField({
  site,
  name,
  accept,
  chosen,
  onChoose,
}: {
  site: string
  name: string
  accept: string
  chosen: string | undefined
  /** null: none any more. */
  onChoose: (file: string | null) => void
}) {
  const [fault, setFault] = useState('')
  const take = async (file: File) => {
    setFault('')
    if (file.size > MAX_BYTES) {
      setFault(`${file.name} is heavier than 8 MB. Choose a smaller one.`)
      return
    }
    const plain = file.name.replace(/[\\/]/g, '-')
    try {
      await keepTemplateFile(site, plain, file)
      onChoose(plain)
    } catch {
      setFault('This browser has no room left for the file.')
    }
  }
  return (
    <span className="flex w-full flex-wrap items-center gap-2">
      <FileButton
        className="h-[26px]! px-2! text-small"
        accept={accept}
        label={name}
        onChosen={([file]) => void take(file)}
      >
        {name} …
      </FileButton>
      {chosen && (
        <button type="button" className="text-small text-pick hover:underline" onClick={() => onChoose(null)}>
          Without it
        </button>
      )}
      {fault && (
        <span role="alert" className="text-small text-wrong">
          {fault}
        </span>
      )}
    </span>
  )
}
