'use client'

import { pathOn } from '@/core/address'
import { cardContextOf } from '@/core/check'
import type { Comparison } from '@/core/compare'
import { type Drawing, drawCard, type Pair, sheetOfPairs } from '@/core/sheet'
import { type CardContext, cardOf, type Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { imagesOf } from '@/store/images'
import { pagesAt } from '@/store/pages'
import { count, dayAndTime } from '../../kit/words'
import { pictureKey } from '../../parts/sheet/sheet-pictures'

/** Pages on one sheet: more make a picture that is too long to look through. */
const MAX_ON_SHEET = 40

async function contextOf(run: StoredRun): Promise<CardContext> {
  return cardContextOf(run, await imagesOf(run.id))
}

/** Cards that changed on one surface, before and after, as a drawing. */
export async function sheetOfChanges(
  before: StoredRun,
  after: StoredRun,
  { differences }: Pick<Comparison, 'differences'>,
  surface: Surface,
): Promise<Drawing> {
  const changed = [...differences].flatMap(([url, { cards }]) => {
    const card = cards.get(surface.id)
    return card ? [{ url, marked: new Set(card.parts) }] : []
  })
  const shown = changed.slice(0, MAX_ON_SHEET)
  const urls = shown.map(({ url }) => url)
  const sides = await Promise.all(
    [before, after].map(async (run) => ({ run, context: await contextOf(run), pages: await pagesAt(run.id, urls) })),
  )
  const pairs = shown.map(({ url, marked }, index): Pair => {
    const [old, now] = sides.map(({ run, context, pages }) => {
      const stored = pages[index]
      if (!stored) return null
      const options = { keyOf: (of: string) => pictureKey(run.id, of), marked }
      return drawCard(cardOf(stored.page, surface, context), surface, options)
    })
    return { name: pathOn(url, after.source.site), before: old ?? null, after: now ?? null }
  })
  const more = changed.length > shown.length ? `, the first ${shown.length} of them` : ''
  const about = `${count(changed.length, 'page')} with another card${more}: ${dayAndTime(before.startedAt)} and ${dayAndTime(after.startedAt)}`
  return sheetOfPairs(`${surface.name}, ${new URL(after.source.site).host}`, about, pairs)
}
