'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useEffect, useRef } from 'react'
import type { Shape } from '@/core/image'
import type { Action } from '../../../state/keys/keys'
import { addressedArea, useKeys } from '../../../state/keys/use-keys'
import { parseView } from '../../../state/view/view'
import type { ComposePage } from './compose-sections'
import { composedFaults, usePreview } from './composed-preview'
import type { PreviewQueue } from './preview-queue'
import type { AskFor } from './use-compose-asks'

const COLUMNS = 4
/** Twice the width at which a small picture stands on most screens. */
const SMALL_PX = 320
const GAP_PX = 10
const CAPTION_PX = 22

type Props = {
  pages: ComposePage[]
  shape: Shape
  queue: PreviewQueue
  askFor: AskFor | null
  family: string
  chosen: string | null
  onChoose: (page: ComposePage) => void
}

const inWord = ({ has, drafted }: ComposePage) => (drafted ? 'drafted' : has === 'none' ? '' : has)

/** Pictures of all pages of a section, as the template makes them. Arrow keys, J and K go from one to the next. */
export function ComposedGrid({ pages, shape, queue, askFor, family, chosen, onChoose }: Props) {
  const pane = useRef<HTMLDivElement>(null)
  const rows = Math.ceil(pages.length / COLUMNS)
  const ratio = shape.width / shape.height
  const virtual = useVirtualizer({
    count: rows,
    getScrollElement: () => pane.current,
    estimateSize: () => ((pane.current?.clientWidth ?? 660) / COLUMNS - GAP_PX) / ratio + CAPTION_PX + GAP_PX,
    overscan: 1,
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: another shape makes rows of another height
  useEffect(() => virtual.measure(), [ratio, virtual])
  useKeys((action, event) => {
    if (addressedArea() !== 'pictures') return false
    // The address is ahead of what is drawn while keys come faster than drawings.
    const { page } = parseView(window.location.pathname, window.location.search)
    const at = Math.max(
      0,
      pages.findIndex(({ path }) => path === page),
    )
    // Letters go from one to the next, as in a list; arrows over the grid.
    const row = event.key.startsWith('Arrow') ? COLUMNS : 1
    const steps: Partial<Record<Action, number>> = { left: -1, right: 1, up: -row, down: row }
    const step = event.key === 'h' || event.key === 'l' ? undefined : steps[action]
    const next = step === undefined ? undefined : pages[at + step]
    if (step === undefined || !next) return false
    onChoose(next)
    virtual.scrollToIndex(Math.floor((at + step) / COLUMNS), { align: 'auto' })
    return true
  })
  return (
    <div ref={pane} className="min-h-0 flex-1 overflow-auto pb-3 max-md:max-h-[50vh]">
      <ol aria-label="Pictures of the section" className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().flatMap((row) =>
          pages.slice(row.index * COLUMNS, (row.index + 1) * COLUMNS).map((page, column) => (
            <li
              key={page.url}
              className="absolute top-0"
              style={{
                left: `${(column * 100) / COLUMNS}%`,
                width: `calc(${100 / COLUMNS}% - ${GAP_PX}px)`,
                transform: `translateY(${row.start}px)`,
              }}
            >
              <Small
                page={page}
                ratio={ratio}
                queue={queue}
                askFor={askFor}
                family={family}
                isChosen={page.path === chosen}
                onChoose={onChoose}
              />
            </li>
          )),
        )}
      </ol>
    </div>
  )
}

function Small({
  page,
  ratio,
  queue,
  askFor,
  family,
  isChosen,
  onChoose,
}: Pick<Props, 'queue' | 'askFor' | 'family' | 'onChoose'> & { page: ComposePage; ratio: number; isChosen: boolean }) {
  const { made, url, fault } = usePreview(queue, askFor, page.url, SMALL_PX)
  const faults = fault ? [fault] : made ? composedFaults(made, family) : []
  const state = inWord(page)
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={[page.path, state, ...faults].filter(Boolean).join(', ')}
      title={faults.join(' ')}
      onClick={() => onChoose(page)}
      className="block w-full text-left"
    >
      <span
        className={clsx(
          'block overflow-hidden rounded-[5px] bg-soft outline-offset-1',
          isChosen && 'outline-2 outline-pick',
        )}
        style={{ aspectRatio: String(ratio) }}
      >
        {url && <img src={url} alt="" draggable={false} className="size-full object-cover" />}
      </span>
      <span className="flex items-baseline gap-1 truncate text-fine leading-[20px] text-quiet">
        {faults.length > 0 && (
          <span aria-hidden="true" className="text-warn">
            ◆
          </span>
        )}
        <span className="min-w-0 truncate">{page.path.split('/').filter(Boolean).at(-1) ?? '/'}</span>
        {state && <span className="ml-auto shrink-0">{state}</span>}
      </span>
    </button>
  )
}
