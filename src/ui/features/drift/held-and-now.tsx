'use client'

import type { RefreshEntry } from '@/core/compare'
import type { Surface } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { dayAndTime } from '../../kit/words'
import { WallCard } from '../../parts/card/wall-card'
import { useRun } from '../../state/run/use-run'
import { mixedFace, useFace } from './use-face'

type Props = { entry: RefreshEntry; surface: Surface; run: StoredRun }

/** What a place shows from its copy, and what it would show if it read the page now. */
export function HeldAndNow({ entry, surface, run }: Props) {
  const { held, page, movedTo, reason, state } = entry
  const earlier = useRun(held.run)
  const old = useFace(earlier.kind === 'ready' ? earlier.value : null, page, surface)
  const now = useFace(run, movedTo ?? page, surface)
  // A copy whose picture alone is old has the text of today.
  const isPictureAlone = reason === 'picture-under-same-address' || reason === 'image'
  const shown = old && now && isPictureAlone ? mixedFace(now, old) : old
  return (
    <aside aria-label="What it holds, and what it would show" className="grid content-start gap-4 overflow-auto">
      <section aria-label="Held">
        <h3 className="mb-1">
          <b className="font-semibold">{state === 'done' ? 'It held' : 'It holds'}</b>{' '}
          <span className="text-quiet">since {dayAndTime(held.at)}</span>
        </h3>
        {shown ? (
          <WallCard run={held.run} surface={surface} face={shown} />
        ) : (
          <Nothing text={earlier.kind === 'missing' ? 'The run that it is of was deleted.' : 'Reading …'} />
        )}
      </section>
      <section aria-label="Now">
        <h3 className="mb-1">
          <b className="font-semibold">The page says</b> <span className="text-quiet">{dayAndTime(run.startedAt)}</span>
        </h3>
        {now ? (
          <WallCard run={run.id} surface={surface} face={now} />
        ) : (
          <Nothing text={reason === 'removed' ? 'It is not there any more.' : 'Reading …'} />
        )}
      </section>
    </aside>
  )
}

function Nothing({ text }: { text: string }) {
  return <p className="rounded-card border border-dashed border-line px-3 py-4 text-quiet">{text}</p>
}
