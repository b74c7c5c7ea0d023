'use client'

import { clsx } from 'clsx'
import { memo } from 'react'
import {
  type BoxFigure,
  CARD_PADDING_PX,
  type Card,
  type CardPart,
  isTextFirst,
  NATURAL_PX,
  type Surface,
  type TextPart,
  THUMBNAIL_PX,
} from '@/core/surface'
import { isSame, type Spot } from '../../state/page/lit'
import { CardPicture } from './card-picture'
import { useThumb } from './thumb-cache'

const WIDE_RATIO = 1.91

type Lighting = { lit: Spot | null; onLit: (spot: Spot | null) => void }
type Props = Lighting & {
  run: string
  surface: Surface
  card: Card
  roomPx: number
  /** Parts that are outlined, since they differ from another card. */
  marked?: ReadonlySet<CardPart>
}

const spotOf = (part: { line: number | null; column: number | null }): Spot | null =>
  part.line === null || part.column === null ? null : { line: part.line, column: part.column }

/** A card at the size that the place draws it, with the very lines that its box gives. */
export const TrueCard = memo(function TrueCard({ run, surface, card, roomPx, lit, onLit, marked }: Props) {
  const boxes = surface.boxes[card.layout as 'wide' | 'natural' | 'thumbnail' | 'text'] ?? surface.boxes.text
  const isBeside = card.layout === 'thumbnail' && card.image.url !== null
  const widthPx = (boxes.title?.widthPx ?? 400) + 2 * CARD_PADDING_PX + (isBeside ? THUMBNAIL_PX : 0)
  // Zoom, not a narrower box: the lines must break as they do there.
  const zoom = Math.min(1, roomPx / widthPx)
  if (card.layout === 'bare' || card.layout === 'not-listed') return <Plain card={card} />
  const light = { lit, onLit }
  const isAfter = isTextFirst(surface.id)
  const crop = card.image.crop
  const ratio = card.layout === 'natural' && crop ? crop.width / crop.height : WIDE_RATIO
  const picture = card.image.url && (
    <Part
      spot={spotOf(card.image)}
      light={light}
      name="Picture"
      source={card.image.from}
      isMarked={marked?.has('image')}
    >
      <CardPicture
        run={run}
        url={card.image.url}
        ratio={isBeside ? 1 : ratio}
        isUnseen={card.image.unseen === true}
        className={isBeside ? 'h-full' : 'w-full'}
      />
    </Part>
  )
  return (
    <div
      style={{ zoom, width: widthPx }}
      className="overflow-hidden rounded-card border border-line bg-card font-place text-card-ink"
    >
      <div className={clsx(isBeside && 'flex', isBeside && isAfter && 'flex-row-reverse')}>
        {isBeside ? (
          <div style={{ width: THUMBNAIL_PX }} className="shrink-0">
            {picture}
          </div>
        ) : (
          (card.layout === 'wide' || card.layout === 'natural') && !isAfter && picture
        )}
        <div style={{ padding: CARD_PADDING_PX }} className="min-w-0 flex-1">
          <SiteLine
            run={run}
            card={card}
            light={light}
            isIconShown={surface.favicon}
            isMarked={marked?.has('siteLine')}
          />
          <Text
            part={card.title}
            box={boxes.title}
            light={light}
            name="Title"
            isTitle
            underlined={surface.isListing}
            isMarked={marked?.has('title')}
          />
          {card.description.shown !== '' && (
            <Text
              part={card.description}
              box={boxes.description}
              light={light}
              name="Description"
              isMarked={marked?.has('description')}
            />
          )}
          {surface.labels && card.labels.length > 0 && (
            <dl className="mt-[6px] grid grid-cols-2 gap-x-4 text-body leading-[18px]">
              {card.labels.map(({ label, data }) => (
                <div key={label}>
                  <dt className="font-semibold">{label}</dt>
                  <dd className="text-card-quiet">{data}</dd>
                </div>
              ))}
            </dl>
          )}
          {isAfter && !isBeside && picture && (
            <div className="mt-[8px] overflow-hidden rounded-[5px]" style={{ maxWidth: NATURAL_PX }}>
              {picture}
            </div>
          )}
        </div>
      </div>
    </div>
  )
})

