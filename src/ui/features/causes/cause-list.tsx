'use client'

import { useVirtualizer } from '@tanstack/react-virtual'
import { clsx } from 'clsx'
import { useMemo, useRef } from 'react'
import type { Cause } from '@/core/cause'
import { sectionName } from '@/core/section'
import { addTo } from '@/core/text'
import type { WallRow } from '@/store/database'
import { count } from '../../kit/words'
import { LEVEL_LOOK, LEVEL_SIGN } from '../../parts/levels'
import { addressedView, useKeys } from '../../state/keys/use-keys'
import { strokesOf } from './strokes'

const clearsInWords = ({ error, warning, note }: Cause['clears']) =>
  [error && count(error, 'error'), warning && count(warning, 'warning'), note && count(note, 'note')]
    .filter(Boolean)
    .join(', ')

/** What kind of work a change is, in a word. */
const WORK: Record<Cause['where'], string> = {
  site: 'setting',
  layout: 'layout',
  section: 'template',
  page: 'pages',
  picture: 'picture',
  server: 'server',
}

type Props = { causes: Cause[]; rows: WallRow[]; chosen: string | null; onChoose: (id: string) => void }

/** Causes in their order; J and K go down and up. */
export function CauseList({ causes, rows, chosen, onChoose }: Props) {
  const pane = useRef<HTMLDivElement>(null)
  const bySection = useMemo(() => {
    const found = new Map<string, WallRow[]>([['*', rows]])
    for (const row of rows) addTo(found, row.section, row)
    return found
  }, [rows])
  const virtual = useVirtualizer({
    count: causes.length,
    getScrollElement: () => pane.current,
    estimateSize: () => 104,
    overscan: 4,
  })
  useKeys((action) => {
    const now = addressedView().cause ?? chosen
    const at = causes.findIndex(({ id }) => id === now)
    const step = action === 'down' ? 1 : action === 'up' ? -1 : 0
    const next = step === 0 ? undefined : causes[at + step]
    if (!next) return false
    onChoose(next.id)
    virtual.scrollToIndex(at + step, { align: 'auto' })
    return true
  })
  return (
    <div ref={pane} className="min-h-0 flex-1 overflow-auto px-3 pb-6 max-md:max-h-[60vh]">
      <ol className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map((item) => {
          const cause = causes[item.index]!
          return (
            <li
              key={cause.id}
              data-index={item.index}
              ref={virtual.measureElement}
              className="absolute inset-x-0 pb-[3px]"
              style={{ transform: `translateY(${item.start}px)` }}
            >
              <button
                type="button"
                aria-pressed={cause.id === chosen}
                onClick={() => onChoose(cause.id)}
                className={clsx(
                  'block w-full rounded-card border px-3 py-[8px] text-left',
                  cause.id === chosen ? 'border-line bg-sheet' : 'border-transparent hover:bg-soft',
                )}
              >
                <span className="flex items-baseline gap-2 text-small">
                  <span className={clsx('shrink-0 font-semibold', LEVEL_LOOK[cause.level])}>
                    <span aria-hidden="true">{LEVEL_SIGN[cause.level]} </span>
                    {cause.level}
                  </span>
                  <span className="truncate font-mono text-fine text-quiet">
                    {WORK[cause.where]} {cause.section === '*' ? '' : sectionName(cause.section)}
                  </span>
                  <span className="ml-auto shrink-0 text-quiet">
                    {cause.proved ? 'tried: ' : ''}
                    {clearsInWords(cause.clears)}
                  </span>
                </span>
                <span className="mt-[2px] line-clamp-3 [overflow-wrap:anywhere]">{cause.change}</span>
                <span
                  className="mt-[5px] flex h-[11px] items-end gap-[2px]"
                  role="img"
                  aria-label={count(cause.pages.length, 'page')}
                >
                  {strokesOf(cause, bySection.get(cause.section) ?? []).map((isOn, index) => (
                    <span
                      key={index}
                      className={clsx('w-[5px] rounded-[1px]', isOn ? 'h-[11px] bg-ink' : 'h-[4px] bg-line')}
                    />
                  ))}
                </span>
              </button>
            </li>
          )
        })}
      </ol>
    </div>
  )
}
