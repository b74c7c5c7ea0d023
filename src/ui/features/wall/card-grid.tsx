'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { memo, useEffect, useRef, useState } from 'react'
import { WIDE_RATIO } from '@/core/image'
import { cardWidth } from '@/core/sheet'
import { type Surface, THUMBNAIL_PX } from '@/core/surface'
import { ownEntry } from '@/core/text'
import type { WallRow } from '@/store/database'
import { Notice } from '../../kit/notice'
import { useWidth } from '../../kit/use-width'
import { WallCard } from '../../parts/card/wall-card'
import type { CardSize } from '../../state/view/view'
import { badgeOf } from '../../state/wall/select-rows'
import { toggleSelected } from '../../state/wall/selection'
import { columnsFor } from './card-size'
import { atRest, isPassing, paceAfter } from './scroll-pace'

type Props = {
  rows: WallRow[]
  surface: Surface
  /** Cards of this surface stand beside the others; null for none. */
  beside: Surface | null
  size: CardSize
  /** Changes when the wall is narrowed or ordered in another way. */
  narrowing: string
  chosen: string | null
  selected: ReadonlySet<string>
  drafted: ReadonlySet<string>
  /** Tags that say a placeholder, by page: of a run that is only tried. */
  placeholders: Readonly<Record<string, readonly string[]>> | undefined
  hasPages: boolean
  onColumns: (columns: number) => void
  onChoose: (row: WallRow) => void
  onOpen: (row: WallRow) => void
  onClear: () => void
}

/** Path and finding below a card. */
const CAPTION_PX = 24

/** Height that a line of cards will have, before it is measured. */
function guessHeight(surface: Surface, columnPx: number): number {
  const scale = Math.min(1, columnPx / cardWidth(surface))
  const textPx = surface.isListing ? 96 : 84
  if (!surface.picture) return (surface.siteLine === 'none' ? 50 : textPx) * scale + CAPTION_PX
  const shown = cardWidth(surface) * scale
  return (surface.layoutBy === 'thumbnail' ? THUMBNAIL_PX * scale : shown / WIDE_RATIO + textPx * scale) + CAPTION_PX
}

