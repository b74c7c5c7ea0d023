'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useCallback, useEffect, useState } from 'react'
import { CENTER, type Focus } from '@/core/image'
import { focusesOf } from '@/store/focuses'
import { doStep } from '../draft/draft-history'
import { onPicture } from './picture-worker'

/** `set`: somebody did; `proposed`: found in the picture, to be moved; `middle`: nothing is known. */
type FocusOrigin = 'set' | 'proposed' | 'middle'
export type PictureFocus = { focus: Focus; origin: FocusOrigin }

/** Keeps the focus of a picture; null goes back to what is proposed. It can be undone. */
function setFocus(site: string, url: string, before: Focus | null, after: Focus | null): Promise<void> {
  const name = new URL(url).pathname.split('/').at(-1) || url
  // Dragging is one step, as typing is.
  const typing = after === null ? null : `focus ${url}`
  return doStep({ site, label: `focus of ${name}`, drafts: [], focus: { url, before, after } }, typing)
}

/** Where a picture's subject may be; the middle where it can't be looked at. */
export const proposedFocus = (picture: Blob): Promise<PictureFocus> =>
  onPicture('focus', { picture }).then(
    (focus) => ({ focus, origin: 'proposed' as const }),
    () => ({ focus: CENTER, origin: 'middle' as const }),
  )

/** What was set for a site's pictures, by their addresses; undefined while it is read. */
export const useFocuses = (site: string): ReadonlyMap<string, Focus> | undefined =>
  useLiveQuery(() => focusesOf(site), [site])

/** The focus of one picture: the one that was set, else a proposal. */
export function useFocus(
  site: string,
  url: string,
  picture: Blob | null,
): PictureFocus & { set: (focus: Focus | null) => void } {
  const kept = useFocuses(site)
  const [proposed, setProposed] = useState<{ of: Blob; found: PictureFocus } | null>(null)
  const own = kept?.get(url) ?? null
  const asks = kept !== undefined && own === null
  useEffect(() => {
    let isGone = false
    if (picture && asks) void proposedFocus(picture).then((found) => !isGone && setProposed({ of: picture, found }))
    return () => {
      isGone = true
    }
  }, [picture, asks])
  // While a drag is on its way to the database, what is dragged is what holds.
  const [moving, setMoving] = useState<Focus | null>(null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: once another focus is kept, it holds
  useEffect(() => setMoving(null), [own?.x, own?.y, url])
  const set = useCallback(
    (focus: Focus | null) => {
      setMoving(focus)
      void setFocus(site, url, own, focus)
    },
    [site, url, own],
  )
  if (moving) return { focus: moving, origin: 'set', set }
  if (own) return { focus: own, origin: 'set', set }
  const found = proposed?.of === picture ? proposed?.found : null
  return { ...(found ?? { focus: CENTER, origin: 'middle' }), set }
}
