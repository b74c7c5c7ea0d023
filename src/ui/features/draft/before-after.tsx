'use client'

import { useLiveQuery } from 'dexie-react-hooks'
import { useMemo } from 'react'
import { type Draft, editPage, effectiveEdits, type KnownDefaults } from '@/core/draft'
import { type CardContext, cardOf, faceOf, wideFeed } from '@/core/surface'
import { readStoredPage } from '@/store/pages'
import { WallCard } from '../../parts/card/wall-card'

type Props = { run: string; section: string; draft: Draft; defaults: KnownDefaults; context: CardContext }

/** A drafted page's card as it is built and as it will be, in the place that shows most of it. */
export function BeforeAfter({ run, section, draft, defaults, context }: Props) {
  const stored = useLiveQuery(() => readStoredPage(run, draft.url), [run, draft.url])
  const faces = useMemo(() => {
    const page = stored?.page
    if (!page?.facts) return null
    const imageOf = (url: string) => context.images.get(url)
    const { edits } = effectiveEdits({ ...page, facts: page.facts }, section, draft.fields, defaults, imageOf)
    return [page, editPage(page, edits)].map((one) => faceOf(cardOf(one, wideFeed, context), wideFeed))
  }, [stored, section, draft, defaults, context])
  if (!faces) return null
  const [before, after] = faces
  return (
    <div className="grid w-[560px] max-w-full grid-cols-2 items-start gap-3 py-1">
      {(
        [
          ['as built', before!],
          ['with the draft', after!],
        ] as const
      ).map(([name, face]) => (
        <figure key={name} aria-label={name} className="min-w-0">
          <WallCard run={run} surface={wideFeed} face={face} />
          <figcaption className="mt-[3px] text-fine text-quiet">{name}</figcaption>
        </figure>
      ))}
    </div>
  )
}
