'use client'

import { useMemo } from 'react'
import type { GatheredPage } from '@/core/model'
import { cardChanges, cardOf, tagChanges } from '@/core/surface'
import type { StoredRun } from '@/store/database'
import { clockTime } from '../../kit/words'
import { partsInWords } from '../../parts/part-words'
import { useCardContext } from '../../state/run/use-card-context'
import { useRun, useStoredPage } from '../../state/run/use-run'
import { useSurfaces } from '../../state/surface/use-surfaces'

/** What changed on a page between the look before and this one, with both times. */
export function LookAgainView({ run, page }: { run: StoredRun; page: GatheredPage }) {
  const from = run.lookedAgain?.url === page.url ? run.lookedAgain.run : null
  const parent = useRun(from)
  const stored = useStoredPage(from, from === null ? null : page.url)
  if (from === null || stored.kind !== 'ready' || parent.kind !== 'ready') return null
  return <Changes run={run} parent={parent.value} before={stored.value.page} after={page} />
}

type Props = { run: StoredRun; parent: StoredRun; before: GatheredPage; after: GatheredPage }

function Changes({ run, parent, before, after }: Props) {
  const old = useCardContext(parent)
  const now = useCardContext(run)
  const surfaces = useSurfaces()
  const tags = useMemo(() => tagChanges(before.facts, after.facts), [before, after])
  const cards = useMemo(() => {
    if (!old || !now) return []
    return surfaces.flatMap((surface) => {
      const parts = cardChanges(cardOf(before, surface, old), cardOf(after, surface, now))
      return parts.length > 0 ? [`${surface.name} (${partsInWords(parts)})`] : []
    })
  }, [before, after, old, now, surfaces])
  return (
    <section
      aria-label="What changed"
      className="max-h-[180px] shrink-0 overflow-auto border-b border-line bg-pick-soft px-4 py-[9px]"
    >
      <p>
        <b className="font-semibold">Looked again at {clockTime(after.fetch.fetchedAt)}</b>, before at{' '}
        {clockTime(before.fetch.fetchedAt)}.{' '}
        {tags.length === 0
          ? 'The page says what it said.'
          : cards.length === 0
            ? 'No card shows the difference.'
            : `Changed on ${cards.join('; ')}.`}
      </p>
      {tags.length > 0 && (
        <dl className="mt-1 grid grid-cols-[auto_1fr] gap-x-3 gap-y-[3px] text-small">
          {tags.map(({ key, before: was, after: is }) => (
            <div key={key} className="contents">
              <dt className="font-mono">{key}</dt>
              <dd className="[overflow-wrap:anywhere]">
                {was === null ? (
                  <span className="text-quiet">was not there</span>
                ) : (
                  <s className="text-quiet decoration-wrong">
                    <span className="sr-only">was: </span>
                    {was || 'empty'}
                  </s>
                )}{' '}
                → {is === null ? <span className="text-quiet">gone</span> : is || 'empty'}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  )
}
