'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useEffect, useRef } from 'react'
import { count } from '../../kit/words'
import { partsInWords } from '../../parts/part-words'
import type { DriftItem } from './drift-items'

const SIGNS = { changed: '≠', moved: '→', removed: '−', added: '+', tags: '·', findings: '·' } as const

/** What became of a page, in a line. */
export function itemInWords({ kind, parts, surfaces, to, came, went }: DriftItem): string {
  switch (kind) {
    case 'changed':
      return `${partsInWords(parts)} on ${count(surfaces.length, 'surface')}`
    case 'moved':
      return `moved to ${to?.path}`
    case 'removed':
      return 'is not there any more'
    case 'added':
      return 'is new'
    case 'tags':
      return 'tags that no card shows'
    case 'findings':
      return [went.length > 0 && `${went.length} went`, came.length > 0 && `${came.length} came`]
        .filter(Boolean)
        .join(', ')
  }
}

type Props = { items: readonly DriftItem[]; chosen: string | null; onChoose: (item: DriftItem) => void }

/** Pages that differ; only those in sight are drawn. */
export function ChangeList({ items, chosen, onChoose }: Props) {
  const pane = useRef<HTMLDivElement>(null)
  const virtual = useVirtualizer({
    count: items.length,
    getScrollElement: () => pane.current,
    estimateSize: () => 47,
    overscan: 8,
  })
  const at = items.findIndex(({ url }) => url === chosen)
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' })
  }, [at, virtual])
  return (
    <div ref={pane} className="min-h-0 flex-1 overflow-auto px-2 pb-4">
      <ul className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((row) => {
          const item = items[row.index]!
          return (
            <li
              key={item.url}
              className="absolute inset-x-0"
              style={{ transform: `translateY(${row.start}px)`, height: row.size }}
            >
              <button
                type="button"
                aria-pressed={item.url === chosen}
                onClick={() => onChoose(item)}
                className={clsx(
                  'grid h-[45px] w-full grid-cols-[18px_minmax(0,1fr)] items-baseline rounded-card border px-2 py-[5px] text-left',
                  item.url === chosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
                )}
              >
                <span aria-hidden="true" className="font-mono font-semibold">
                  {SIGNS[item.kind]}
                </span>
                <span className="truncate font-mono text-small font-semibold">{item.path}</span>
                <span />
                <span className="truncate text-small text-quiet">{itemInWords(item)}</span>
              </button>
            </li>
          )
        })}
      </ul>
    </div>
  )
}
