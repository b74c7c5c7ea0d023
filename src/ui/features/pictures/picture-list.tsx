'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useEffect, useRef } from 'react'
import type { PictureEntry } from '@/core/check'
import type { GatheredImage } from '@/core/model'
import type { CropResult } from '@/core/surface'
import { count } from '../../kit/words'
import { CardPicture } from '../../parts/card/card-picture'
import { LEVEL_LOOK, LEVEL_SIGN } from '../../parts/levels'
import { addressedArea, useKeys } from '../../state/keys/use-keys'
import { parseView } from '../../state/view/view'
import { mostToKnow, pathOfPicture, pictureInShort } from './picture-facts'

type Props = {
  run: string
  site: string
  entries: PictureEntry[]
  images: ReadonlyMap<string, GatheredImage>
  cropsFor: (entry: PictureEntry) => CropResult[]
  chosen: string | null
  selected: ReadonlySet<string>
  onChoose: (url: string) => void
  onSelect: (url: string) => void
}

/** Share pictures; J and K go down and up, X takes one into a selection. */
export function PictureList({ run, site, entries, images, cropsFor, chosen, selected, onChoose, onSelect }: Props) {
  const pane = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: entries.length,
    getScrollElement: () => pane.current,
    estimateSize: () => 76,
    overscan: 6,
  })
  const first = useRef(entries.findIndex(({ url }) => url === chosen))
  useEffect(() => {
    // The picture that the address names is in sight from the start.
    if (first.current > 0) virtual.scrollToIndex(first.current, { align: 'center' })
  }, [virtual])
  // In another order the chosen picture stands elsewhere, and stays in sight.
  const chosenAt = entries.findIndex(({ url }) => url === chosen)
  const shownAt = useRef(chosenAt)
  useEffect(() => {
    if (shownAt.current === chosenAt) return
    shownAt.current = chosenAt
    if (chosenAt >= 0) virtual.scrollToIndex(chosenAt, { align: 'auto' })
  }, [virtual, chosenAt])
  useKeys((action, event) => {
    if (addressedArea() !== 'pictures') return false
    const isOnHandle = (event.target as HTMLElement).closest('[data-focus-handle]') !== null
    // The address is ahead of what is drawn while keys come faster than drawings.
    const { picture } = parseView(window.location.pathname, window.location.search)
    const at = Math.max(
      0,
      entries.findIndex(({ url }) => url === picture),
    )
    const isMove = (action === 'down' || action === 'up') && !(isOnHandle && event.key.startsWith('Arrow'))
    const step = action === 'down' ? 1 : -1
    const next = entries[at + step]
    if (action === 'select' && entries[at]) onSelect(entries[at].url)
    else if (isMove && next) {
      onChoose(next.url)
      virtual.scrollToIndex(at + step, { align: 'auto' })
    } else return false
    return true
  })
  return (
    <div ref={pane} className="min-h-0 flex-1 overflow-auto px-2 pb-6 max-md:max-h-[40vh]">
      <ol className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const entry = entries[item.index]!
          const image = images.get(entry.url)
          const known = mostToKnow(entry, image, cropsFor(entry))
          const name = pathOfPicture(entry.url, site)
          return (
            <li
              key={entry.url}
              data-index={item.index}
              ref={virtual.measureElement}
              className="group absolute inset-x-0"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              <button
                type="button"
                aria-pressed={entry.url === chosen}
                onClick={() => onChoose(entry.url)}
                className={clsx(
                  'flex w-full min-w-0 gap-3 rounded-card border px-2 py-[7px] text-left',
                  entry.url === chosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
                )}
              >
                <CardPicture run={run} url={entry.url} className="w-[84px] shrink-0 rounded-[4px]" />
                <span className="min-w-0 flex-1">
                  <span className="block truncate font-mono text-small font-semibold" title={entry.url}>
                    {name}
                  </span>
                  <span className="block truncate text-small text-quiet">
                    {count(entry.uses.length, 'page')}, {pictureInShort(image, false)}
                  </span>
                  {known ? (
                    <span className={clsx('block truncate text-small font-medium', LEVEL_LOOK[known.level])}>
                      <span aria-hidden="true">{LEVEL_SIGN[known.level]} </span>
                      {known.words}
                      <span className="sr-only">, {known.level}</span>
                    </span>
                  ) : (
                    <span className="block text-small text-good">clear</span>
                  )}
                </span>
              </button>
              <input
                type="checkbox"
                aria-label={`Select ${name}`}
                className={clsx(
                  'absolute left-[12px] top-[11px] size-[15px] accent-(--pick) focus-visible:opacity-100 group-hover:opacity-100',
                  !selected.has(entry.url) && entry.url !== chosen && 'opacity-0',
                )}
                checked={selected.has(entry.url)}
                onChange={() => onSelect(entry.url)}
              />
            </li>
          )
        })}
      </ol>
    </div>
  )
}
