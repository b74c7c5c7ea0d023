'use client'

import { useMemo } from 'react'
import { editPage, type TagEdits } from '@/core/draft'
import type { GatheredPage } from '@/core/model'
import { type CardContext, cardOf } from '@/core/surface'
import { TrueCard } from '../../parts/card/true-card'
import { useSurfaces } from '../../state/surface/use-surfaces'

const KINDS = [
  { kind: 'summary_large_image', name: 'Large' },
  { kind: 'summary', name: 'Small' },
] as const

type Props = {
  run: string
  page: GatheredPage
  edits: TagEdits
  context: CardContext
  chosen: string | null
  onChoose: (kind: string) => void
}

/** The large and the small card of the place that goes by the card kind, side by side: one click takes either. */
export function CardKinds({ run, page, edits, context, chosen, onChoose }: Props) {
  const surface = useSurfaces().find(({ layoutBy }) => layoutBy === 'card-kind')
  const cards = useMemo(() => {
    if (!surface) return []
    return KINDS.map(({ kind, name }) => ({
      kind,
      name,
      surface,
      card: cardOf(editPage(page, new Map([...edits, ['twitter:card', kind]])), surface, context),
    }))
  }, [page, edits, context, surface])
  return (
    <div className="grid grid-cols-[repeat(2,minmax(0,1fr))] items-start gap-2">
      {cards.map(({ kind, name, surface, card }) => (
        <div key={kind} className="min-w-0">
          <button
            type="button"
            aria-pressed={chosen === kind}
            onClick={() => onChoose(kind)}
            className={
              chosen === kind ? 'mb-1 font-semibold underline underline-offset-4' : 'mb-1 text-quiet hover:text-ink'
            }
          >
            {name}
          </button>
          <TrueCard run={run} surface={surface} card={card} lit={null} onLit={() => undefined} />
        </div>
      ))}
    </div>
  )
}
