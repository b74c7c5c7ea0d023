'use client'

import { pathOn } from '@/core/address'
import { type Holder, type Post, type ShareBox, shownNow, type Version } from '@/core/compare'
import type { Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { WallCard } from '../../parts/card/wall-card'
import { mixedFace, useFace } from './use-face'

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
      <p className="mb-1 grid text-small">
        <b className="truncate font-mono font-semibold">{pathOn(one.address, site)}</b>
        <span className="text-quiet">
          posted day {one.day} ·{' '}
          {shown.text === shown.picture
            ? WHICH[shown.text]
            : `text ${WHICH[shown.text]}, picture ${WHICH[shown.picture]}`}
        </span>
      </p>
      {text ? (
        <WallCard run={runs[shown.picture].id} surface={surface} face={mixedFace(text, picture ?? text)} />
      ) : (
        <p className="rounded-card border border-dashed border-line px-3 py-3 font-mono text-small [overflow-wrap:anywhere]">
          {one.address}
        </p>
      )}
    </li>
  )
}
