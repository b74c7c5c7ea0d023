'use client'

import { type Drawing, facesNeeded, fontFaceRule, sheetAsSvg } from '@/core/sheet'
import { asDataAddress } from '@/workers/data-address'
import { saveFile } from '../../kit/save-file'
import { declaredFaces } from '../declared-faces'
import { sheetAsPng } from './paint-sheet'
import { picturesOf } from './sheet-pictures'

export const sheetForms = ['png', 'svg'] as const
export type SheetForm = (typeof sheetForms)[number]

/** A drawing as PNG, with its pictures. */
export const pngOf = async (drawing: Drawing): Promise<Blob> => sheetAsPng(drawing, await picturesOf(drawing))

/** Rules of @font-face for the letters of a drawing, with the files that the app ships inside. */
async function facesInside(drawing: Drawing): Promise<string> {
  const parts = declaredFaces()
    .filter(({ family }) => family === 'Arimo')
    .map(({ source, weight, unicodeRange }) => ({
      subset: source,
      weight: weight === 'normal' ? 400 : Number(weight),
      ranges: unicodeRange || 'U+0-10FFFF',
      source,
    }))
  const rules = facesNeeded(drawing, parts).map(async (part) => {
    const file = await (await fetch(part.source)).blob()
    return fontFaceRule(part, await asDataAddress(new Blob([file], { type: 'font/woff2' })))
  })
  return (await Promise.all(rules)).join('')
}

async function svgOf(drawing: Drawing): Promise<string> {
  const pictures = [...(await picturesOf(drawing))].map(
    async ([key, blob]) => [key, await asDataAddress(blob)] as const,
  )
  return sheetAsSvg(drawing, new Map(await Promise.all(pictures)), { fontFaces: await facesInside(drawing) })
}

/** Hands a drawing to the browser's downloads, with its pictures and letters inside. Rejects with words that can be shown. */
export async function saveSheet(name: string, drawing: Drawing, form: SheetForm): Promise<void> {
  if (form === 'png') saveFile(`${name}.png`, await pngOf(drawing), 'image/png')
  else saveFile(`${name}.svg`, await svgOf(drawing), 'image/svg+xml')
}

/** Puts a drawing on the clipboard, as a picture. Rejects with words that can be shown. */
export async function copySheet(drawing: Drawing): Promise<void> {
  if (typeof ClipboardItem === 'undefined' || !navigator.clipboard?.write)
    throw new Error('This browser lets no page put a picture on the clipboard. Show it, and copy it from there.')
  // The promise is handed over: a browser asks that the clipboard be written while the key is still pressed.
  await navigator.clipboard.write([new ClipboardItem({ 'image/png': pngOf(drawing) })])
}
