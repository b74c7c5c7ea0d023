'use client'

import { useState } from 'react'
import type { Drawing } from '@/core/sheet'
import { type SaveForm, SaveMenu } from '../../kit/save-menu'
import { copySheet, pngOf, saveSheet, sheetForms } from './save-sheet'
import { type SheetShown, ShownSheet } from './shown-sheet'

type Props = {
  name: string
  about?: string
  className?: string
  /** Which cards are on it, where documents stand beside it in the menu. */
  cards?: string
  /** Documents that are offered above the picture. */
  documents?: readonly SaveForm[]
  /** The picture, and how its file is called, without an ending. */
  drawing: () => Promise<{ file: string; drawing: Drawing }>
}

/** Cards as a picture: saved, copied, or shown to be dragged. */
export function SheetMenu({ name, about, className, cards = 'Cards', documents = [], drawing }: Props) {
  const [shown, setShown] = useState<SheetShown | null>(null)
  const close = () => {
    if (shown) URL.revokeObjectURL(shown.url)
    setShown(null)
  }
  const files = sheetForms.map((form) => ({
    name: documents.length > 0 ? `${cards} as ${form.toUpperCase()}` : form.toUpperCase(),
    save: async () => {
      const made = await drawing()
      await saveSheet(made.file, made.drawing, form)
    },
  }))
  const others = [
    { name: 'Copy the picture', save: async () => copySheet((await drawing()).drawing), done: 'Copied.' },
    {
      name: 'Show it, to drag',
      save: async () => {
        const made = await drawing()
        setShown({ name: `${made.file}.png`, url: URL.createObjectURL(await pngOf(made.drawing)) })
      },
    },
  ]
  const groups = documents.length > 0 ? [documents, files, others] : [files, others]
  return (
    <>
      <SaveMenu name={name} groups={groups} {...(about ? { about } : {})} {...(className ? { className } : {})} />
      <ShownSheet shown={shown} onClose={close} />
    </>
  )
}