/** Cards in a grid of which only what is in sight is drawn. */
export function CardGrid({
  rows,
  surface,
  beside,
  size,
  narrowing,
  chosen,
  selected,
  drafted,
  placeholders,
  hasPages,
  onColumns,
  onChoose,
  onOpen,
  onClear,
}: Props) {
  const pane = useRef<HTMLElement>(null)
  const width = useWidth(pane, 680)
  const { columns, columnPx, gapPx } = columnsFor(width, beside ? [surface, beside] : [surface], size)
  const lines = Math.ceil(rows.length / columns)
  useEffect(() => onColumns(columns), [columns, onColumns])
  const pace = useRef(atRest)
  const [isLeaping, setIsLeaping] = useState(false)
  const virtual = useVirtualizer({
    count: lines,
    onChange: ({ scrollOffset, scrollElement }) => {
      pace.current = paceAfter(pace.current, scrollOffset ?? 0, scrollElement?.clientHeight ?? 0, performance.now())
      setIsLeaping(isPassing(pace.current))
    },
    getScrollElement: () => pane.current,
    estimateSize: () => guessHeight(surface, columnPx),
    overscan: 1,
    gap: 14,
    isScrollingResetDelay: 90,
  })
  // Once the scrolling ends, everything is drawn again.
  const passes = virtual.isScrolling && isLeaping
  const chosenIndex = chosen === null ? -1 : rows.findIndex((row) => row.url === chosen)
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new choice scrolls, not new rows
  useEffect(() => {
    if (chosenIndex >= 0) virtual.scrollToIndex(Math.floor(chosenIndex / columns), { align: 'auto' })
  }, [chosen, columns])
  const narrowed = useRef(narrowing)
  useEffect(() => {
    if (narrowed.current === narrowing) return
    narrowed.current = narrowing
    // What was asked for begins at its beginning, unless the chosen card is among it.
    virtual.scrollToIndex(Math.max(0, Math.floor(chosenIndex / columns)), { align: 'auto' })
  }, [narrowing, virtual, chosenIndex, columns])
  return (
    <section
      ref={pane}
      tabIndex={0}
      aria-label="Cards"
      className="min-h-0 flex-1 overflow-auto px-4 pb-6 pt-1 [@media(max-height:620px)]:min-h-[300px]"
    >
      {rows.length === 0 && (
        <Notice text={hasPages ? 'No page shows all of these symptoms at once.' : 'No page has arrived yet.'}>
          {hasPages && (
            <button type="button" className="button" onClick={onClear}>
              Show everything
            </button>
          )}
        </Notice>
      )}
      <ul className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((line) => (
          <li
            key={line.key}
            data-index={line.index}
            // An outline has the height that was guessed, which says nothing of the cards.
            ref={passes ? undefined : virtual.measureElement}
            className="absolute inset-x-0 top-0"
            style={{ transform: `translateY(${line.start}px)` }}
          >
            <ul
              className="grid items-start"
              style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, gap: gapPx }}
            >
              {rows
                .slice(line.index * columns, (line.index + 1) * columns)
                .map((row) =>
                  passes ? (
                    <Outline key={row.url} row={row} heightPx={line.size} />
                  ) : (
                    <GridCard
                      key={row.url}
                      row={row}
                      surface={surface}
                      beside={beside}
                      isChosen={row.url === chosen}
                      isSelected={selected.has(row.url)}
                      isDrafted={drafted.has(row.url)}
                      placeholders={placeholders?.[row.url]}
                      isSelecting={selected.size > 0}
                      onChoose={onChoose}
                      onOpen={onOpen}
                    />
                  ),
                )}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** A card that is only passed. */
function Outline({ row, heightPx }: { row: WallRow; heightPx: number }) {
  return (
    <li
      className="flex items-end truncate rounded-card border border-line px-[10px] py-[6px] font-mono text-fine text-quiet"
      style={{ height: heightPx }}
    >
      {row.path}
    </li>
  )
}

const BADGE = { error: 'text-wrong', warning: 'text-warn', note: 'text-quiet', clear: 'text-good' } as const

/** Drawn once: lines that stay in sight while others come are not drawn again. */
const GridCard = memo(function GridCard({
  row,
  surface,
  beside,
  isChosen,
  isSelected,
  isDrafted,
  placeholders,
  isSelecting,
  onChoose,
  onOpen,
}: {
  row: WallRow
  surface: Surface
  beside: Surface | null
  isChosen: boolean
  isSelected: boolean
  isDrafted: boolean
  placeholders: readonly string[] | undefined
  isSelecting: boolean
  onChoose: (row: WallRow) => void
  onOpen: (row: WallRow) => void
}) {
  const face = ownEntry(row.faces, surface.id)
  const badge = badgeOf(row, surface.id)
  const other = beside ? ownEntry(row.faces, beside.id) : undefined
  if (!face) return <li className="text-quiet">Gathered before this surface was known: gather again to see it.</li>
  return (
    // No wider than the card: what stands below it belongs to it.
    <li style={{ maxWidth: beside ? undefined : cardWidth(surface) }}>
      <button
        type="button"
        aria-pressed={isChosen}
        aria-label={`${row.path}: ${face.title || 'no title'}, ${badge.text}${placeholders ? ', with a placeholder' : ''}`}
        onClick={(event) => {
          if (event.ctrlKey || event.metaKey || event.shiftKey) toggleSelected(row.run, row.url)
          else onChoose(row)
        }}
        onDoubleClick={() => onOpen(row)}
        onKeyDown={(event) => {
          // A click chooses; what is chosen opens, as the key beside “Open page” says.
          if (event.key !== 'Enter' || !isChosen || event.ctrlKey || event.metaKey || event.shiftKey) return
          event.preventDefault()
          onOpen(row)
        }}
        className={clsx(
          'block w-full rounded-[8px] text-left',
          isChosen && 'outline-[2.5px] outline-offset-[2px] outline-pick',
        )}
      >
        {beside && other ? (
          <span className="grid grid-cols-2 items-start gap-[7px]">
            <span>
              <span className="mb-[3px] block px-[2px] text-sign text-quiet">{surface.name}</span>
              <WallCard run={row.run} surface={surface} face={face} />
            </span>
            <span>
              <span className="mb-[3px] block px-[2px] text-sign text-quiet">{beside.name}</span>
              <WallCard run={row.run} surface={beside} face={other} />
            </span>
          </span>
        ) : (
          <WallCard run={row.run} surface={surface} face={face} />
        )}
      </button>
      <div className="mt-[5px] flex items-baseline gap-2 px-[2px] text-fine">
        {(isSelecting || isChosen) && (
          <input
            type="checkbox"
            aria-label={`Select ${row.path}`}
            className="size-[13px] shrink-0 self-center accent-pick"
            checked={isSelected}
            onChange={() => toggleSelected(row.run, row.url)}
          />
        )}
        <span className="truncate font-mono text-fine" title={row.path}>
          {row.path}
        </span>
        {placeholders && (
          <span
            className="shrink-0 rounded-[3px] border border-dashed border-quiet px-[5px] text-sign"
            title={`Placeholder, to be made by a person: ${placeholders.join(', ')}`}
          >
            placeholder
          </span>
        )}
        {isDrafted && <span className="shrink-0 rounded-[3px] bg-pick-soft px-[5px] text-sign text-pick">draft</span>}
        <span className={clsx('ml-auto shrink-0 font-semibold', BADGE[badge.level])}>
          {badge.level === 'error' && <span aria-hidden="true">▲ </span>}
          {badge.text}
        </span>
      </div>
    </li>
  )
})