function Plain({ card }: { card: Card }) {
  return (
    <div className="rounded-card border border-dashed border-line bg-card px-3 py-3">
      <p className="font-mono text-small [overflow-wrap:anywhere]">{card.title.text}</p>
      <p className="text-quiet">
        {card.layout === 'not-listed' ? 'Not listed. ' : 'A bare link. '}
        {card.bareBecause}
      </p>
    </div>
  )
}

function SiteLine({
  run,
  card,
  light,
  isIconShown,
  isMarked,
}: {
  run: string
  card: Card
  light: Lighting
  isIconShown: boolean
  isMarked?: boolean | undefined
}) {
  const icon = useThumb(run, card.favicon?.url ?? null)
  const taken = card.ladders.siteLine.find(({ outcome }) => outcome === 'taken')
  if (card.siteLine === null) return null
  return (
    <Part
      spot={taken ? spotOf(taken) : null}
      light={light}
      name="Site line"
      source={taken?.from ?? null}
      isMarked={isMarked}
    >
      <span className="mb-[3px] flex items-center gap-[7px] text-small leading-[17px] text-card-quiet">
        {isIconShown && card.favicon && (
          <span className="size-[18px] overflow-hidden rounded-[4px] bg-soft">
            {icon && <img src={icon} alt="" className="size-[18px]" />}
          </span>
        )}
        {card.themeColor && (
          <span className="size-[11px] rounded-[2px] border border-line" style={{ backgroundColor: card.themeColor }} />
        )}
        <span className="truncate">{card.siteLine}</span>
      </span>
    </Part>
  )
}

/** The lines of a text, one element a line: nothing here may break them again. */
function Text({
  part,
  box,
  light,
  name,
  isTitle = false,
  underlined = false,
  isMarked,
}: {
  part: TextPart
  box: BoxFigure | null
  light: Lighting
  name: string
  isTitle?: boolean
  underlined?: boolean
  isMarked?: boolean | undefined
}) {
  if (!box || part.text === null) return null
  const lost = part.text.slice(part.shown.length).trim()
  return (
    <Part spot={spotOf(part)} light={light} name={name} source={part.from} isMarked={isMarked}>
      <span
        className={clsx(
          'block',
          !isTitle && 'text-card-quiet',
          underlined && isTitle && 'underline decoration-card-quiet/50 underline-offset-4',
        )}
        style={{ fontSize: box.sizePx, lineHeight: 1.3, fontWeight: box.weight }}
      >
        {part.lines.map((line, index) => (
          <span key={index} className="block whitespace-pre">
            {line}
            {part.cut && index === part.lines.length - 1 && '…'}
          </span>
        ))}
      </span>
      {part.cut && (
        <s className="block text-fine leading-[1.35] text-card-quiet decoration-wrong [overflow-wrap:anywhere]">
          <span className="sr-only">Cut: </span>
          {lost}
        </s>
      )}
    </Part>
  )
}

/** Broken like the sign of a cut, and not by colour alone. */
const CHANGED = 'outline-2 outline-dashed outline-card-ink -outline-offset-2'

/** A part of a card: points at the tag that feeds it, and lights when that tag is pointed at. */
function Part({
  spot,
  light,
  name,
  source,
  isMarked = false,
  children,
}: {
  spot: Spot | null
  light: Lighting
  name: string
  source: string | null
  isMarked?: boolean | undefined
  children: React.ReactNode
}) {
  const isLit = isSame(spot, light.lit)
  return (
    <button
      type="button"
      aria-label={`${name}${source ? `, from ${source}` : ''}${spot ? `, line ${spot.line}` : ''}${isMarked ? ', changed' : ''}`}
      onMouseEnter={() => light.onLit(spot)}
      onMouseLeave={() => light.onLit(null)}
      onFocus={() => light.onLit(spot)}
      onBlur={() => light.onLit(null)}
      className={clsx(
        'block w-full cursor-default text-left',
        isLit ? 'bg-pick-soft outline-2 outline-pick' : isMarked && CHANGED,
      )}
    >
      {children}
    </button>
  )
}
