'use client'

import { drawCard, fileNameOf, sheetOfCards } from '@/core/sheet'
import type { Card, Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { dayAndTime } from '../../kit/words'
import { SheetMenu } from '../../parts/sheet/sheet-menu'
import { pictureKey } from '../../parts/sheet/sheet-pictures'

type Props = {
  run: StoredRun
  path: string
  cards: readonly { surface: Surface; card: Card }[]
  /** The cards are those of a draft. */
  isDrafted: boolean
}

/** All cards of a page as one picture, to send to somebody. */
export function SaveCards({ run, path, cards, isDrafted }: Props) {
  const drawing = async () => {
    const cells = cards.map(({ surface, card }) => ({
      caption: surface.name,
      card: drawCard(card, surface, { keyOf: (url) => pictureKey(run.id, url) }),
    }))
    const { host } = new URL(path, run.source.site)
    const about = `${host}, ${isDrafted ? 'as drafted' : 'as built'}, ${dayAndTime(run.startedAt)}`
    return { file: `cards-${fileNameOf(path)}`, drawing: sheetOfCards(path, about, cells) }
  }
  return <SheetMenu name="Save cards" about="All cards of this page, as a picture" drawing={drawing} />
}
