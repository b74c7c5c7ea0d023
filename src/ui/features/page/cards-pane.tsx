'use client'

import { clsx } from 'clsx'
import { memo } from 'react'
import type { Card, Surface } from '@/core/surface'
import { TrueCard } from '../../parts/card/true-card'
import type { Spot } from '../../state/page/lit'
import { keyOfSurface } from '../../state/surface/surface-keys'

type Props = {
  run: string
  cards: { surface: Surface; card: Card }[]
  chosen: string
  lit: Spot | null
  onLit: (spot: Spot | null) => void
  onChoose: (surface: string) => void
  /** Pictures that the page offers, and which of them was chosen; null: the place chooses. */
  offered: number
  picture: number | null
  onPicture: (picture: number | null) => void
}

const KINDS: Record<Card['layout'], string> = {
  wide: 'large picture',
  natural: 'picture in its own shape',
  thumbnail: 'small picture',
  text: 'no picture',
  bare: 'bare link',
  'not-listed': 'not listed',
}

/** All cards of the page at their true size, made smaller only where the pane is narrower. */
export const CardsPane = memo(function CardsPane({
  run,
  cards,
  chosen,
  lit,
  onLit,
  onChoose,
  offered,
  picture,
  onPicture,
}: Props) {
  return (
    <section
      aria-label="Cards of the page"
      tabIndex={0}
      className="overflow-auto px-5 py-4 max-md:order-1 max-md:shrink-0"
    >
      <div className="grid gap-6">
        {offered > 1 && <PictureChoice offered={offered} picture={picture} onPicture={onPicture} />}
        {cards.map(({ surface, card }, index) => (
          <article key={surface.id} aria-label={surface.name}>
            <h2 className="mb-2 flex items-baseline gap-2">
              <button
                type="button"
                aria-pressed={surface.id === chosen}
                onClick={() => onChoose(surface.id)}
                className={clsx(
                  'rounded font-semibold',
                  surface.id === chosen ? 'underline decoration-2 underline-offset-4' : 'text-quiet hover:text-ink',
                )}
              >
                {surface.name}
              </button>
              <span className="text-quiet">{KINDS[card.layout]}</span>
              <kbd className="ml-auto text-fine text-quiet">{keyOfSurface(index)}</kbd>
            </h2>
            <TrueCard run={run} surface={surface} card={card} lit={lit} onLit={onLit} />
          </article>
        ))}
        <p className="text-small text-quiet">
          Texts break where the place breaks them, about. Point at a part to light the tag that feeds it.
        </p>
      </div>
    </section>
  )
})

/** Goes through the pictures of a page that names several: some places let people choose. */
function PictureChoice({ offered, picture, onPicture }: Pick<Props, 'offered' | 'picture' | 'onPicture'>) {
  const step = (by: number) => onPicture(((picture ?? 0) + by + offered) % offered)
  return (
    <p className="flex flex-wrap items-center gap-2 text-small">
      <span aria-live="polite">
        The page names {offered} pictures:{' '}
        {picture === null ? 'shown is what each place takes.' : `shown is number ${picture + 1}.`}
      </span>
      <button type="button" className="button h-[26px]! px-2!" aria-label="The picture before" onClick={() => step(-1)}>
        ←
      </button>
      <button type="button" className="button h-[26px]! px-2!" aria-label="The next picture" onClick={() => step(1)}>
        →
      </button>
      {picture !== null && (
        <button type="button" className="text-pick hover:underline" onClick={() => onPicture(null)}>
          As each place takes it
        </button>
      )}
    </p>
  )
}
