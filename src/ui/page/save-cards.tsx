'use client'

import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { drawCard } from '@/core/sheet/draw-card'
import { sheetOfCards } from '@/core/sheet/sheet'
import type { Card } from '@/core/surface/card-model'
import type { Surface } from '@/core/surface/profile'
import type { StoredRun } from '@/store/database'
import { isTextFirst } from '../card/text-first'
import { dayAndTime } from '../shared/words'
import { type SheetForm, saveSheet } from '../sheet/save-sheet'
import { pictureKey } from '../sheet/sheet-pictures'

const FORMS: { id: SheetForm; name: string }[] = [
  { id: 'png', name: 'PNG' },
  { id: 'svg', name: 'SVG' },
]

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
  const [fault, setFault] = useState<string | null>(null)
  const save = async (form: SheetForm) => {
    const cells = cards.map(({ surface, card }) => ({
      caption: surface.name,
      card: drawCard(card, surface, {
        keyOf: (url) => pictureKey(run.id, url),
        isTextFirst: isTextFirst(surface.id),
      }),
    }))
    const about = `${new URL(path, run.source.site).host}, ${isDrafted ? 'as drafted' : 'as built'}, ${dayAndTime(run.startedAt)}`
    try {
      await saveSheet(`cards-${fileNameOf(path)}`, sheetOfCards(path, about, cells), form)
      setFault(null)
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error))
    }
  }
  return (
    <>
      {fault && (
        <span role="alert" className="text-wrong">
          {fault}
        </span>
      )}
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="button">
          Save cards <span aria-hidden="true">▾</span>
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            sideOffset={6}
            className="z-30 w-[200px] rounded-card border border-line bg-sheet p-1 text-ink shadow-xl"
          >
            <DropdownMenu.Label className="px-2 py-1 text-[11.5px] text-quiet">
              All cards of this page, as a picture
            </DropdownMenu.Label>
            {FORMS.map(({ id, name }) => (
              <DropdownMenu.Item
                key={id}
                onSelect={() => void save(id)}
                className="cursor-pointer rounded px-2 py-[6px] outline-none data-highlighted:bg-soft"
              >
                {name}
              </DropdownMenu.Item>
            ))}
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  )
}
