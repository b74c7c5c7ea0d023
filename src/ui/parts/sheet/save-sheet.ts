'use client'

import { type Drawing, sheetAsSvg } from '@/core/sheet'
import { asDataAddress } from '@/workers/data-address'
import { saveFile } from '../../kit/save-file'
import { sheetAsPng } from './paint-sheet'
import { picturesOf } from './sheet-pictures'

export const sheetForms = ['png', 'svg'] as const
export type SheetForm = (typeof sheetForms)[number]

/** Hands a drawing to the browser's downloads, with its pictures inside. Rejects with words that can be shown. */
export async function saveSheet(name: string, drawing: Drawing, form: SheetForm): Promise<void> {
  const pictures = await picturesOf(drawing)
  if (form === 'png') {
    saveFile(`${name}.png`, await sheetAsPng(drawing, pictures), 'image/png')
    return
  }
  const inside = await Promise.all([...pictures].map(async ([key, blob]) => [key, await asDataAddress(blob)] as const))
  saveFile(`${name}.svg`, sheetAsSvg(drawing, new Map(inside)), 'image/svg+xml')
}
