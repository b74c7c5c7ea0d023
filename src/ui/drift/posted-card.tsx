'use client'

import { useMemo } from 'react'
import type { Holder } from '@/core/compare/held-copies'
import { type Post, type ShareBox, shownNow, type Version } from '@/core/compare/share-box'
import { cardOf } from '@/core/surface/card'
import { type Face, faceOf } from '@/core/surface/face'
import type { Surface } from '@/core/surface/profile'
import type { StoredRun } from '@/store/database'
import { WallCard } from '../card/wall-card'
import { useCardContext } from '../run/use-card-context'
import { useStoredPage } from '../run/use-run'
import { pathUnder } from './drift-items'

/** A card whose text and picture are of different versions. The room that the text has is the picture's. */
export function mixedFace(text: Face, picture: Face): Face {
  if (text === picture) return text
  const { layout, image, ratio, pictureFault } = picture
  return { ...text, layout, image, ratio, pictureFault }
}

function useFace(run: StoredRun, page: string | null, surface: Surface): Face | null {
  const stored = useStoredPage(page === null ? null : run.id, page)
  const context = useCardContext(run)
  const found = stored.kind === 'ready' ? stored.value.page : null
  return useMemo(
    () => (found && context ? faceOf(cardOf(found, surface, context), surface) : null),
    [found, context, surface],
  )
}

type Props = {
  box: ShareBox
  one: Post
  surface: Surface & Holder
  runs: Record<Version, StoredRun>
  page: string | null
  site: string
}

const WHICH: Record<Version, string> = { before: 'from before the edit', after: 'as edited' }

/** A link that was posted, with the card that the place shows for it by now. */
export function PostedCard({ box, one, surface, runs, page, site }: Props) {
  const faces = { before: useFace(runs.before, page, surface), after: useFace(runs.after, page, surface) }
  const shown = shownNow(box, one, surface)
  const [text, picture] = [faces[shown.text], faces[shown.picture]]
  return (
    <li>
      <p className="mb-1 flex items-baseline gap-2 text-[12px]">
        <b className="min-w-0 truncate font-mono font-semibold">{pathUnder(site, one.address)}</b>
        <span className="shrink-0 text-quiet">
          posted day {one.day} ·{' '}
          {shown.text === shown.picture
            ? WHICH[shown.text]
            : `text ${WHICH[shown.text]}, picture ${WHICH[shown.picture]}`}
        </span>
      </p>
      {text ? (
        <WallCard run={runs[shown.picture].id} surface={surface.id} face={mixedFace(text, picture ?? text)} />
      ) : (
        <p className="rounded-card border border-dashed border-line px-3 py-3 font-mono text-[12px] [overflow-wrap:anywhere]">
          {one.address}
        </p>
      )}
    </li>
  )
}
