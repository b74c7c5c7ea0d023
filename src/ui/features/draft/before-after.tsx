'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { type Draft, editPage, effectiveEdits, type KnownDefaults } from '@/core/draft'
import { type CardContext, cardChanges, cardOf, faceOf } from '@/core/surface'
import { readStoredPage } from '@/store/pages'
import { WallCard } from '../../parts/card/wall-card'
import { useSurfaces } from '../../state/surface/use-surfaces'

type Props = { run: string; section: string; draft: Draft; defaults: KnownDefaults; context: CardContext }

/** A drafted page's card as it is built and as it will be, in a place that shows the difference. */
export function BeforeAfter({ run, section, draft, defaults, context }: Props) {
  const stored = useLiveQuery(() => readStoredPage(run, draft.url), [run, draft.url])
  const surfaces = useSurfaces()
  const shown = useMemo(() => {
    const page = stored?.page
    if (!page?.facts) return null
    const imageOf = (url: string) => context.images.get(url)
    const { edits } = effectiveEdits({ ...page, facts: page.facts }, section, draft.fields, defaults, imageOf)
    const after = editPage(page, edits)
    const pairs = surfaces.map((surface) => {
      const [was, is] = [cardOf(page, surface, context), cardOf(after, surface, context)]
      return { surface, was, is, parts: cardChanges(was, is).length }
    })
    // The first place that shows a difference; where none does, the first of all.
    return pairs.find(({ parts }) => parts > 0) ?? pairs[0]!
  }, [stored, section, draft, defaults, context, surfaces])
  if (!shown) return null
  const { surface, was, is, parts } = shown
  return (
    <div className="grid w-[720px] max-w-full grid-cols-2 items-start gap-3 py-1">
      {(
        [
          ['as built', was],
          ['with the draft', is],
        ] as const
      ).map(([name, card]) => (
        <figure key={name} aria-label={name} className="min-w-0">
          <WallCard run={run} surface={surface} face={faceOf(card, surface)} />
          <figcaption className="mt-[3px] text-fine text-quiet">
            {surface.name}, {name}
            {parts === 0 && ': no place shows a difference'}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
