'use client'

import { clsx } from 'clsx'
import { memo, useMemo } from 'react'
import { type CardDrawing, drawCard } from '@/core/sheet'
import type { Card, CardPart, Surface, TextPart } from '@/core/surface'
import { isSame, type Spot } from '../../state/page/lit'
import { byAddress, DrawnCard, overlayOf } from './drawn-card'

type Lighting = { lit: Spot | null; onLit: (spot: Spot | null) => void }
type Props = Lighting & {
  run: string
  surface: Surface
  card: Card
  /** Parts that are outlined, since they differ from another card. */
  marked?: ReadonlySet<CardPart>
}

const spotOf = (part: { line: number | null; column: number | null } | undefined): Spot | null =>
  !part || part.line === null || part.column === null ? null : { line: part.line, column: part.column }

/** What feeds a part of a card: the tag, and where it is. */
function feedOf(card: Card, part: CardPart): { name: string; from: string | null; spot: Spot | null } | null {
  if (part === 'title') return { name: 'Title', from: card.title.from, spot: spotOf(card.title) }
  if (part === 'description')
    return { name: 'Description', from: card.description.from, spot: spotOf(card.description) }
  if (part === 'image') return { name: 'Picture', from: card.image.from, spot: spotOf(card.image) }
  if (part !== 'siteLine') return null
  const taken = card.ladders.siteLine.find(({ outcome }) => outcome === 'taken')
  return { name: 'Site line', from: taken?.from ?? null, spot: spotOf(taken) }
}

/** A card as the place draws it, with what feeds each part, and below it what the place cuts off. */
export const TrueCard = memo(function TrueCard({ run, surface, card, lit, onLit, marked }: Props) {
  const drawing = useMemo(
    () => drawCard(card, surface, { keyOf: byAddress, ...(marked ? { marked } : {}) }),
    [card, surface, marked],
  )
  return (
    <div>
      <div className="relative" style={{ maxWidth: drawing.widthPx }}>
        <DrawnCard run={run} drawing={drawing} />
        {drawing.regions.map((region) => (
          <Part
            key={region.part}
            {...{ card, drawing, region, lit, onLit }}
            isMarked={marked?.has(region.part) ?? false}
          />
        ))}
      </div>
      <CutOff name="title" part={card.title} />
      {card.description.shown !== '' && <CutOff name="description" part={card.description} />}
    </div>
  )
})

/** What the place leaves out of a text, struck. */
function CutOff({ name, part }: { name: string; part: TextPart }) {
  if (!part.cut || part.text === null) return null
  return (
    <p className="mt-[4px] text-fine leading-[1.4] text-quiet [overflow-wrap:anywhere]">
      Cut from the {name}: <s className="decoration-wrong">{part.text.slice(part.shown.length).trim()}</s>
    </p>
  )
}

/** A part of a card: points at the tag that feeds it, and lights when that tag is pointed at. */
function Part({
  card,
  drawing,
  region,
  lit,
  onLit,
  isMarked,
}: Lighting & { card: Card; drawing: CardDrawing; region: CardDrawing['regions'][number]; isMarked: boolean }) {
  const feed = feedOf(card, region.part)
  if (!feed) return null
  const { name, from, spot } = feed
  return (
    <button
      type="button"
      aria-label={`${name}${from ? `, from ${from}` : ''}${spot ? `, line ${spot.line}` : ''}${isMarked ? ', changed' : ''}`}
      onMouseEnter={() => onLit(spot)}
      onMouseLeave={() => onLit(null)}
      onFocus={() => onLit(spot)}
      onBlur={() => onLit(null)}
      style={overlayOf(drawing, region)}
      className={clsx('absolute cursor-default', isSame(spot, lit) && 'bg-pick/10 outline-2 outline-pick')}
    />
  )
}
