'use client'

import { drawCard, sheetOfCards } from '@/core/sheet'
import type { Card, Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { SaveMenu } from '../../kit/save-menu'
import { dayAndTime } from '../../kit/words'
import { type SheetForm, saveSheet, sheetForms } from '../../parts/sheet/save-sheet'
import { pictureKey } from '../../parts/sheet/sheet-pictures'

/** A page's path as a file may be called. */
export const fileNameOf = (path: string): string =>
  path
    .replace(/^\/|\/$/g, '')
    .replace(/[^\p{L}\p{N}.-]+/gu, '-')
    .slice(0, 80) || 'home'

type Props = {
  run: StoredRun
  path: string
  cards: readonly { surface: Surface; card: Card }[]
  /** The cards are those of a draft. */
  isDrafted: boolean
}

/** All cards of a page as one picture, to send to somebody. */
export function SaveCards({ run, path, cards, isDrafted }: Props) {
  const save = async (form: SheetForm) => {
    const cells = cards.map(({ surface, card }) => ({
      caption: surface.name,
      card: drawCard(card, surface, {
        keyOf: (url) => pictureKey(run.id, url),
      }),
    }))
    const { host } = new URL(path, run.source.site)
    const about = `${host}, ${isDrafted ? 'as drafted' : 'as built'}, ${dayAndTime(run.startedAt)}`
    await saveSheet(`cards-${fileNameOf(path)}`, sheetOfCards(path, about, cells), form)
  }
  const forms = sheetForms.map((form) => ({ name: form.toUpperCase(), save: () => save(form) }))
  return <SaveMenu name="Save cards" groups={[forms]} about="All cards of this page, as a picture" />
}
